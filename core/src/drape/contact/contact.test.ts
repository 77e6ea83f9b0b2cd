import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { brushingOf, keepBordersApart, watchBorders } from './brushing.ts';
import { cellGrid, slotOf, sortInto } from './cell-grid.ts';
import { crossings, sidesOf } from './crossings.ts';
import { holdUp, lidOf } from './lid.ts';
import { isNear, nearOf, nearWithSewn } from './near.ts';
import { rest } from './table.ts';
import { keepApart, touchingOf, watch } from './touching.ts';
import { lookForTangles, tangleOf, untangle } from './untangling.ts';

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

test('near are the nodes of one triangle, and to what is sewn on the corners of its seat', () => {
  // A strip of three triangles 0-1-2, 1-3-2, 3-4-2; 5 is the end of a strap, sewn onto the first.
  const strip = Int32Array.of(0, 1, 2, 1, 3, 2, 3, 4, 2);
  const near = nearWithSewn(nearOf(6, strip), strip, [{ node: 5, triangle: 0 }]);
  expect([0, 1, 2, 3, 4].map((b) => isNear(near, 0, b))).toEqual([true, true, true, false, false]);
  // Its seat is 0-1-2.
  expect([0, 1, 2, 3, 4].map((b) => isNear(near, 5, b))).toEqual([true, true, true, false, false]);
  // What lies near the seat still touches the rest of the strap.
  expect(isNear(near, 3, 5)).toBe(false);
});

/** A large triangle in the plane y = 0 that cannot move, with its right side up, and a node above or below it. */
function over(height: number, moveBy: number) {
  const p = Float64Array.of(-1, 0, -1, 0, 0, 2, 1, 0, -1, 0, height, 0);
  const touching = touchingOf(4, Int32Array.of(0, 1, 2), [], 0.1, 0.5);
  watch(touching, p, 1);
  const before = p.slice();
  p[10] = (p[10] ?? 0) + moveBy;
  for (let k = 0; k < 30; k++) keepApart(touching, p, before, Float64Array.of(0, 0, 0, 1), new Uint8Array(4));
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
        expect(crossings(sidesOf(triangles, 0.4), p)).toHaveLength(many);
      }),
    );
  });
});

describe('what has passed through', () => {
  const aside = fc.double({ min: -0.5, max: 0.5, noNaN: true });
  const height = fc.double({ min: 0.05, max: 0.3, noNaN: true });
  /** A large triangle in the plane y = 0 and a small one that lies almost flat over it, one corner sunk in. */
  const sunken = fc
    .tuple(aside, aside, aside, aside, aside, aside, height, height, height)
    .map(([a, b, c, d, e, f, up, higher, down]) => ({
      p: Float64Array.of(-9, 0, -9, 0, 0, 9, 9, 0, -9, a - 1.5, up, b, c + 1.5, higher, d, e, -down, f + 2),
      triangles: Int32Array.of(0, 1, 2, 3, 4, 5),
    }));
  const weights = fc.array(fc.double({ min: 0.1, max: 10, noNaN: true }), { minLength: 6, maxLength: 6 });

  test('is led out the short way: a corner comes back to where the rest is', () => {
    fc.assert(
      fc.property(sunken, ({ p, triangles }) => {
        const tangle = tangleOf(6, triangles, 0.1, 1);
        const w = Float64Array.of(0, 0, 0, 1, 1, 1);
        expect(lookForTangles(tangle, p)).toBe(true);
        const sides = [
          [3, 4],
          [4, 5],
          [5, 3],
        ] as const;
        const long = (a: number, b: number) =>
          Math.hypot(...[0, 1, 2].map((axis) => (p[3 * b + axis] ?? 0) - (p[3 * a + axis] ?? 0)));
        const lengths = sides.map(([a, b]) => long(a, b));
        /** Fabric keeps its length: else it would only be squeezed together where it passes through. */
        const keep = () =>
          sides.forEach(([a, b], k) => {
            const by = (1 - (lengths[k] ?? 0) / long(a, b)) / 2;
            for (let axis = 0; axis < 3; axis++) {
              const way = (p[3 * b + axis] ?? 0) - (p[3 * a + axis] ?? 0);
              p[3 * a + axis] = (p[3 * a + axis] ?? 0) + by * way;
              p[3 * b + axis] = (p[3 * b + axis] ?? 0) - by * way;
            }
          });
        let frames = 0;
        while (lookForTangles(tangle, p) && frames++ < 100)
          for (let k = 0; k < 8; k++) {
            untangle(tangle, p, w);
            for (let again = 0; again < 10; again++) keep();
          }
        expect(tangle.found).toEqual([]);
        // The whole of it lies above: it was not drawn all through.
        for (const v of [3, 4, 5]) expect(p[3 * v + 1]).toBeGreaterThanOrEqual(-0.1);
      }),
    );
  });

  test('moves each as its weight lets it: what both weigh together stays where it is', () => {
    fc.assert(
      fc.property(sunken, weights, ({ p, triangles }, own) => {
        const tangle = tangleOf(6, triangles, 0.1, 1);
        const w = Float64Array.from(own);
        const middle = () =>
          [0, 1, 2].map((axis) => own.reduce((sum, each, v) => sum + (p[3 * v + axis] ?? 0) / each, 0));
        const before = middle();
        lookForTangles(tangle, p);
        untangle(tangle, p, w);
        middle().forEach((value, axis) => {
          expect(value).toBeCloseTo(before[axis] ?? 0, 9);
        });
      }),
    );
  });

  test('what only lies near is left alone, and is looked for now and then', () => {
    const p = Float64Array.of(-9, 0, -9, 0, 0, 9, 9, 0, -9, 0, 1, 0, 1, 1, 0, 0, 0.01, 1);
    const before = p.slice();
    const tangle = tangleOf(6, Int32Array.of(0, 1, 2, 3, 4, 5), 0.1, 1);
    const w = new Float64Array(6).fill(1);
    expect(lookForTangles(tangle, p)).toBe(false);
    untangle(tangle, p, w);
    expect(p).toEqual(before);
    // Sunk in between two looks, it is found within four frames.
    p[16] = -0.1;
    expect(Array.from({ length: 4 }, () => lookForTangles(tangle, p))).toEqual([false, false, false, true]);
    expect([...tangle.tangled]).toEqual([1, 1, 1, 1, 1, 1]);
  });

  test('what is led out is no longer kept on the side it had come to', () => {
    const p = Float64Array.of(-1, 0, -1, 0, 0, 2, 1, 0, -1, 0, -0.05, 0);
    const touching = touchingOf(4, Int32Array.of(0, 1, 2), [], 0.1, 0.5);
    watch(touching, p, 1);
    keepApart(touching, p, p.slice(), Float64Array.of(0, 0, 0, 1), Uint8Array.of(1, 0, 0, 1));
    expect(p[10]).toBe(-0.05);
    keepApart(touching, p, p.slice(), Float64Array.of(0, 0, 0, 1), Uint8Array.of(1, 0, 0, 0));
    expect(p[10]).toBeLessThan(-0.05);
  });
});

test('more nodes than were expected near triangles are all watched', () => {
  // One triangle, and thirty nodes just above it: far more than four a node would be without the others.
  const above = Array.from({ length: 30 }, (_, i) => [-0.2 + 0.01 * i, 0.05, -0.2]);
  const p = Float64Array.from([[-1, 0, -1], [0, 0, 2], [1, 0, -1], ...above].flat());
  const sheets = Int32Array.from(Array.from({ length: 8 }, () => [0, 1, 2]).flat());
  const touching = touchingOf(33, sheets, [], 0.1, 0.5);
  watch(touching, p, 1);
  expect(touching.many).toBe(8 * 30);
});

/** Two borders that cross like an x, one above the other by a height; each with a far third corner. */
function crossed(height: number) {
  const p = Float64Array.from(
    [
      [-1, 0, 0],
      [1, 0, 0],
      [0, -5, 0],
      [0, height, -1],
      [0, height, 1],
      [0, height + 5, 0],
    ].flat(),
  );
  const triangles = Int32Array.of(0, 1, 2, 3, 4, 5);
  return { p, brushing: brushingOf(triangles, nearOf(6, triangles), 0.1) };
}

test('borders that cross are kept apart on the side they came from, however far they are pushed', () => {
  for (const [height, pushed] of [
    [0.05, 0.05],
    [0.05, -0.03],
    [-0.05, 0.03],
  ] as const) {
    const { p, brushing } = crossed(height);
    watchBorders(brushing, p);
    for (const k of [10, 13]) p[k] = pushed;
    for (let k = 0; k < 40; k++) keepBordersApart(brushing, p, new Float64Array(6).fill(1));
    expect((p[10] ?? 0) - (p[1] ?? 0)).toBeCloseTo(height > 0 ? 0.1 : -0.1, 6);
  }
});

test('borders beside one another are left alone', () => {
  const { p, brushing } = crossed(0.05);
  // The upper one lies beyond the end of the lower.
  for (const k of [9, 12, 15]) p[k] = 2;
  const before = p.slice();
  watchBorders(brushing, p);
  keepBordersApart(brushing, p, new Float64Array(6).fill(1));
  expect(p).toEqual(before);
});

test('what lies over the mouth does not fall in; what lies beside it does', () => {
  // A mouth of a square in the plane y = 0, in the direction of the fabric under it: seen from above to the left.
  const corners = [
    [-1, 0, -1],
    [1, 0, -1],
    [1, 0, 1],
    [-1, 0, 1],
  ];
  for (const mouth of [
    [0, 1, 2, 3],
    [3, 2, 1, 0],
  ]) {
    const p = Float64Array.from([...corners, [0.5, -0.01, 0], [1.5, -0.01, 0]].flat());
    const lid = lidOf(p, mouth, [4, 5]);
    expect(lid.over).toEqual([4]);
    // The way out follows from the way round: up for the one, down for the other.
    expect(lid.out.y).toBeCloseTo(mouth[0] === 0 ? 1 : -1, 12);
    for (let k = 0; k < 10; k++) holdUp(p, lid, 0.02);
    if (mouth[0] === 0) expect(p[13]).toBeCloseTo(0.02, 12);
    expect(p[16]).toBe(-0.01);
  }
});
