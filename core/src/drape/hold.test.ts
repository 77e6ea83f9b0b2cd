import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { heldAlong, type OnWay } from './hold.ts';

/** Places along a way, its ends among them, numbered from `first`. */
const way = (shares: readonly number[], first: number): OnWay[] =>
  [...new Set([0, ...shares, 1])].sort((p, q) => p - q).map((t, i) => ({ vertex: first + i, t }));
const shares = fc.array(fc.double({ min: 0.01, max: 0.99, noNaN: true }), { maxLength: 12 });

describe('two ways held together', () => {
  test('with as many vertices, one to one in their order', () => {
    const holds = heldAlong(way([0.5], 0), way([0.4], 10), 'closing');
    expect(holds.map(({ a, b0, b1, share }) => [a, b0, b1, share])).toEqual([
      [0, 10, 10, 0],
      [1, 11, 11, 0],
      [2, 12, 12, 0],
    ]);
  });

  test('three vertices onto two: the middle one half way between, and both ends back', () => {
    const holds = heldAlong(way([0.5], 0), way([], 10), 'closing');
    expect(holds[1]).toEqual({ a: 1, b0: 10, b1: 11, share: 0.5, kind: 'closing' });
    // The two of the other way are held onto the three: at their ends.
    const back = holds.slice(3).map(({ a, b0, b1, share }) => [a, share === 0 ? b0 : b1]);
    expect(back).toEqual([
      [10, 0],
      [11, 2],
    ]);
  });

  test('of any two ways every vertex is held at its own share of the other', () => {
    fc.assert(
      fc.property(shares, shares, (p, q) => {
        const [a, b] = [way(p, 0), way(q, 100)];
        const at = new Map([...a, ...b].map(({ vertex, t }) => [vertex, t]));
        const holds = heldAlong(a, b, 'flat');
        for (const { vertex } of [...a, ...b])
          expect(holds.some((hold) => hold.a === vertex || hold.b0 === vertex)).toBe(true);
        if (a.length === b.length) return;
        for (const { a: held, b0, b1, share } of holds) {
          const place = (1 - share) * (at.get(b0) ?? Number.NaN) + share * (at.get(b1) ?? Number.NaN);
          expect(place).toBeCloseTo(at.get(held) ?? Number.NaN, 5);
        }
      }),
    );
  });
});
