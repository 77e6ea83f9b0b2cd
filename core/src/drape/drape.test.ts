import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { area } from '../bag/index.ts';
import { type Construction, familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { fillBag, meshOf, shapeOf } from './index.ts';

const graphOf = (construction: Construction) => {
  const document = testDocument(construction);
  return familyOf(construction).build(materialsOf(sizeTable(document), document));
};
const squares = { of: 'motifs', motif: 'm1', rounds: 4 } as const;
const folded: Construction = {
  family: 'wrap-round',
  laid: 'folded',
  bottom: 'seam',
  sides: 'joins',
  body: { ...squares, columns: 2, rows: 4 },
};

describe('mesh', () => {
  test('covers every piece once, right side up, and its rims are closed loops of vertices', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const graph = graphOf(construction);
        const mesh = meshOf(graph, 60);
        const at = (v: number) => ({ x: mesh.net[2 * v] ?? 0, y: mesh.net[2 * v + 1] ?? 0 });
        let covered = 0;
        for (let t = 0; t < mesh.triangles.length; t += 3) {
          const own = area([0, 1, 2].map((k) => at(mesh.triangles[t + k] ?? 0)));
          expect(own).toBeGreaterThan(0);
          covered += own;
        }
        const pieces = graph.pieces.reduce((sum, { outline }) => sum + area(outline), 0);
        // Gathered fabric is taken in.
        if (construction.family === 'gathered') expect(covered).toBeLessThan(pieces);
        else expect(covered / pieces).toBeCloseTo(1, 6);
        expect(mesh.rims).toHaveLength(graph.rims);
        for (const rim of mesh.rims) expect(rim.length).toBeGreaterThanOrEqual(2);
      }),
      { numRuns: 60 },
    );
  });

  test('flat joins hold vertices that lie on one another in the net', () => {
    const mesh = meshOf(graphOf(folded), 25);
    for (const { a, b0, b1, share, kind } of mesh.holds) {
      if (kind !== 'flat') continue;
      const to = (axis: number) =>
        (1 - share) * (mesh.net[2 * b0 + axis] ?? 0) + share * (mesh.net[2 * b1 + axis] ?? 0);
      const off = Math.hypot((mesh.net[2 * a] ?? 0) - to(0), (mesh.net[2 * a + 1] ?? 0) - to(1));
      expect(off).toBeLessThan(1e-6);
    }
  });
});

describe('filling', () => {
  const fill = (construction: Construction) => {
    const filling = fillBag(graphOf(construction));
    while (!filling.settled) filling.step();
    return { filling, shape: shapeOf(filling.cloth) };
  };

  const cases: [string, Construction][] = [
    ['a folded sheet', folded],
    ['on point', { family: 'on-point', motif: 'm1', rounds: 4, across: 1, rows: 2, bottom: 'straight' }],
    ['a pinwheel', { family: 'pinwheel', motif: 'm1', rounds: 4, wings: [2, 2, 2, 2] }],
  ];
  test.each(cases)('%s closes its seams, keeps its fabric, and holds something', (_, construction) => {
    const { filling, shape } = fill(construction);
    expect(shape.gap).toBeLessThan(1);
    expect(shape.strain).toBeLessThan(0.08);
    expect(shape.volume).toBeGreaterThan(0.3);
    // No closed surface of this area holds more than a ball: V <= A^1.5 / (6 sqrt pi), and the lid is small.
    const fabric = graphOf(construction).pieces.reduce((sum, { outline }) => sum + area(outline), 0);
    const ball = (fabric * 1.5) ** 1.5 / (6 * Math.sqrt(Math.PI)) / 1e6;
    expect(shape.volume).toBeLessThan(ball);
    const standing = filling.upright();
    const heights = standing.filter((_v, i) => i % 3 === 1);
    expect(Math.min(...heights)).toBeCloseTo(0, 3);
  });

  test('the same bag fills the same way twice', () => {
    const [once, again] = [fill(folded), fill(folded)];
    expect(again.shape).toEqual(once.shape);
    expect(again.filling.upright()).toEqual(once.filling.upright());
  });

  test('before it begins it lies flat as the net does', () => {
    const filling = fillBag(graphOf(folded));
    const depths = filling.upright().filter((_v, i) => i % 3 === 2);
    const spread = Math.max(...depths) - Math.min(...depths);
    const widths = filling.upright().filter((_v, i) => i % 3 === 0);
    expect(spread).toBeLessThan((Math.max(...widths) - Math.min(...widths)) * 0.6);
  });
});
