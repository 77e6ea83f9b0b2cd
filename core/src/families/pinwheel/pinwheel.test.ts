import { expect, test } from 'vitest';
import { measure } from '../../bag/index.ts';
import { materialsOf, sizeTable } from '../../fit/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { buildPinwheel, pitchOf } from './build.ts';
import type { Pinwheel } from './schema.ts';

const bag = (...wings: Pinwheel['wings']) => {
  const params: Pinwheel = { family: 'pinwheel', motif: 'm1', rounds: 4, wings };
  const document = testDocument(params);
  const materials = materialsOf(sizeTable(document), document);
  return { graph: buildPinwheel(params, materials), s: pitchOf(params, materials) };
};

test('the base is as wide as a square’s diagonal, the tips stand at L / sqrt 2 sides', () => {
  for (const length of [1, 2, 3, 4, 6]) {
    const { graph, s } = bag(length, length, length, length);
    const size = measure(graph);
    expect(size.width).toBeCloseTo(s * Math.SQRT2, 6);
    expect(size.depth).toBeCloseTo(s * Math.SQRT2, 6);
    expect(size.height).toBeCloseTo((length * s) / Math.SQRT2, 6);
  }
});

test('each wing joins the next over the shorter of its length less one and the next one’s length', () => {
  const cases: Pinwheel['wings'][] = [
    [3, 3, 3, 3],
    [5, 4, 5, 4],
    [2, 5, 1, 4],
    [1, 1, 1, 1],
  ];
  for (const wings of cases) {
    const { graph, s } = bag(...wings);
    const joined = wings.reduce((sum, length, i) => {
      // Wing i's inner side lies along the outer side of the wing before it in turning order.
      const beside = wings[(i + 3) % 4] ?? 0;
      return sum + Math.min(length - 1, beside);
    }, 0);
    const sewn = graph.seams
      .filter(({ kind }) => kind === 'closing')
      .reduce((sum, { a }) => sum + Math.abs(a.to - a.from), 0);
    expect(sewn).toBeCloseTo(joined * s, 4);
    // All edges, less twice what is joined flat and closed.
    const squares = wings.reduce((a, b) => a + b, 0);
    const flat = graph.seams.filter(({ kind }) => kind === 'flat').length;
    expect(flat).toBe(4 + squares - 4);
    expect(measure(graph).opening).toBeCloseTo((4 * squares - 2 * flat - 2 * joined) * s, 4);
  }
});

test('wings of 5, 4, 5, 4 make a bag of 18 squares', () => {
  expect(bag(5, 4, 5, 4).graph.pieces).toHaveLength(18);
});
