import fc from 'fast-check';
import { expect, test } from 'vitest';
import { along, area, clipHalf, clipSegment, contains, rectangle } from './index.ts';

const number = fc.double({ min: -100, max: 100, noNaN: true });
const angle = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true });
const box = fc
  .record({
    x: number,
    y: number,
    w: fc.double({ min: 1, max: 80, noNaN: true }),
    h: fc.double({ min: 1, max: 80, noNaN: true }),
  })
  .map(({ x, y, w, h }) => rectangle(x, y, w, h));

test('a cut divides an area into two that add up to it', () => {
  fc.assert(
    fc.property(box, angle, number, (outline, turn, limit) => {
      const normal = { x: Math.cos(turn), y: Math.sin(turn) };
      const one = area(clipHalf(outline, normal, limit));
      const other = area(clipHalf(outline, { x: -normal.x, y: -normal.y }, -limit));
      expect(one + other).toBeCloseTo(area(outline), 6);
    }),
  );
});

test('the part of a segment inside a polygon is inside, and what is left out is not', () => {
  fc.assert(
    fc.property(box, number, number, number, number, (outline, ax, ay, bx, by) => {
      const [p, q] = [
        { x: ax, y: ay },
        { x: bx, y: by },
      ];
      const inside = clipSegment(outline, p, q);
      for (const share of [0.03, 0.21, 0.5, 0.68, 0.97]) {
        const held = inside !== undefined && share > inside[0] + 1e-4 && share < inside[1] - 1e-4;
        if (held) expect(contains(outline, along(p, q, share), 1e-3)).toBe(true);
        const out = inside === undefined || share < inside[0] - 1e-4 || share > inside[1] + 1e-4;
        if (out) expect(contains(outline, along(p, q, share), -1e-3)).toBe(false);
      }
    }),
  );
});
