import fc from 'fast-check';
import { expect, test } from 'vitest';
import { along, area, type Point } from '../../geometry/index.ts';
import { triangulated } from './facet-mesh.ts';

const at = (x: number, y: number): Point => ({ x, y });

// A bow tie: two wedges that go to nothing, and a neck between them that is narrower than anything that is cut off it.
const bow = fc
  .record({
    width: fc.integer({ min: 60, max: 400 }),
    height: fc.integer({ min: 6, max: 60 }),
    neck: fc.integer({ min: 2, max: 20 }),
  })
  .map(({ width, height, neck }) => [
    at(width, 0),
    at((width + neck) / 2, height / 2),
    at(width, height),
    at(0, height),
    at((width - neck) / 2, height / 2),
    at(0, 0),
  ]);

test('every point on a straight part of the border is a corner of triangles: what is sewn to it stays closed', () => {
  fc.assert(
    fc.property(bow, fc.integer({ min: 2, max: 25 }), (corners, many) => {
      const border = corners.flatMap((p, i) =>
        Array.from({ length: many }, (_, k) => along(p, corners[(i + 1) % corners.length] ?? p, k / many)),
      );
      const { triangles, inner } = triangulated(border, []);
      const sides = triangles.flatMap(([a, b, c]) => [`${a}/${b}`, `${b}/${c}`, `${c}/${a}`]);
      expect(new Set(sides).size).toBe(sides.length);
      const open = sides.filter((side) => !sides.includes(side.split('/').reverse().join('/')));
      expect(open.sort()).toEqual(border.map((_, k) => `${k}/${(k + 1) % border.length}`).sort());
      const points = [...border, ...inner];
      const covered = triangles.reduce((sum, t) => sum + area(t.map((k) => points[k] ?? at(0, 0))), 0);
      expect(covered).toBeCloseTo(area(border), 6);
    }),
    { numRuns: 60 },
  );
});
