import fc from 'fast-check';
import { expect, test } from 'vitest';
import { groupBy, outwardNormal, pathLength, UnionFind } from './index.ts';

test('what is joined is one, and nothing else: against sets merged one by one', () => {
  const pair = fc.tuple(fc.nat({ max: 11 }), fc.nat({ max: 11 }));
  fc.assert(
    fc.property(fc.array(pair, { maxLength: 20 }), (pairs) => {
      const forest = new UnionFind();
      const things = Array.from({ length: 12 }, () => forest.add());
      let sets = things.map((thing) => new Set([thing]));
      for (const [a, b] of pairs) {
        forest.join(a, b);
        const [one, other] = [sets.find((set) => set.has(a)), sets.find((set) => set.has(b))];
        if (one && other && one !== other)
          sets = [...sets.filter((set) => set !== one && set !== other), new Set([...one, ...other])];
      }
      const found = [...groupBy(things, (thing) => forest.find(thing)).values()].map((group) => group.sort());
      const wanted = sets.map((set) => [...set].sort());
      const sorted = (groups: number[][]) => groups.map(String).sort();
      expect(sorted(found)).toEqual(sorted(wanted));
    }),
  );
});

test('a normal lies to the right of its way, at right angles, and is one long', () => {
  const place = fc.integer({ min: -40, max: 40 });
  const point = fc.record({ x: place, y: place });
  fc.assert(
    fc.property(point, point, (p, q) => {
      fc.pre(p.x !== q.x || p.y !== q.y);
      const { x, y } = outwardNormal(p, q);
      const [dx, dy] = [q.x - p.x, q.y - p.y];
      expect(Math.hypot(x, y)).toBeCloseTo(1, 9);
      expect(x * dx + y * dy).toBeCloseTo(0, 9);
      // Right of the way: turning from it to the normal goes clockwise.
      expect(dx * y - dy * x).toBeLessThan(0);
    }),
  );
});

test('the way along a path is that of its stretches', () => {
  // 3-4-5 and 5-12-13.
  expect(
    pathLength([
      { x: 0, y: 0 },
      { x: 3, y: 4 },
      { x: 8, y: 16 },
    ]),
  ).toBe(18);
  expect(pathLength([])).toBe(0);
});
