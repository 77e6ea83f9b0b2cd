import { describe, expect, test } from 'vitest';
import { checkGraph, joinedSeams } from '../../bag/index.ts';
import { built, squares } from '../../testing/built.ts';

describe('grown sides', () => {
  const bag = (rounds: number) => built({ family: 'grown-sides', face: squares(2, 3), swatch: 's2', rounds });

  test('five rounds out of each face make ten rows and a join of depth', () => {
    const { size, h, s, j } = bag(5);
    expect(size.depth).toBeCloseTo(10 * h + j, 6);
    expect(size.width).toBeCloseTo(2 * s + 2 * j, 6);
    expect(size.height).toBeCloseTo(3 * s + 2.5 * j, 6);
  });

  test('the walls are worked out of the faces: only the two walls are joined to each other', () => {
    const { graph } = bag(5);
    const closing = joinedSeams(graph).filter(({ kind }) => kind === 'closing');
    expect(new Set(closing.map(({ line }) => line))).toEqual(new Set(['middle']));
    expect(graph.pieces.filter(({ make }) => make.of === 'panel').map(({ name }) => name)).toEqual([
      'Front wall',
      'Back wall',
    ]);
  });

  test('a wall has a stitch for every loop of the three sides it grows out of', () => {
    const { graph, materials } = bag(5);
    const wall = graph.pieces.find(({ name }) => name === 'Front wall');
    // Two squares below and three on either side.
    const loops = 8 * materials.motifLoops('m1', 4);
    expect(wall?.make).toMatchObject({ stitches: loops, rows: 5 });
  });

  test('one round more on each face is two rows more of depth, and nothing else', () => {
    const [one, more] = [bag(5), bag(6)];
    expect(more.size.depth - one.size.depth).toBeCloseTo(2 * one.h, 6);
    expect(more.size.width).toBeCloseTo(one.size.width, 9);
    expect(more.size.height).toBeCloseTo(one.size.height, 9);
  });

  test('rounds of other stitches add their own height, one kind after the other, and are not joined', () => {
    const { graph, size, materials, h, j } = built({
      family: 'grown-sides',
      face: squares(2, 3),
      swatch: 's2',
      rounds: 5,
      more: [
        { swatch: 's1', rounds: 2 },
        { swatch: 's2', rounds: 1 },
      ],
    });
    // Six low rounds and two of the other stitch on either side, and the one join between the walls.
    expect(size.depth).toBeCloseTo(2 * (6 * h + 2 * materials.rowHeight('s1')) + j, 6);
    expect(graph.pieces.filter(({ make }) => make.of === 'panel')).toHaveLength(6);
    const joined = joinedSeams(graph).filter(({ kind }) => kind === 'closing');
    expect(new Set(joined.map(({ line }) => line))).toEqual(new Set(['middle']));
    expect(checkGraph(graph)).toEqual([]);
  });

  test('round a disc they leave the chosen part open', () => {
    const { graph } = built({
      family: 'grown-sides',
      face: { of: 'one', motif: 'disc', rounds: 8, open: 25 },
      swatch: 's2',
      rounds: 4,
    });
    const disc = graph.pieces.find(({ make }) => make.of === 'motif');
    const wall = graph.pieces.find(({ name }) => name === 'Front wall');
    const round = disc?.edges[0]?.length ?? 0;
    expect(wall?.outline[2]?.x).toBeCloseTo(0.75 * round, 6);
  });
});
