import { describe, expect, test } from 'vitest';
import { checkGraph } from '../../bag/index.ts';
import { area } from '../../geometry/index.ts';
import { built, panel, squares } from '../../testing/built.ts';
import { type FaceMake, stripWays } from '../index.ts';

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

describe('a strip that is a panel by its rows', () => {
  const rows = (panel: string, worked: 'across' | 'along') =>
    built({ family: 'faces-and-strip', face: squares(3, 2), strip: { of: 'rows', panel, worked } });

  test('across: its row ends go along the faces, its stitches make the depth', () => {
    const own = rows('bobbles', 'across');
    const strip = stripOf(own);
    expect(strip?.make).toMatchObject({ of: 'panel', rows: 30, stitches: 33, rowsRun: 'upright' });
    // 33 stitches across, and half a join at either long edge; how high its rows are, so long it is.
    expect(own.size.depth).toBeCloseTo(33 * own.w + own.j, 3);
    const { edges = [] } = strip ?? {};
    expect(edges.map(({ kind }) => kind)).toEqual(['row-ends', 'tops', 'row-ends', 'chain']);
    expect(checkGraph(own.graph)).toEqual([]);
  });

  test('along: its chain lies on the one face, its last row on the other', () => {
    const own = rows('bobbles', 'along');
    const { edges = [], outline = [] } = stripOf(own) ?? {};
    expect(edges.map(({ kind }) => kind)).toEqual(['chain', 'row-ends', 'tops', 'row-ends']);
    expect(Math.max(...outline.map(({ x }) => x))).toBeCloseTo(33 * own.w, 3);
  });

  test('that widens reaches from face to face all along, and is as deep as it is one place with another', () => {
    const own = rows('widens', 'across');
    expect(checkGraph(own.graph)).toEqual([]);
    const { outline = [] } = stripOf(own) ?? {};
    const long = Math.max(...outline.map(({ x }) => x));
    expect(own.size.depth).toBeCloseTo(area(outline) / long, 3);
    // 30 to 46 stitches: deeper than its first row, and less deep than its widest.
    expect(own.size.depth).toBeGreaterThan(30 * own.w);
    expect(own.size.depth).toBeLessThan(46 * own.w + own.j);
  });

  test('lies only so that both its long sides are one', () => {
    const { materials } = rows('bobbles', 'across');
    const ways = (panel: string) => stripWays(materials.panel(panel).piece.sides);
    expect(ways('widens')).toEqual(['across', 'along']);
    expect(ways('steps')).toEqual(['along']);
    expect(ways('fan')).toEqual([]);
    expect(ways('round')).toEqual([]);
  });
});
