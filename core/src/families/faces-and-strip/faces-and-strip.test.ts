import { describe, expect, test } from 'vitest';
import { built, panel, squares } from '../../testing/built.ts';
import type { FaceMake } from '../index.ts';

const strip = {
  swatch: 's2',
  worked: 'across',
  depth: 10,
  length: { by: 'way' },
  multiple: { multiple: 1, extra: 0 },
} as const;
const bag = (face: FaceMake, worked: 'across' | 'along' = 'across') =>
  built({ family: 'faces-and-strip', face, strip: { ...strip, worked } });
const stripOf = ({ graph }: ReturnType<typeof bag>) => graph.pieces.find(({ name }) => name === 'Strip');

describe('a strip round a face', () => {
  test('of three squares by two: rows for down, across and up, each side rounded to whole rows', () => {
    const own = bag(squares(3, 2));
    const { s, j, h } = own;
    const [down, across] = [2 * s + 1.5 * j, 3 * s + 3 * j];
    const rows = 2 * Math.round(down / h) + Math.round(across / h);
    expect(stripOf(own)?.make).toMatchObject({ of: 'panel', rows, stitches: 10 });
  });

  test('worked along, its stitches make the length and its rows the depth', () => {
    const own = bag(squares(3, 2), 'along');
    const { s, j, w, h } = own;
    const [down, across] = [2 * s + 1.5 * j, 3 * s + 3 * j];
    const stitches = 2 * Math.round(down / w) + Math.round(across / w);
    expect(stripOf(own)?.make).toMatchObject({ of: 'panel', stitches, rows: 10 });
    expect(own.size.depth).toBeCloseTo(10 * h + j, 6);
  });

  test('of a disc: as long as the round less its opening, and the mouth is what is left', () => {
    const own = bag({ of: 'one', motif: 'disc', rounds: 8, open: 30 });
    const disc = own.graph.pieces.find(({ make }) => make.of === 'motif');
    const round = disc?.edges[0]?.length ?? 0;
    const length = stripOf(own)?.outline[2]?.x ?? 0;
    expect(Math.abs(length - 0.7 * round)).toBeLessThanOrEqual(own.h);
    // Two arcs and the ends of the strip.
    expect(own.size.opening).toBeCloseTo(2 * 0.3 * round + 2 * own.size.depth, 4);
  });

  test('of a hexagon: five of its six sides', () => {
    const own = bag({ of: 'one', motif: 'hexagon', rounds: 8, open: 20 });
    const hexagon = own.graph.pieces.find(({ make }) => make.of === 'motif');
    const side = hexagon?.edges[0]?.length ?? 0;
    const length = stripOf(own)?.outline[2]?.x ?? 0;
    expect(Math.abs(length - 5 * side)).toBeLessThanOrEqual(2.5 * own.h);
  });

  test('of a half disc: its arc; the straight side is the mouth', () => {
    const own = bag({ of: 'one', motif: 'half-disc', rounds: 8, open: 20 });
    const half = own.graph.pieces.find(({ make }) => make.of === 'motif');
    const arc = half?.edges[0]?.length ?? 0;
    expect(Math.abs((stripOf(own)?.outline[2]?.x ?? 0) - arc)).toBeLessThanOrEqual(own.h);
    expect(own.size.opening).toBeCloseTo(2 * (half?.edges[1]?.length ?? 0) + 2 * own.size.depth, 4);
  });

  test('of a panel: front and back are twins, loop for loop', () => {
    const { graph } = bag(panel(40, 44));
    const [front, back] = ['Front', 'Back'].map((name) => graph.pieces.find((piece) => piece.name === name));
    expect(front?.edges).toEqual(back?.edges);
    expect(front?.make).toEqual(back?.make);
  });
});
