import { describe, expect, test } from 'vitest';
import { mismatches, move } from '../../bag/index.ts';
import { built, panel } from '../../testing/built.ts';
import type { Construction } from '../index.ts';

const tube = (rounds: number): Construction => ({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: panel(120, 40),
  base: { of: 'one', motif: 'disc', rounds },
});

describe('a tube on a disc', () => {
  test('is as wide as it is deep, and as high as its wall', () => {
    const { size, w, h, j } = built(tube(8));
    const round = 120 * w + j;
    // The wall goes round in 24 flat stretches: across corners it is 2R, R = round / 24 / (2 sin 7.5°).
    const across = round / 24 / Math.sin(Math.PI / 24);
    expect(size.width).toBeCloseTo(across, 6);
    expect(size.depth).toBeCloseTo(across, 6);
    expect(size.height).toBeCloseTo(40 * h + j / 2, 6);
    expect(size.opening).toBeCloseTo(round, 6);
  });

  test('wall and base that differ are told: by how much the disc is too small', () => {
    const { graph, w, j } = built(tube(8));
    const disc = graph.pieces.find(({ id }) => id === 'base');
    const off = mismatches(graph).reduce((sum, { by }) => sum + by, 0);
    expect(Math.abs(off)).toBeCloseTo(Math.abs(120 * w + j - (disc?.edges[0]?.length ?? 0)), 6);
  });

  test('the base lies level at the bottom, its right side down', () => {
    const { graph } = built(tube(8));
    const base = graph.facets.find(({ piece }) => piece === 'base');
    if (!base) throw new Error('no base');
    for (const p of base.outline) expect(move(base.motion, p).y).toBeCloseTo(0, 9);
    const { u, v } = base.motion;
    // u x v looks out of the right side.
    expect(u.z * v.x - u.x * v.z).toBeLessThan(0);
  });

  test('the seam of the wall lies in the middle of the back', () => {
    const { graph } = built(tube(8));
    const wall = graph.facets.filter(({ piece }) => piece !== 'base');
    const ends = wall.flatMap(({ motion, outline }) =>
      outline.filter(({ x }) => x < 1e-6).map((p) => move(motion, p)),
    );
    for (const { x, z } of ends) {
      expect(x).toBeCloseTo(0, 6);
      expect(z).toBeLessThan(0);
    }
  });
});
