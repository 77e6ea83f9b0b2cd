import { describe, expect, test } from 'vitest';
import { checkGraph, mismatches, move } from '../../bag/index.ts';
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

describe('a tube on a panel that is worked round', () => {
  const own = built({
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: panel(48, 20),
    base: { of: 'rows', panel: 'round' },
  });
  const base = own.graph.pieces.find(({ id }) => id === 'base');

  test('stands on as many stitches as its last round has, drawn as round as the wall', () => {
    expect(base?.make).toMatchObject({ of: 'panel', panel: 'round' });
    expect(base?.edges).toHaveLength(1);
    expect(base?.edges[0]).toMatchObject({ kind: 'round', loops: 48 });
    expect(checkGraph(own.graph)).toEqual([]);
    // 24 chords of a circle come back to where they began.
    const [first] = base?.outline ?? [];
    expect(first?.y).toBeCloseTo(Math.max(...(base?.outline ?? []).map(({ y }) => y)), 6);
  });

  test('its rounds lie within it: the last one along its edge', () => {
    const { piece } = own.materials.panel('round');
    const [a, b, c, d, e, f] =
      base?.make.of === 'panel' && base.make.placed ? base.make.placed : [0, 0, 0, 0, 0, 0];
    const radius = Math.max(...(base?.outline ?? []).map(({ x }) => x)) / 2;
    for (const { x, y } of piece.rows.at(-1)?.line ?? []) {
      const off = Math.hypot(a * x + c * y + e - radius, b * x + d * y + f - radius);
      expect(Math.abs(off / radius - 1)).toBeLessThan(0.03);
    }
  });
});
