import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { crossings } from '../crossings.ts';
import { cellGrid, slotOf, sortInto } from './cell-grid.ts';
import { isNear, nearOf } from './near.ts';
import { rest } from './table.ts';
import { keepApart, touchingOf, watch } from './touching.ts';

const place = fc.double({ min: -2, max: 2, noNaN: true });
const points = fc.array(fc.tuple(place, place, place), { minLength: 1, maxLength: 60 });

test('every point is found in its own cell, and only once', () => {
  fc.assert(
    fc.property(points, (list) => {
      const p = Float64Array.from(list.flat());
      const grid = cellGrid(list.length, 0.5);
      sortInto(grid, p);
      expect([...grid.points].sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
      const slots = grid.starts.length - 1;
      list.forEach((own, i) => {
        const [a = 0, b = 0, c = 0] = own.map((value) => Math.floor(value / 0.5));
        const slot = slotOf(slots, a, b, c);
        expect([...grid.points.subarray(grid.starts[slot], grid.starts[slot + 1])]).toContain(i);
      });
    }),
  );
});

test('near are the nodes of one triangle, but for a strap and what it is sewn to', () => {
  // A strip of three triangles 0-1-2, 1-3-2, 3-4-2; 4 is a strap's.
  const near = nearOf(5, Int32Array.of(0, 1, 2, 1, 3, 2, 3, 4, 2), 4);
  expect([0, 1, 2, 3, 4].map((b) => isNear(near, 0, b))).toEqual([true, true, true, false, false]);
  expect(isNear(near, 3, 4)).toBe(false);
  expect(isNear(near, 4, 4)).toBe(true);
});

/** A large triangle in the plane y = 0 that cannot move, with its right side up, and a node above or below it. */
function over(height: number, moveBy: number) {
  const p = Float64Array.of(-1, 0, -1, 0, 0, 2, 1, 0, -1, 0, height, 0);
  const touching = touchingOf(4, Int32Array.of(0, 1, 2), 4, 0.1, 0.5);
  watch(touching, p, 1);
  const before = p.slice();
  p[10] = (p[10] ?? 0) + moveBy;
  for (let k = 0; k < 30; k++) keepApart(touching, p, before, Float64Array.of(0, 0, 0, 1));
  return p[10];
}

test('what comes nearer than a thickness is put back on the side it came from', () => {
  expect(over(0.15, -0.1)).toBeCloseTo(0.1, 3);
  expect(over(0.15, -0.2)).toBeCloseTo(0.1, 3);
  expect(over(-0.15, 0.2)).toBeCloseTo(-0.1, 3);
  // What stays away is left alone.
  expect(over(0.25, -0.1)).toBeCloseTo(0.15, 12);
});

test('nothing stays below the table, and nothing is shot off it', () => {
  fc.assert(
    fc.property(points, (list) => {
      const before = Float64Array.from(list.flat());
      const p = before.slice();
      for (let k = 0; k < 2000; k++) rest(p, p.slice(), 0);
      for (let i = 1; i < p.length; i += 3) {
        expect(p[i]).toBeGreaterThanOrEqual(-1e-9);
        // Raised to the table, no higher.
        expect(p[i]).toBeCloseTo(Math.max(0, before[i] ?? 0), 9);
      }
      const once = before.slice();
      rest(once, before, 0);
      once.forEach((value, i) => {
        expect(value - (before[i] ?? 0)).toBeLessThanOrEqual(2e-3 + 1e-12);
      });
    }),
  );
});

describe('fabric through fabric', () => {
  // Few lie in a line or a plane by chance.
  const odd = fc.integer({ min: -2e6, max: 2e6 }).map((n) => n / 1e6 + 1e-4 * Math.sin(n));
  const triangle = fc.tuple(odd, odd, odd, odd, odd, odd, odd, odd, odd);
  /** Whether a segment goes through a triangle, by where it meets the triangle's plane. */
  function meets(a: readonly number[], b: readonly number[], t: readonly number[]): boolean {
    const [p, q, r] = [t.slice(0, 3), t.slice(3, 6), t.slice(6, 9)];
    const minus = (x: readonly number[], y: readonly number[]) => x.map((value, k) => value - (y[k] ?? 0));
    const cross = ([x = 0, y = 0, z = 0]: readonly number[], [u = 0, v = 0, w = 0]: readonly number[]) => [
      y * w - z * v,
      z * u - x * w,
      x * v - y * u,
    ];
    const dot = (x: readonly number[], y: readonly number[]) =>
      x.reduce((sum, value, k) => sum + value * (y[k] ?? 0), 0);
    const n = cross(minus(q, p), minus(r, p));
    const [da, db] = [dot(n, minus(a, p)), dot(n, minus(b, p))];
    // What just touches may be told either way.
    fc.pre(Math.abs(da) > 1e-9 && Math.abs(db) > 1e-9);
    if (da * db >= 0) return false;
    const at = a.map((value, k) => value + ((b[k] ?? 0) - value) * (da / (da - db)));
    const sides = [
      [p, q],
      [q, r],
      [r, p],
    ].map(([from = [], to = []]) => dot(cross(minus(to, from), minus(at, from)), n));
    fc.pre(sides.every((side) => Math.abs(side) > 1e-9));
    return sides.every((side) => side > 0);
  }

  test('is found as by trying every side against every triangle', () => {
    fc.assert(
      fc.property(fc.array(triangle, { minLength: 2, maxLength: 5 }), (list) => {
        const p = Float64Array.from(list.flat());
        const triangles = Int32Array.from({ length: 3 * list.length }, (_, i) => i);
        let many = 0;
        list.forEach((one, i) => {
          list.forEach((other, j) => {
            if (i === j) return;
            for (let k = 0; k < 3; k++) {
              const [a, b] = [3 * k, 3 * ((k + 1) % 3)];
              if (meets(one.slice(a, a + 3), one.slice(b, b + 3), other)) many++;
            }
          });
        });
        expect(crossings(p, triangles, 0.4)).toHaveLength(many);
      }),
    );
  });
});
