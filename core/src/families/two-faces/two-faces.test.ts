import { describe, expect, test } from 'vitest';
import { checkGraph, flapReach, insideOf, move } from '../../bag/index.ts';

import { lineMatches } from '../../match/index.ts';
import { built, panel, squares } from '../../testing/built.ts';

describe('two faces', () => {
  test('flat: as wide and high as a face with its seams, the mouth twice the width', () => {
    const { size, graph, s, j } = built({ family: 'two-faces', face: squares(3, 3), tuck: 0 });
    expect(size.width).toBeCloseTo(3 * s + 3 * j, 6);
    expect(size.height).toBeCloseTo(3 * s + 2.5 * j, 6);
    expect(size.depth).toBeCloseTo(0, 9);
    expect(size.opening).toBeCloseTo(2 * size.width, 6);
    expect(graph.tucks).toEqual([]);
  });

  test('corners sewn across at 60 take 60 off the width, 30 off the height, and make it 60 deep', () => {
    const flat = built({ family: 'two-faces', face: panel(50, 50), tuck: 0 });
    const deep = built({ family: 'two-faces', face: panel(50, 50), tuck: 60 });
    expect(deep.size.width).toBeCloseTo(flat.size.width - 60, 6);
    expect(deep.size.height).toBeCloseTo(flat.size.height - 30, 6);
    expect(deep.size.depth).toBeCloseTo(60, 6);
    // The mouth does not notice.
    expect(deep.size.opening).toBeCloseTo(flat.size.opening, 6);
    expect(deep.graph.tucks?.map(({ length }) => length)).toEqual([60, 60]);
  });

  test('what is sewn away lies on the bottom, inside: a square of half the depth at either corner of each face', () => {
    const { graph } = built({ family: 'two-faces', face: panel(50, 50), tuck: 60 });
    const tucked = graph.facets.filter((facet) => facet.tucked);
    expect(tucked).toHaveLength(8);
    for (const { motion, outline, face } of tucked) {
      expect(face).toBe('bottom');
      for (const p of outline) expect(move(motion, p).y).toBeCloseTo(0, 6);
    }
    const area = (outline: ReadonlyArray<{ x: number; y: number }>) =>
      Math.abs(
        outline.reduce((sum, p, i) => {
          const q = outline[(i + 1) % outline.length] ?? p;
          return sum + p.x * q.y - q.x * p.y;
        }, 0) / 2,
      );
    expect(tucked.reduce((sum, { outline }) => sum + area(outline), 0)).toBeCloseTo(4 * 30 * 30, 6);
  });

  test('a corner deeper than the face is wide is sewn as deep as can be', () => {
    const { size, w, j } = built({ family: 'two-faces', face: panel(20, 60), tuck: 400 });
    expect(size.depth).toBeCloseTo(0.95 * (20 * w + j), 6);
  });

  test('faces that are not rectangles have no corners to sew across', () => {
    const { graph, size } = built({
      family: 'two-faces',
      face: { of: 'one', motif: 'hexagon', rounds: 6, open: 20 },
      tuck: 60,
    });
    expect(size.depth).toBeCloseTo(0, 9);
    expect(graph.tucks).toEqual([]);
  });
});

describe('a back of its own', () => {
  const front = squares(3, 3);

  test('of six rows against three of squares folds over as a flap of three', () => {
    const { graph, size, s, j } = built({ family: 'two-faces', face: front, back: squares(3, 6), tuck: 0 });
    // The body is as high as the front: three squares, two joins, and half a one at the bottom.
    expect(size.height).toBeCloseTo(3 * s + 2.5 * j, 6);
    const flap = flapReach(graph);
    expect(flap?.reach).toBeCloseTo(3 * s + 3 * j, 6);
    expect(graph.facets.some(({ face }) => face === 'flap')).toBe(true);
    expect(checkGraph(graph)).toEqual([]);
  });

  test('lower than the front leaves the front standing above the closed part', () => {
    const { graph, size, s, j } = built({ family: 'two-faces', face: front, back: squares(3, 2), tuck: 0 });
    expect(size.height).toBeCloseTo(3 * s + 2.5 * j, 6);
    expect(insideOf(graph).height).toBeCloseTo(2 * s + 1.5 * j, 2);
  });

  test('of another fabric is eased onto the front, and that is told', () => {
    const { graph } = built({ family: 'two-faces', face: front, back: panel(60, 55), tuck: 0 });
    expect(checkGraph(graph)).toEqual([]);
    const bottom = lineMatches(graph).find(({ line }) => line === 'seam/bottom');
    // 60 stitches of 6 mm against three squares of about 10 cm.
    expect(Math.abs(bottom?.ease.percent ?? 0)).toBeGreaterThan(10);
    expect(bottom?.ease.verdict).toBe('puckers');
  });
});
