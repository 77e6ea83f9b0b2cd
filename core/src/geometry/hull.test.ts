import fc from 'fast-check';
import { expect, test } from 'vitest';
import { area, contains, hullOf, type Point } from './index.ts';

const place = fc.integer({ min: -50, max: 50 });
const points = fc.array(fc.record({ x: place, y: place }), { minLength: 3, maxLength: 12 });

test('a hull runs counter-clockwise, turns left at every corner, and holds every point', () => {
  fc.assert(
    fc.property(points, (list) => {
      const hull = hullOf(list);
      if (hull.length < 3) return;
      const whole = area(hull);
      if (whole === 0) return;
      expect(whole).toBeGreaterThan(0);
      for (const p of list) expect(contains(hull, p)).toBe(true);
      hull.forEach((b, i) => {
        const [a, c] = [hull.at(i - 1) ?? b, hull[(i + 1) % hull.length] ?? b];
        expect((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x)).toBeGreaterThan(0);
      });
    }),
  );
});

test('its corners are the points that no triangle of others holds: by trying all', () => {
  const inside = (p: Point, a: Point, b: Point, c: Point) => {
    const turn = (u: Point, v: Point) => (v.x - u.x) * (p.y - u.y) - (v.y - u.y) * (p.x - u.x);
    const turns = [turn(a, b), turn(b, c), turn(c, a)];
    return area([a, b, c]) !== 0 && (turns.every((t) => t >= 0) || turns.every((t) => t <= 0));
  };
  const few = fc.uniqueArray(fc.record({ x: place, y: place }), {
    minLength: 4,
    maxLength: 7,
    selector: ({ x, y }) => `${x} ${y}`,
  });
  fc.assert(
    fc.property(few, (list) => {
      const hull = hullOf(list);
      fc.pre(hull.length >= 3);
      for (const p of list) {
        const others = list.filter((one) => one !== p);
        const held = others.some((a, i) =>
          others.slice(i + 1).some((b, j) => others.slice(i + j + 2).some((c) => inside(p, a, b, c))),
        );
        const corner = hull.some(({ x, y }) => x === p.x && y === p.y);
        if (held) expect(corner).toBe(false);
      }
    }),
  );
});
