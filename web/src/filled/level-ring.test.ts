import { expect, test } from 'vitest';
import type { FillStart } from '../workers/fill.worker.ts';
import { levelRing, lowestOf } from './level-ring.ts';

/** A square tube 200 high whose upper half draws in from sides of 100 to sides of 60, without a lid. */
function tube(): { start: FillStart; places: Float32Array } {
  const ring = (half: number, y: number) => [
    [-half, y, -half],
    [half, y, -half],
    [half, y, half],
    [-half, y, half],
  ];
  const places = Float32Array.from([ring(50, 0), ring(50, 100), ring(30, 200)].flat(2));
  const triangles = [0, 4].flatMap((low) =>
    [0, 1, 2, 3].flatMap((k) => {
      const [a, b, c, d] = [low + k, low + ((k + 1) % 4), low + 4 + ((k + 1) % 4), low + 4 + k];
      return [a, b, c, a, c, d];
    }),
  );
  const piece = { id: 'p', first: 0, many: 12, on: new Float32Array(24), border: [] };
  const start: FillStart = {
    pose: 'stand',
    count: 12,
    triangles: Int32Array.from(triangles),
    pieces: [piece],
    straps: [],
    seams: new Map(),
    mouth: [8, 9, 10, 11],
    rims: [],
    unfolding: [],
    inside: [],
    leftOut: [],
  };
  return { start, places };
}

test('the lowest place is told without the straps, and the ring of a bag that hangs is the same, higher', () => {
  const { start, places } = tube();
  const hung = places.map((value, i) => (i % 3 === 1 ? value + 50 : value));
  expect(lowestOf(start, Float32Array.of(...hung, 0, -30, 0))).toBe(50);
  expect(levelRing(start, hung, 50, 250)[0]?.y).toBeCloseTo(240, 3);
});

test('the narrowest level ring of a body that draws in lies near its mouth, and goes all round', () => {
  const { start, places } = tube();
  const ends = levelRing(start, places, 0, 200);
  // Looked at up to 95 in a hundred of 200: at 190 the sides are 100 - 40 * 0.9 = 64.
  expect(ends[0]?.y).toBeCloseTo(190, 3);
  const round = ends.reduce((sum, p, k) => sum + (k % 2 === 1 ? p.distanceTo(ends[k - 1] ?? p) : 0), 0);
  expect(round).toBeCloseTo(4 * 64, 3);
});
