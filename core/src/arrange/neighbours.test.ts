import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagGraph } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { constructions } from '../testing/arbitraries.ts';
import { built, facesAndStrip, squares } from '../testing/built.ts';
import { lyingBeside } from '../testing/verify/lying-beside.ts';
import { linesOfThree, neighboursOf } from './index.ts';

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
