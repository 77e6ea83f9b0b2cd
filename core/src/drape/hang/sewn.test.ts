import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Point3 } from '../../geometry/index.ts';
import { oneTriangle as sheet } from '../../testing/one-triangle.ts';
import { holdSewn, nearestOf, seatOf } from './sewn.ts';

const [a, b, c]: [Point3, Point3, Point3] = [
  { x: 0, y: 0, z: 0 },
  { x: 2, y: 0, z: 0 },
  { x: 0, y: 3, z: 1 },
];
const mixed = ([sa, sb, sc]: readonly [number, number, number]): Point3 => ({
  x: sa * a.x + sb * b.x + sc * c.x,
  y: sa * a.y + sb * b.y + sc * c.y,
  z: sa * a.z + sb * b.z + sc * c.z,
});
const apart = (p: Point3, q: Point3) => Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);

test('no point of a triangle lies nearer than the one that was found', () => {
  const value = fc.double({ min: -5, max: 5, noNaN: true });
  fc.assert(
    fc.property(fc.record({ x: value, y: value, z: value }), (p) => {
      const found = apart(mixed(nearestOf(a, b, c, p)), p);
      // All of a fine lattice over the triangle.
      const many = 20;
      for (let i = 0; i <= many; i++)
        for (let j = 0; i + j <= many; j++)
          expect(found).toBeLessThanOrEqual(apart(mixed([1 - (i + j) / many, i / many, j / many]), p) + 1e-9);
    }),
  );
});

test('what is sewn on sits on the outside, over the nearest place', () => {
  const { triangle, place } = seatOf(sheet, { x: 20, y: 30, z: -7 }, 3);
  expect(triangle).toBe(0);
  expect(place).toEqual({ x: 20, y: 30, z: expect.closeTo(3, 9) });
  // Beyond the border it is sewn onto the border.
  expect(seatOf(sheet, { x: 20, y: -9, z: 0 }, 3).place).toEqual({ x: 20, y: 0, z: expect.closeTo(3, 9) });
});

test('at the side of a bag pressed flat it lies as far outside as over it: it passes round the corner', () => {
  // The sheet looks at us; what is meant to look to the left finds nothing that does, and goes 3 mm beyond its left border.
  const { place, shares } = seatOf(sheet, { x: -1, y: 30, z: 0 }, 3, { x: -50, y: 0, z: 0 });
  expect(place).toEqual({ x: expect.closeTo(-3, 9), y: expect.closeTo(30, 9), z: expect.closeTo(3, 9) });
  expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  // What looks our way is found, and lies straight over it.
  expect(seatOf(sheet, { x: 20, y: 30, z: 1 }, 3, { x: 0, y: 0, z: 2 }).place).toEqual({
    x: expect.closeTo(20, 9),
    y: expect.closeTo(30, 9),
    z: expect.closeTo(3, 9),
  });
});

test('it goes where its fabric goes, and pulls it along by the weight of either', () => {
  const { shares } = seatOf(sheet, { x: 25, y: 25, z: 0 }, 3);
  const p = Float64Array.from([...sheet.start, 25, 25, 43]);
  const sewn = [{ node: 3, triangle: 0, shares }];
  holdSewn(p, Float64Array.of(1, 1, 1, 0), Int32Array.of(0, 1, 2), sewn, 3);
  // The strap cannot move: so the fabric under it comes up to 3 mm below it.
  const under = [0, 1, 2].reduce((sum, k) => sum + (shares[k] ?? 0) * (p[3 * k + 2] ?? 0), 0);
  expect(under).toBeCloseTo(40, 9);
  const q = Float64Array.from([...sheet.start, 25, 25, 43]);
  holdSewn(q, Float64Array.of(0, 0, 0, 1), Int32Array.of(0, 1, 2), sewn, 3);
  expect([...q.subarray(9)]).toEqual([25, 25, expect.closeTo(3, 9)]);
});
