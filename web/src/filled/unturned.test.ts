import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { unturned } from './geometry.ts';

const box = { width: 100, height: 100 };

describe('a picture that lies turned on a filled bag', () => {
  test('by a quarter against the clock has its top at the left', () => {
    const { u, v } = unturned(0, 50, box, 0.25);
    expect([u, v]).toEqual([expect.closeTo(50, 9), expect.closeTo(100, 9)]);
  });

  test('by half has its lower left where the upper right is', () => {
    const { u, v } = unturned(100, 100, box, 0.5);
    expect([u, v]).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)]);
  });

  test('turned on and back lies as it did; its middle stays', () => {
    const place = fc.double({ min: 0, max: 100, noNaN: true });
    const turn = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(place, place, turn, (x, y, by) => {
        const there = unturned(x, y, box, by);
        const back = unturned(there.u, there.v, box, -by);
        expect(back.u).toBeCloseTo(x, 9);
        expect(back.v).toBeCloseTo(y, 9);
        const middle = unturned(50, 50, box, by);
        expect([middle.u, middle.v]).toEqual([expect.closeTo(50, 9), expect.closeTo(50, 9)]);
      }),
    );
  });
});
