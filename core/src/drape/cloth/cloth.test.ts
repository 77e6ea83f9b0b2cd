import { describe, expect, test } from 'vitest';
import { oneTriangle as one } from '../../testing/one-triangle.ts';
import { straighten } from './bending.ts';
import { clothOf } from './cloth.ts';
import type { Crease, Fabric, Patch } from './fabric.ts';
import { keepStretch } from './membrane.ts';
import { inflate } from './pressure.ts';

describe('a single triangle', () => {
  test('at its own size it is left alone, wherever it lies', () => {
    const cloth = clothOf(one, 100);
    // Turned a quarter about x and moved.
    cloth.position.set([1, 2, 3, 2, 2, 3, 1, 2, 4]);
    const before = [...cloth.position];
    keepStretch(cloth.position, cloth.inverseMass, cloth.membrane, 1 / 480);
    cloth.position.forEach((value, i) => {
      expect(value).toBeCloseTo(before[i] ?? 0, 12);
    });
  });

  test('pulled longer by a tenth it is back at its length in some steps; pushed together it hardly moves', () => {
    const length = (p: Float64Array) => Math.hypot((p[3] ?? 0) - (p[0] ?? 0), (p[4] ?? 0) - (p[1] ?? 0));
    const after = (first: number) => {
      const cloth = clothOf(one, 100);
      cloth.position[3] = first;
      for (let k = 0; k < 8; k++) keepStretch(cloth.position, cloth.inverseMass, cloth.membrane, 1 / 480);
      return length(cloth.position);
    };
    expect(after(1.1)).toBeLessThan(1.002);
    expect(after(1.1)).toBeGreaterThan(0.99);
    expect(after(0.9)).toBeGreaterThan(0.9);
    expect(after(0.9)).toBeLessThan(0.93);
  });

  test('is pushed the way its right side looks, by its area times the push', () => {
    const cloth = clothOf(one, 100);
    inflate(cloth, { push: 6, even: 1, mouth: 'up' }, 0, 1, 0.01);
    // A third of 6 times half a square to each corner, which weighs a third of half a square: speed 6 x 0.01.
    for (const node of [0, 1, 2]) {
      expect(cloth.velocity[3 * node]).toBeCloseTo(0, 12);
      expect(cloth.velocity[3 * node + 2]).toBeCloseTo(0.06, 12);
    }
  });

  test('what fills it pushes less the higher it is; above the mouth only what is felt everywhere', () => {
    const speedAt = (mouth: 'up' | 'back', along: number) => {
      const cloth = clothOf(one, 100);
      for (let k = 0; k < 9; k += 3) {
        const [up, ahead] = [cloth.position[k + 1] ?? 0, cloth.position[k + 2] ?? 0];
        if (mouth === 'up') cloth.position[k + 1] = up + along - 1 / 3;
        else cloth.position[k + 2] = ahead - along;
      }
      inflate(cloth, { push: 6, even: 0.5, mouth }, 0, 2, 0.01);
      return Math.hypot(...cloth.velocity.subarray(0, 3));
    };
    // The middle of the triangle lies so far from the bottom, standing or lying; the mouth is at 2.
    for (const mouth of ['up', 'back'] as const) {
      expect(speedAt(mouth, 0)).toBeCloseTo(0.06, 12);
      expect(speedAt(mouth, 1)).toBeCloseTo(0.045, 12);
      expect(speedAt(mouth, 3)).toBeCloseTo(0.03, 12);
    }
  });
});

/** Two triangles over the diagonal of a square of 100 mm, bent along it or not. */
const pair = (stiff: number): Fabric => {
  const [a, b, c, d] = [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 100 },
    { x: 0, y: 100 },
  ];
  const patches: Patch[] = [
    { nodes: [0, 1, 2], flat: [a, b, c], holds: true },
    { nodes: [0, 2, 3], flat: [a, c, d], holds: true },
  ];
  const creases: Crease[] = [
    {
      sides: [
        { triangle: 0, corner: 2 },
        { triangle: 1, corner: 0 },
      ],
      stiff,
    },
  ];
  return { count: 4, patches, creases, start: Float64Array.of(0, 0, 0, 100, 0, 0, 100, 100, 0, 0, 100, 0) };
};

describe('two triangles with a common side', () => {
  const bent = (stiff: number, steps: number) => {
    const cloth = clothOf(pair(stiff), 100);
    cloth.position[11] = 0.3;
    for (let k = 0; k < steps; k++) straighten(cloth.position, cloth.inverseMass, cloth.bending, 1 / 60);
    const p = cloth.position;
    // Height of the fourth corner over the plane of the others.
    const [ux, uy, uz] = [0, 1, 2].map((k) => (p[3 + k] ?? 0) - (p[k] ?? 0)) as [number, number, number];
    const [vx, vy, vz] = [0, 1, 2].map((k) => (p[6 + k] ?? 0) - (p[k] ?? 0)) as [number, number, number];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const [gx, gy, gz] = [0, 1, 2].map((k) => (p[9 + k] ?? 0) - (p[k] ?? 0)) as [number, number, number];
    return (gx * nx + gy * ny + gz * nz) / Math.hypot(nx, ny, nz);
  };

  test('flat they are left alone; bent they come straight, the stiffer the sooner', () => {
    const cloth = clothOf(pair(1), 100);
    const before = [...cloth.position];
    straighten(cloth.position, cloth.inverseMass, cloth.bending, 1 / 60);
    cloth.position.forEach((value, i) => {
      expect(value).toBeCloseTo(before[i] ?? 0, 12);
    });
    expect(bent(1, 1)).toBeLessThan(0.3);
    expect(bent(10, 1)).toBeLessThan(bent(1, 1));
    expect(bent(10, 4000)).toBeCloseTo(0, 2);
  });

  test('bending moves no middle of mass', () => {
    const cloth = clothOf(pair(1), 100);
    cloth.position[11] = 0.3;
    const middle = (p: Float64Array) =>
      [0, 1, 2].map((k) =>
        [0, 1, 2, 3].reduce((sum, v) => sum + (p[3 * v + k] ?? 0) / (cloth.inverseMass[v] ?? 1), 0),
      );
    const before = middle(cloth.position);
    straighten(cloth.position, cloth.inverseMass, cloth.bending, 1 / 60);
    middle(cloth.position).forEach((value, k) => {
      expect(value).toBeCloseTo(before[k] ?? 0, 12);
    });
  });
});
