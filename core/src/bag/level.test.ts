import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { distance3 } from '../geometry/index.ts';
import { constructions } from '../testing/arbitraries.ts';
import { built, panel, squares } from '../testing/built.ts';
import { insideOf, levelCuts, measure } from './index.ts';

const round = (cuts: ReturnType<typeof levelCuts>) =>
  cuts.reduce((sum, { from, to }) => sum + distance3(from, to), 0);

describe('a level cut', () => {
  test('through a flat bag is twice its width, through a box its four sides', () => {
    const flat = built({ family: 'two-faces', face: panel(40, 40), tuck: 0 });
    expect(round(levelCuts(flat.graph, flat.size.height / 3))).toBeCloseTo(2 * flat.size.width, 6);
    const box = built({
      family: 'boxed',
      front: squares(3, 2),
      side: squares(1, 2),
      bottom: squares(3, 1),
    });
    const { width, depth, height } = box.size;
    expect(round(levelCuts(box.graph, height / 3))).toBeCloseTo(2 * (width + depth), 6);
  });

  test('lies at its height, and looks out of the fabric', () => {
    fc.assert(
      fc.property(constructions, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (construction, share) => {
        const { graph, size } = built(construction);
        for (const { from, to, normal } of levelCuts(graph, share * size.height)) {
          expect(from.y).toBeCloseTo(share * size.height, 6);
          expect(to.y).toBeCloseTo(from.y, 6);
          expect(Math.hypot(normal.x, normal.y, normal.z)).toBeCloseTo(1, 6);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('above and below a bag there is nothing to cut', () => {
    const { graph, size } = built({ family: 'two-faces', face: squares(2, 2), tuck: 0 });
    expect(levelCuts(graph, -1)).toEqual([]);
    expect(levelCuts(graph, size.height + 1)).toEqual([]);
  });
});

describe('the narrowest place of any bag', () => {
  test('is no wider than round its extents, and there is one wherever the bag is closed', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { graph } = built(construction);
        const { girth, height } = insideOf(graph);
        const { width, depth } = measure(graph);
        expect(girth > 0).toBe(height > 1e-6);
        expect(girth).toBeLessThanOrEqual(2 * (width + depth) + 1e-6);
      }),
      { numRuns: 100 },
    );
  });

  test('a waist makes it narrower by its share, and never wider', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 95 }), fc.integer({ min: 2, max: 60 }), (at, draw) => {
        const { graph, size } = built({ family: 'two-faces', face: squares(3, 3), tuck: 0 });
        const plain = insideOf(graph).girth;
        const waist = { height: (size.height * at) / 100, draw: draw / 100 };
        expect(insideOf({ ...graph, trim: { waist } }).girth).toBeCloseTo(plain * (1 - draw / 100), 6);
      }),
      { numRuns: 30 },
    );
  });
});
