import { describe, expect, test } from 'vitest';
import { built, panel, squares } from '../../testing/built.ts';
import { familyOf } from '../index.ts';
import type { FoldOver } from './schema.ts';

const strip = {
  swatch: 's2',
  worked: 'across',
  depth: 8,
  length: { by: 'way' },
  multiple: { multiple: 1, extra: 0 },
} as const;

describe('fold-over, the front folded up', () => {
  test('seven rows of three with a flap of one: three rows in front, three behind', () => {
    const { graph, size, s, j } = built({ family: 'fold-over', body: squares(3, 7), flap: 1 });
    const panelHeight = 7 * s + 6 * j;
    expect(size.height).toBeCloseTo((panelHeight * 3) / 7, 6);
    expect(size.width).toBeCloseTo(3 * (s + j), 6);
    expect(size.opening).toBeCloseTo(2 * size.width, 6);
    expect(size.depth).toBeCloseTo(0, 9);
    // Only the two sides are left to close.
    expect(new Set(graph.seams.filter(({ kind }) => kind === 'closing').map(({ line }) => line))).toEqual(
      new Set(['left', 'right']),
    );
  });

  test('front and flap lie on their heads in the net, the back does not', () => {
    const { graph } = built({ family: 'fold-over', body: panel(50, 90), flap: 20 });
    const upright = Object.fromEntries(graph.facets.map(({ face, motion }) => [face, motion.v.y]));
    expect(upright.front).toBeCloseTo(-1, 9);
    expect(upright.back).toBeCloseTo(1, 9);
    expect(upright.flap).toBeCloseTo(-1, 9);
  });

  test('a flap of 20 of 90 rows hangs 20 rows down the front', () => {
    const { graph, size, h } = built({ family: 'fold-over', body: panel(50, 90), flap: 20 });
    expect(size.height).toBeCloseTo(35 * h, 6);
    const flap = graph.facets.find(({ face }) => face === 'flap');
    const lowest = Math.min(
      ...(flap?.outline.map(({ y }) => (flap.motion.origin.y ?? 0) + y * flap.motion.v.y) ?? []),
    );
    expect(size.height - lowest).toBeCloseTo(20 * h, 6);
  });

  test('a flap longer than the panel allows leaves a row for front and back', () => {
    const { size, h } = built({ family: 'fold-over', body: panel(50, 10), flap: 40 });
    expect(size.height).toBeCloseTo(h, 6);
  });
});

describe('fold-over, the front apart', () => {
  const apart: FoldOver = {
    family: 'fold-over',
    body: panel(50, 60),
    flap: 20,
    apart: { front: 40, strip },
  };

  test('is as deep as its strip and as high as its front, with the seam under it', () => {
    const { size, graph, w, h, j } = built(apart);
    expect(size.depth).toBeCloseTo(8 * w + j, 6);
    expect(size.width).toBeCloseTo(50 * w + j, 6);
    expect(size.height).toBeCloseTo(40 * h + j / 2, 6);
    expect(graph.pieces.map(({ name }) => name)).toEqual(['Back and flap', 'Front', 'Strip']);
  });

  test('its strip is as long as down, across and up', () => {
    const { graph, size } = built(apart);
    const length = graph.pieces.find(({ name }) => name === 'Strip')?.outline[2]?.x ?? 0;
    // Whole rows on each side: half a row off on each of three at most.
    expect(Math.abs(length - (2 * size.height + size.width))).toBeLessThan(10);
  });

  test('folding it up again and taking it apart keep the height of its back', () => {
    const { materials, choices } = built(apart);
    const kind = (of: FoldOver) => {
      const found = familyOf(of)
        .controls(materials, choices)
        .find(({ id }) => id === 'kind');
      if (found?.kind !== 'choice') throw new Error('no kind');
      return found;
    };
    const folded = kind(apart).set('folded');
    if (folded.family !== 'fold-over') throw new Error('another family');
    expect(folded.apart).toBeUndefined();
    expect(folded.body).toMatchObject({ rows: 2 * 40 + 20 });
    expect(kind(folded).set('apart')).toMatchObject({ apart: { front: 40 }, flap: 20 });
  });
});
