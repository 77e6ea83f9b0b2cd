import { expect, test } from 'vitest';
import { lifted } from './lifted.ts';

test('a seam is raised off the fabric on its right side, by as much as asked', () => {
  // A square that lies level, its right side up (counter-clockwise from above), with a seam along one side.
  const places = Float32Array.of(0, 0, 0, 0, 0, 10, 10, 0, 10, 10, 0, 0);
  const start = { triangles: Int32Array.of(0, 1, 2, 0, 2, 3), seams: new Map([['s', [0, 1]]]) };
  const [from, to] = lifted(start, places, 2).get('s') ?? [];
  expect(from?.toArray()).toEqual([0, 2, 0]);
  expect(to?.toArray()).toEqual([0, 2, 10]);
});
