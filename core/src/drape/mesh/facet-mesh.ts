import Delaunator from 'delaunator';
import { contains, distance, extent, type Point } from '../../geometry/index.ts';
import { offSegment } from './facet-borders.ts';

/** Inner nodes keep this far from the border, as a share of the spacing. */
const CLEAR = 0.6;
/** Rows of a mesh of even-sided triangles lie so far apart, as a share of its spacing. */
const RISE = Math.sqrt(3) / 2;

/**
 * A lattice of inner nodes for a piece: rows of them, each half a spacing beside the one before, laid from the middle
 * out so that a piece with two like halves has a mesh with two like halves.
 */
export function latticeOn(outline: readonly Point[], spacing: number): Point[] {
  const { width, height } = extent(outline);
  const rows = Math.ceil(height / 2 / (spacing * RISE));
  const columns = Math.ceil(width / 2 / spacing) + 1;
  const points: Point[] = [];
  for (let j = -rows; j <= rows; j++) {
    for (let i = -columns; i <= columns; i++) {
      const aside = j % 2 === 0 ? 0 : 0.5;
      points.push({ x: width / 2 + (i + aside) * spacing, y: height / 2 + j * spacing * RISE });
    }
  }
  return points;
}

/** Those points of a lattice that lie well inside an outline. */
export const clearOf = (outline: readonly Point[], lattice: readonly Point[], spacing: number): Point[] =>
  lattice.filter(
    (p) =>
      contains(outline, p) &&
      outline.every(
        (from, i) => offSegment(p, from, outline[(i + 1) % outline.length] ?? from).off > CLEAR * spacing,
      ),
  );

export type Triple = readonly [number, number, number];

/**
 * Triangles that fill an outline, over the points of its border in order and some inside; as triples of places in the
 * two lists one after the other, counter-clockwise.
 */
export function triangulated(border: readonly Point[], inner: readonly Point[]): Triple[] {
  const points = [...border, ...inner];
  const { triangles } = Delaunator.from(
    points,
    ({ x }) => x,
    ({ y }) => y,
  );
  const found: Triple[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const [a = 0, b = 0, c = 0] = triangles.subarray(t, t + 3);
    const [p, q, r] = [points[a], points[b], points[c]];
    if (!p || !q || !r) continue;
    const turn = (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
    // Three in a line are no triangle: what lies along a straight border.
    if (Math.abs(turn) < 1e-6 * (1 + distance(p, q) + distance(q, r))) continue;
    if (!contains(border, { x: (p.x + q.x + r.x) / 3, y: (p.y + q.y + r.y) / 3 })) continue;
    found.push(turn > 0 ? [a, b, c] : [a, c, b]);
  }
  return openedCorners(found, points, border.length);
}

/**
 * Turns the side that cuts a corner off, so that it runs into the corner: two pieces that meet round a corner would else
 * have the same triangle there, and lie in one another.
 */
function openedCorners(triangles: readonly Triple[], points: readonly Point[], around: number): Triple[] {
  const all = [...triangles];
  const sides = new Map<string, number>();
  all.forEach((triple, t) => {
    triple.forEach((a, k) => {
      sides.set(`${a}/${triple[(k + 1) % 3]}`, t);
    });
  });
  const outer = (a: number, b: number) => b === (a + 1) % around && a < around;
  triangles.forEach((triple, t) => {
    const k = triple.findIndex((a, i) => {
      const [b = 0, c = 0] = [triple[(i + 1) % 3], triple[(i + 2) % 3]];
      return outer(c, a) && outer(a, b);
    });
    if (k < 0 || all[t] !== triple) return;
    const [corner, after, before] = [triple[k], triple[(k + 1) % 3], triple[(k + 2) % 3]];
    if (corner === undefined || after === undefined || before === undefined) return;
    const beside = sides.get(`${before}/${after}`);
    const other = beside === undefined ? undefined : all[beside];
    if (beside === undefined || !other) return;
    const far = other.find((v) => v !== before && v !== after);
    if (far === undefined || far < around) return;
    const turn = (a: number, b: number, c: number) => {
      const [p, q, r] = [points[a], points[b], points[c]];
      return p && q && r ? (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x) : 0;
    };
    if (turn(corner, after, far) <= 0 || turn(corner, far, before) <= 0) return;
    all[t] = [corner, after, far];
    all[beside] = [corner, far, before];
    sides.set(`${far}/${before}`, beside);
    sides.set(`${after}/${far}`, t);
  });
  return all;
}
