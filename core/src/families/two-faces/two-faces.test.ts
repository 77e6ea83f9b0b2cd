import { describe, expect, test } from 'vitest';
import { move } from '../../bag/index.ts';
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
