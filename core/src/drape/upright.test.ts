import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { carriersOf } from './handling.ts';
import { axesOf, type Faces, middleOf, mouthOf, uprightOf } from './upright.ts';

type V = readonly [number, number, number];

/**
 * A bag of the simplest kind: a box of 2 by 3 by 1, open above, its front towards z. Corner 0 to 3 run round the
 * bottom, 4 to 7 round the rim.
 */
const CORNERS: readonly V[] = [
  [-1, 0, -0.5],
  [1, 0, -0.5],
  [1, 0, 0.5],
  [-1, 0, 0.5],
  [-1, 3, -0.5],
  [1, 3, -0.5],
  [1, 3, 0.5],
  [-1, 3, 0.5],
];
/** Two triangles each, seen from outside counter-clockwise. */
const FRONT = [3, 2, 6, 3, 6, 7];
const BACK = [1, 0, 4, 1, 4, 5];

const FACES: Faces = {
  faces: new Map([
    ['front', [0, 3]],
    ['back', [6, 9]],
  ]),
  hanging: new Set(),
  flap: [],
};

const clothOf = (places: readonly V[], unit = 10) => ({
  position: Float64Array.from(places.flat()),
  inverseMass: new Float64Array(places.length).fill(1),
  rims: [[4, 5, 6, 7]],
  count: places.length,
  triangles: Int32Array.from([...FRONT, ...BACK]),
  unit,
});

/** Turns a point round an axis through the origin, by Rodrigues' formula: another way than the code's quaternions. */
function turned([x, y, z]: V, axis: V, angle: number): V {
  const n = Math.hypot(...axis);
  const [a, b, c]: V = [axis[0] / n, axis[1] / n, axis[2] / n];
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const dot = a * x + b * y + c * z;
  const cross: V = [b * z - c * y, c * x - a * z, a * y - b * x];
  const part = (own: number, crossed: number, along: number) =>
    own * cos + crossed * sin + along * dot * (1 - cos);
  return [part(x, cross[0], a), part(y, cross[1], b), part(z, cross[2], c)];
}

const axis = fc
  .tuple(
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
  )
  .filter((v) => Math.hypot(...v) > 0.2);
const angle = fc.double({ min: -3.1, max: 3.1, noNaN: true });

describe('which way a bag in the air stands', () => {
  test('up is from its middle to its mouth, front is what its front face looks at', () => {
    const { up, front } = axesOf(clothOf(CORNERS), FACES);
    for (const [got, wanted] of [
      [up, [0, 1, 0]],
      [front, [0, 0, 1]],
    ] as const)
      wanted.forEach((value, i) => void expect(got[i]).toBeCloseTo(value, 9));
  });

  test('however it was turned, it is stood up again: same sizes, front to the front, on the table', () => {
    fc.assert(
      fc.property(axis, angle, (about, by) => {
        const cloth = clothOf(CORNERS.map((corner) => turned(corner, about, by)));
        const standing = uprightOf(cloth, FACES, 1);
        // Units are 10 mm; the middle of its ground stands in the origin.
        CORNERS.forEach((corner, v) => {
          const wanted = [corner[0] * 10, corner[1] * 10, corner[2] * 10];
          wanted.forEach((value, k) => void expect(standing[3 * v + k]).toBeCloseTo(value, 3));
        });
      }),
    );
  });

  test('turned in part, distances stay what they are, and it stands on the table all the time', () => {
    fc.assert(
      fc.property(axis, angle, fc.double({ min: 0, max: 1, noNaN: true }), (about, by, share) => {
        const places = CORNERS.map((corner) => turned(corner, about, by));
        const shown = uprightOf(clothOf(places), FACES, share);
        const at = (v: number): V => [shown[3 * v] ?? 0, shown[3 * v + 1] ?? 0, shown[3 * v + 2] ?? 0];
        const apart = (p: V, q: V) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
        for (const [a, b] of [
          [0, 6],
          [1, 7],
          [4, 5],
        ] as const) {
          const [p, q] = [CORNERS[a], CORNERS[b]];
          if (p && q) expect(apart(at(a), at(b))).toBeCloseTo(10 * apart(p, q), 2);
        }
        expect(Math.min(...CORNERS.map((_, v) => at(v)[1]))).toBeCloseTo(0, 4);
      }),
    );
  });

  test('not turned at all at the beginning', () => {
    const about: V = [1, 2, 3];
    const places = CORNERS.map((corner) => turned(corner, about, 1));
    const shown = uprightOf(clothOf(places), FACES, 0);
    const [p, q] = [places[0], places[6]];
    if (!p || !q) throw new Error('the box has eight corners');
    for (const k of [0, 1, 2])
      expect((shown[18 + k] ?? 0) - (shown[k] ?? 0)).toBeCloseTo(10 * ((q[k] ?? 0) - (p[k] ?? 0)), 3);
  });

  test('a flap that hangs far out says nothing about up', () => {
    const flap: V = [0, 1, 40];
    const cloth = clothOf([...CORNERS, flap]);
    const { up } = axesOf(cloth, { ...FACES, hanging: new Set([8]) });
    expect(up[1]).toBeCloseTo(1, 9);
    const misled = axesOf(cloth, FACES);
    expect(misled.up[1]).toBeLessThan(0.9);
  });

  test('heavy parts weigh more: up leans away from a heavy side', () => {
    const cloth = clothOf(CORNERS);
    // The left bottom edge is a hundred times as heavy.
    cloth.inverseMass[0] = cloth.inverseMass[3] = 0.01;
    expect(axesOf(cloth, FACES).up[0]).toBeGreaterThan(0.2);
  });
});

describe('the mouth', () => {
  test('is the first rim without what hangs from it', () => {
    expect(mouthOf(clothOf(CORNERS), { ...FACES, hanging: new Set([5, 6]) })).toEqual([4, 7]);
  });

  test('is carried a quarter in from either side, in front and behind, nearest vertices first', () => {
    // A rim of many vertices: eleven in front, eleven behind, from -1 to 1.
    const row = (z: number) => Array.from({ length: 11 }, (_, i): V => [-1 + i / 5, 3, z]);
    const places = [...CORNERS.slice(0, 4), ...row(-0.5), ...row(0.5).reverse()];
    const cloth = { ...clothOf(places), rims: [places.map((_, i) => i).slice(4)] };
    // Front and back by corners of the box: its rim's corners have other numbers here.
    cloth.triangles = Int32Array.from([3, 2, 15, 3, 15, 25, 1, 0, 4, 1, 4, 14]);
    const carriers = carriersOf(cloth, FACES);
    expect(carriers).toHaveLength(12);
    const xs = carriers.map((v) => places[v]?.[0] ?? Number.NaN);
    // Vertices stand 0.2 apart: the three nearest to a half stand at 0.4, 0.6, and 0.2 or 0.8.
    for (const x of xs) expect(Math.abs(Math.abs(x) - 0.5)).toBeLessThan(0.31);
    const behind = carriers.filter((v) => (places[v]?.[2] ?? 0) < 0);
    expect(behind).toHaveLength(6);
  });

  test('the middle of places is their mean; of none it is the origin', () => {
    expect(middleOf([])).toEqual({ x: 0, y: 0, z: 0 });
    const { x, y, z } = middleOf([
      { x: 1, y: 2, z: 3 },
      { x: 3, y: 4, z: 8 },
    ]);
    expect([x, y, z]).toEqual([2, 3, 5.5]);
  });
});
