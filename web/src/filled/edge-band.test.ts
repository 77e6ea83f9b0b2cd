import { expect, test } from 'vitest';
import { bandOn, neighboursOf } from './edge-band.ts';

/** An open tube of two rows of eight, radius 50, its lower row at 0 and its rim at 30: places, triangles, its rim. */
function tube() {
  const places: number[] = [];
  const triangles: number[] = [];
  for (const y of [0, 30])
    for (let k = 0; k < 8; k++)
      places.push(50 * Math.cos((Math.PI * k) / 4), y, 50 * Math.sin((Math.PI * k) / 4));
  for (let k = 0; k < 8; k++) {
    const [a, b] = [k, (k + 1) % 8];
    triangles.push(a, b, a + 8, b, b + 8, a + 8);
  }
  return {
    places: Float32Array.from(places),
    triangles: Int32Array.from(triangles),
    rims: [[8, 9, 10, 11, 12, 13, 14, 15]],
  };
}

test('edge rounds go on from the rim the way its fabric runs there', () => {
  const { places, ...start } = tube();
  const { points, faces } = bandOn(start.rims, neighboursOf(start), places, { height: 12, growth: 0 });
  expect(points).toHaveLength(8 * 2 * 3);
  expect(faces).toHaveLength(8 * 2 * 3);
  for (let k = 0; k < 8; k++) {
    const [low, high] = [points.subarray(6 * k, 6 * k + 3), points.subarray(6 * k + 3, 6 * k + 6)];
    expect([...low]).toEqual([...places.subarray(3 * (8 + k), 3 * (8 + k) + 3)]);
    // Straight up, as the wall of the tube stands: neighbours lie to either side below, and cancel.
    expect(high[1]).toBeCloseTo(30 + 12, 0);
    expect(Math.hypot(high[0] ?? 0, high[2] ?? 0)).toBeGreaterThan(48);
  }
});

test('one that flares is as much wider at its upper edge', () => {
  const { places, ...start } = tube();
  const width = (growth: number) => {
    const { points } = bandOn(start.rims, neighboursOf(start), places, { height: 12, growth });
    return Math.hypot(points[3] ?? 0, points[5] ?? 0);
  };
  expect(width(0.2) / width(0)).toBeCloseTo(1.2, 6);
  expect(width(-0.1) / width(0)).toBeCloseTo(0.9, 6);
});
