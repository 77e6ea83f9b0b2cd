import { describe, expect, test } from 'vitest';
import { shapeOf } from './shape.ts';

/** A box of 2 by 3 by 1, open above; its walls and its ground look outwards. */
const BOX = [-1, 0, -0.5, 1, 0, -0.5, 1, 0, 0.5, -1, 0, 0.5, -1, 3, -0.5, 1, 3, -0.5, 1, 3, 0.5, -1, 3, 0.5];
const wall = (a: number, b: number, c: number, d: number) => [a, b, c, a, c, d];
const WALLS = [
  ...wall(3, 2, 6, 7),
  ...wall(1, 0, 4, 5),
  ...wall(2, 1, 5, 6),
  ...wall(0, 3, 7, 4),
  ...wall(0, 1, 2, 3),
];

const none = { ends: new Int32Array(), share: new Float64Array(), rest: new Float64Array() };
const links = (ends: number[], rest: number[]) => ({
  ends: Int32Array.from(ends),
  rest: Float64Array.from(rest),
  slack: new Float64Array(rest.length),
  compliance: 0,
});
const box = {
  position: Float64Array.from(BOX),
  triangles: Int32Array.from(WALLS),
  // Outlines of pieces run counter-clockwise, so the rim is walked against the lid.
  rims: [[4, 7, 6, 5].reverse()],
  unit: 100,
  closing: none,
  flat: none,
  stretch: links([], []),
};

describe('what a filled bag measures', () => {
  test('a box of 20 by 30 by 10 cm holds six litres, and is 60 cm round its mouth', () => {
    const { volume, opening } = shapeOf(box);
    // 2 x 3 x 1 units of 100 mm are 6 dm3; its rim is 2 x (2 + 1) units.
    expect(Math.abs(volume)).toBeCloseTo(6, 9);
    expect(opening).toBeCloseTo(600, 9);
  });

  test('where it stands makes no difference: the lid closes it wherever it is', () => {
    const moved = { ...box, position: box.position.map((value, i) => value + 7 - 5 * (i % 3)) };
    expect(shapeOf(moved).volume).toBeCloseTo(shapeOf(box).volume, 9);
  });

  test('of two rims the first is the mouth, and both are closed', () => {
    // The ground is left out: a tube with a rim below, too.
    const tube = {
      ...box,
      triangles: box.triangles.slice(0, 24),
      rims: [...box.rims, [0, 1, 2, 3].reverse()],
    };
    const { volume, opening } = shapeOf(tube);
    expect(Math.abs(volume)).toBeCloseTo(6, 9);
    expect(opening).toBeCloseTo(600, 9);
  });

  test('the widest seam is told, whichever kind it is of, and a point between two vertices counts', () => {
    const hold = (a: number, b0: number, b1: number, share: number) => ({
      ends: Int32Array.from([a, b0, b1]),
      share: Float64Array.from([share]),
      rest: new Float64Array(1),
    });
    // Corner 6 onto the middle of 4 and 5, at (0, 3, -0.5): (1, 0, 1) away, root 2 units.
    expect(shapeOf({ ...box, flat: hold(6, 4, 5, 0.5) }).gap).toBeCloseTo(Math.SQRT2 * 100, 9);
    expect(shapeOf({ ...box, closing: hold(4, 4, 5, 0) }).gap).toBe(0);
    const both = shapeOf({ ...box, flat: hold(6, 4, 5, 0.5), closing: hold(7, 4, 5, 0) });
    // Corner 7 onto 4: one unit, which is the smaller.
    expect(both.gap).toBeCloseTo(Math.SQRT2 * 100, 9);
  });

  test('strain is the worst thread, longer or shorter alike', () => {
    // From 0 to 1 there are 2 units, from 0 to 4 there are 3.
    expect(shapeOf({ ...box, stretch: links([0, 1], [2]) }).strain).toBeCloseTo(0, 12);
    expect(shapeOf({ ...box, stretch: links([0, 1, 0, 4], [1.9, 3.3]) }).strain).toBeCloseTo(1 - 3 / 3.3, 12);
    expect(shapeOf({ ...box, stretch: links([0, 1, 0, 4], [1.6, 3.3]) }).strain).toBeCloseTo(2 / 1.6 - 1, 12);
  });

  test('a bag without anything round its mouth has no opening', () => {
    expect(shapeOf({ ...box, rims: [] }).opening).toBe(0);
  });
});
