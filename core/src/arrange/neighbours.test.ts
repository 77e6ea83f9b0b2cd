import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagGraph, cornersOf, type Facet, move, pieceIndex, stretchesOf } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { distance3, type Point3 } from '../geometry/index.ts';
import { constructions } from '../testing/arbitraries.ts';
import { built, facesAndStrip, squares } from '../testing/built.ts';
import { linesOfThree, neighboursOf } from './index.ts';

/** A part of a piece's edge on the made-up bag. */
interface Border {
  readonly piece: string;
  readonly face: string;
  readonly from: Point3;
  readonly to: Point3;
  readonly edge: number;
  /** Position along the edge at `from` and `to`, mm. */
  readonly span: readonly [number, number];
}

/** The borders of all facets that are borders of their pieces, not folds. */
function bordersOf(graph: BagGraph): Border[] {
  const find = pieceIndex(graph);
  return graph.facets.flatMap((facet: Facet): Border[] => {
    const piece = find(facet.piece);
    return facet.outline.flatMap((p, i): Border[] => {
      const q = facet.outline[(i + 1) % facet.outline.length] ?? p;
      for (const edge of piece.edges.keys())
        for (const stretch of stretchesOf(piece, edge)) {
          const length = Math.hypot(stretch.q.x - stretch.p.x, stretch.q.y - stretch.p.y);
          const along = ({ x, y }: { x: number; y: number }) =>
            ((x - stretch.p.x) * (stretch.q.x - stretch.p.x) +
              (y - stretch.p.y) * (stretch.q.y - stretch.p.y)) /
            length;
          const off = ({ x, y }: { x: number; y: number }) =>
            Math.abs(
              (x - stretch.p.x) * (stretch.q.y - stretch.p.y) -
                (y - stretch.p.y) * (stretch.q.x - stretch.p.x),
            ) / length;
          if (off(p) > 0.01 || off(q) > 0.01 || along(q) - along(p) < 0.5) continue;
          if (along(p) < -0.01 || along(q) > length + 0.01) continue;
          return [
            {
              piece: piece.id,
              face: facet.face,
              edge,
              from: move(facet.motion, p),
              to: move(facet.motion, q),
              span: [stretch.from + along(p), stretch.from + along(q)],
            },
          ];
        }
      return [];
    });
  });
}

/** Where two borders run along one another in space: the parts of the first, as shares of it. */
function together(a: Border, b: Border): readonly [number, number] | undefined {
  const length = distance3(a.from, a.to);
  const way = {
    x: (a.to.x - a.from.x) / length,
    y: (a.to.y - a.from.y) / length,
    z: (a.to.z - a.from.z) / length,
  };
  const at = (p: Point3) => {
    const [x, y, z] = [p.x - a.from.x, p.y - a.from.y, p.z - a.from.z];
    const s = x * way.x + y * way.y + z * way.z;
    return { s, off: Math.hypot(x - s * way.x, y - s * way.y, z - s * way.z) };
  };
  const [p, q] = [at(b.from), at(b.to)];
  if (p.off > 0.5 || q.off > 0.5) return undefined;
  const [low, high] = [Math.max(0, Math.min(p.s, q.s)), Math.min(length, Math.max(p.s, q.s))];
  return high - low > 1 ? [low / length, high / length] : undefined;
}

/**
 * Who lies beside whom, by nothing but where the made-up bag's facets lie: borders of one face that run along one another
 * meet; what is then still without a partner meets what it lies on of another face, unless it is the opening's.
 */
function lyingBeside(graph: BagGraph): Set<string> {
  const borders = bordersOf(graph);
  const open = cornersOf(graph).rims().flat();
  const pairs = new Set<string>();
  const motif = new Set(graph.pieces.filter(({ make }) => make.of === 'motif').map(({ id }) => id));
  const taken = new Map<Border, Array<readonly [number, number]>>();
  const key = (p: string, q: string) => [p, q].sort().join(' ');
  const free = (border: Border, [low, high]: readonly [number, number]) => {
    const middle = (low + high) / 2;
    const at = border.span[0] + middle * (border.span[1] - border.span[0]);
    return (
      !(taken.get(border) ?? []).some(([from, to]) => from < middle && middle < to) &&
      !open.some(
        ({ interval }) =>
          interval.piece === border.piece &&
          interval.edge === border.edge &&
          interval.from < at &&
          at < interval.to,
      )
    );
  };
  for (const same of [true, false])
    for (const a of borders)
      for (const b of borders) {
        if (a === b || (a.face === b.face) !== same) continue;
        const [part, other] = [together(a, b), together(b, a)];
        if (!part || !other || !free(a, part) || !free(b, other)) continue;
        // What is folded lies on itself along its fold: that is no meeting.
        taken.set(a, [...(taken.get(a) ?? []), part]);
        taken.set(b, [...(taken.get(b) ?? []), other]);
        if (a.piece !== b.piece && motif.has(a.piece) && motif.has(b.piece)) pairs.add(key(a.piece, b.piece));
      }
  return pairs;
}

const ofSquares = constructions.filter(
  ({ family }) => !['pack', 'cover', 'gathered', 'grown-sides', 'slip-through'].includes(family),
);
const graphOf = (construction: Construction) => built(construction).graph;
const tube = (columns: number, rows: number): Construction => ({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(columns, rows),
});
const sides = (graph: BagGraph) => neighboursOf(graph).filter(({ how }) => how === 'side');

describe('neighbours on the made-up bag', () => {
  test('cover every seam between motifs, each pair once, none with itself', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const graph = graphOf(construction);
        const motif = new Set(graph.pieces.filter(({ make }) => make.of === 'motif').map(({ id }) => id));
        const found = neighboursOf(graph);
        const keys = found.map(({ a, b }) => [a, b].sort().join(' '));
        expect(new Set(keys).size).toBe(keys.length);
        expect(found.every(({ a, b }) => a !== b && motif.has(a) && motif.has(b))).toBe(true);
        const covered = new Set(found.flatMap(({ seams }) => seams));
        for (const { id, a, b } of graph.seams)
          if (motif.has(a.piece) && motif.has(b.piece) && a.piece !== b.piece)
            expect(covered.has(id)).toBe(true);
        for (const { share } of found) {
          expect(share).toBeGreaterThan(0);
          expect(share).toBeLessThanOrEqual(1);
        }
      }),
    );
  });

  test('are those whose borders lie along one another, by the facets alone', () => {
    fc.assert(
      fc.property(ofSquares, (construction) => {
        const graph = graphOf(construction);
        // Corners sewn across, and strips that are eased, lie where no border tells.
        if ((graph.tucks?.length ?? 0) > 0 || graph.pieces.length > 80) return;
        // A flap lies on the front: there are three layers, and their borders tell nothing.
        if (graph.facets.some(({ face }) => face === 'flap')) return;
        if (graph.pieces.every(({ make }) => make.of !== 'motif')) return;
        const keys = (list: ReturnType<typeof neighboursOf>) =>
          list.map(({ a, b }) => [a, b].sort().join(' '));
        const lying = lyingBeside(graph);
        for (const key of keys(sides(graph))) expect([...lying]).toContain(key);
        // Slivers lie beside one another, too, and count as corners.
        const all = keys(neighboursOf(graph));
        for (const key of lying) expect(all).toContain(key);
      }),
      { numRuns: 150 },
    );
  });

  test('of a tube of six by three, by hand', () => {
    const found = neighboursOf(graphOf(tube(6, 3)));
    const count = (how: string) => found.filter((one) => one.how === how).length;
    // Round each of three rows six joins, the seam among them; two joins up each of six columns; three at the bottom, of
    // which the outer two join squares that meet at the folded sides already.
    expect(count('side')).toBe(3 * 6 + 2 * 6 + 1);
    // Where four meet, two pairs lie corner to corner: 6 places round at either of two levels; at the bottom the two
    // folds bring together four at a place, whose pairs all share sides; between them, two places of four.
    expect(count('corner')).toBe(2 * (6 * 2) + 2 * 2);
  });

  test('lie over against each other across a strip that is narrow, and not across a wide one', () => {
    const across = (depth: number) =>
      neighboursOf(graphOf(facesAndStrip(squares(3, 2), depth))).filter(({ how }) => how === 'strip');
    // Front and back of three by two, each with the one behind: two at either side, three at the bottom, the two in its
    // corners among both.
    const narrow = across(4);
    expect(narrow.filter(({ share }) => share > 0.5)).toHaveLength(2 + 2 + 1);
    for (const { a, b } of narrow.filter(({ share }) => share > 0.5)) {
      // The back is laid as it is seen from behind: its last column is behind the front's first.
      const [, row, column] = a.split('/');
      expect(b).toBe(`back/${row}/${2 - Number(column)}`);
    }
    expect(across(20)).toEqual([]);
  });
});

test('lines of three run round the bag, over its seams', () => {
  const lines = linesOfThree(graphOf(tube(6, 3)));
  // Round: through each of 18. Up: through the middle row of six columns, and through the lowest row, over the bottom seam.
  expect(lines).toHaveLength(18 + 6 + 6);
});
