import { beginDocument, inNet, planOf, type TaggedSide, taggedSides } from '@fennot/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { letterPlaces } from './letter-place.ts';

const size = { radius: 10, far: 14 };
const side = (paths: TaggedSide['paths'], hand: 1 | -1 = 1): TaggedSide => ({
  line: 'l',
  kind: 'closing',
  tag: 'a',
  paths,
  at: { x: 0, y: 0 },
  hand,
});
const level = side([
  [
    { x: 0, y: 0 },
    { x: 200, y: 0 },
  ],
]);

/** Places to a tenth of a millimetre. */
const placesOf = (sides: readonly TaggedSide[]) =>
  letterPlaces(sides, [], size).map(({ x, y }) => [Math.round(x * 10) / 10, Math.round(y * 10) / 10]);

describe('where letters stand', () => {
  test('in the middle of their side, on its piece', () => {
    // Walked to the right, the piece lies above on the left hand, below on the right hand.
    expect(placesOf([level])).toEqual([[100, 14]]);
    expect(placesOf([{ ...level, hand: -1 }])).toEqual([[100, -14]]);
  });

  test('beside whatever lies in the middle', () => {
    const grip = { at: { x: 100, y: 14 }, width: 12, height: 12 };
    const [at] = letterPlaces([level], [grip], size);
    expect(Math.abs((at?.x ?? 100) - 100)).toBeGreaterThanOrEqual(22);
  });

  test('round a corner, on the piece along that part of the side', () => {
    // Right and then up: the middle of the way is the corner; beyond it the piece lies to the left.
    const bent = side([
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
      ],
      [
        { x: 100, y: 0 },
        { x: 100, y: 300 },
      ],
    ]);
    expect(placesOf([bent])).toEqual([[86, 100]]);
  });

  test('never on one another as long as their sides are long enough', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), (many) => {
        const places = letterPlaces(
          Array.from({ length: many }, () => level),
          [],
          size,
        );
        for (const [i, p] of places.entries())
          for (const q of places.slice(i + 1))
            expect(Math.max(Math.abs(p.x - q.x), Math.abs(p.y - q.y))).toBeGreaterThanOrEqual(19.9);
      }),
    );
  });

  test('of a whole bag: each on the piece whose edge it names', () => {
    const { graph } = planOf(beginDocument({ name: 'Bag', family: 'faces-and-strip' }));
    const places = letterPlaces(taggedSides(graph), [], size);
    for (const at of places) {
      const held = graph.pieces.some((piece) => {
        const corners = piece.outline.map((p) => inNet(piece, p));
        const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
        const within = (at: number, list: readonly number[]) =>
          at >= Math.min(...list) - 0.01 && at <= Math.max(...list) + 0.01;
        return within(at.x, xs) && within(at.y, ys);
      });
      expect(held).toBe(true);
    }
  });
});
