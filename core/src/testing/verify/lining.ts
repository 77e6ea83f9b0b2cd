import { type Face, type Facet, measure } from '../../bag/index.ts';
import { liningPieces } from '../../finish/index.ts';
import { type Check, differ } from './check.ts';
import { sidesOf, takenParts } from './outline.ts';
import { holds, type Tri, trianglesOf, type Vec } from './solid.ts';

/** Area of the part of a triangle below a height, in its own plane. */
function areaBelow({ corners }: Tri, top: number): number {
  const kept = corners.flatMap((p, i): Vec[] => {
    const q = corners[(i + 1) % 3] ?? p;
    const t = (top - p[1]) / (q[1] - p[1]);
    const cut: Vec = [p[0] + (q[0] - p[0]) * t, top, p[2] + (q[2] - p[2]) * t];
    return [...(p[1] <= top ? [p] : []), ...(p[1] <= top !== q[1] <= top ? [cut] : [])];
  });
  let [x, y, z] = [0, 0, 0];
  const [o = [0, 0, 0]] = kept;
  kept.forEach((p, i) => {
    const q = kept[i + 1] ?? p;
    const [a, b] = [p, q].map((r) => [r[0] - o[0], r[1] - o[1], r[2] - o[2]] as const);
    if (!a || !b) return;
    x += a[1] * b[2] - a[2] * b[1];
    y += a[2] * b[0] - a[0] * b[2];
    z += a[0] * b[1] - a[1] * b[0];
  });
  return Math.hypot(x, y, z) / 2;
}

const shoelace = (outline: ReadonlyArray<{ readonly x: number; readonly y: number }>) =>
  outline.reduce((sum, p, i) => {
    const q = outline[(i + 1) % outline.length] ?? p;
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);

/** Cutting shapes of the lining against the fabric they lie behind. */
export const lining: Check = {
  name: 'Lining',
  how: 'area of each cutting shape against the made-up fabric it lies behind, triangle by triangle, cut at the lowest place of the rim',
  of({ graph, settled }) {
    const body = graph.facets.filter(holds);
    const pieces = liningPieces(graph);
    const cut = (name: RegExp) =>
      pieces
        .filter((piece) => name.test(piece.name))
        .reduce((sum, { cut: many, outline }) => sum + many * shoelace(outline), 0);
    // Drawn in fabric is lined before it is: it counts as it lies in the net, without its bands.
    const sheetWide = Math.max(
      ...graph.pieces.map(({ cell, outline, at }) =>
        cell.sheet === 'body' ? at.x + Math.max(...outline.map(({ x }) => x)) : 0,
      ),
    );
    const band = graph.pieces.find(({ id }) => id === 'front-band')?.edges[0]?.length ?? Infinity;
    if (settled.family === 'gathered' && (sheetWide > 1.15 * band || settled.sides !== undefined)) {
      const flat = graph.pieces
        .filter(({ cell }) => cell.sheet === 'body')
        .reduce((sum, { outline }) => sum + shoelace(outline), 0);
      return differ('Lining of what is drawn in, mm²', cut(/./), flat, 1e-3 * flat + 1);
    }
    const taken = takenParts(graph);
    let top = Infinity;
    for (const piece of graph.pieces)
      for (const { edge, from, length, p, q } of sidesOf(piece)) {
        const parts = (taken.get(`${piece.id}/${edge}`) ?? []).map(
          ([low, high]) => [Math.max(0, low - from), Math.min(length, high - from)] as const,
        );
        const marks = [0, length, ...parts.flat()]
          .filter((at) => at >= 0 && at <= length)
          .sort((a, b) => a - b);
        marks.forEach((end, i) => {
          const start = marks[i - 1];
          if (start === undefined || end - start < 0.01) return;
          const middle = (start + end) / 2;
          if (parts.some(([low, high]) => low < middle && middle < high)) return;
          for (const at of [start + 1e-4, middle, end - 1e-4]) {
            const t = at / length;
            const [x, y] = [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
            for (const { piece: id, outline, motion } of body) {
              if (id !== piece.id || !touches(outline, x, y)) continue;
              top = Math.min(top, motion.origin.y + x * motion.u.y + y * motion.v.y);
            }
          }
        });
      }
    if (!Number.isFinite(top)) return [];
    const tris = trianglesOf(graph).filter(({ facet }) => holds(facet));
    const fabric = (faces: readonly Face[]) =>
      tris
        .filter(({ facet }) => faces.includes(facet.face))
        .reduce((sum, tri) => sum + areaBelow(tri, top), 0);
    const [faces, sides] = [fabric(['front', 'back']), fabric(['left', 'right', 'bottom'])];
    // What is eased onto its partner is a little larger or smaller than the partner's outline.
    // A way that ends beside its upper edge is told to within a millimetre or so.
    const off = (area: number) => 2e-3 * area + 20 + measure(graph).depth;
    if (pieces.some(({ name }) => name === 'Wall'))
      return differ('Wall and base, mm²', cut(/./), faces + sides, 0.03 * (faces + sides) + 20);
    return [
      ...differ('Front and back of the lining, mm²', cut(/Front|Back/), faces, off(faces)),
      ...(cut(/strip/) > 0 ? differ('Strip of the lining, mm²', cut(/strip/), sides, off(sides)) : []),
    ];
  },
};

/** Whether a place lies on the border of a facet. */
const touches = (outline: Facet['outline'], x: number, y: number) =>
  outline.some((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const along = ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length;
    const off = Math.abs((x - a.x) * (b.y - a.y) - (y - a.y) * (b.x - a.x)) / length;
    return off < 1e-3 && along > -1e-3 && along < length + 1e-3;
  });
