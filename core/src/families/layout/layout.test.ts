import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Interval, intervalLength, type Piece } from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { area, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { assemble } from './assemble.ts';
import { bend } from './bend.ts';
import { meetings, netBorders } from './meet.ts';
import { pairChains } from './pair.ts';
import { split, turned } from './sew.ts';
import { scaled, X, Y } from './wrap.ts';

const chains = fc
  .array(fc.double({ min: 5, max: 200, noNaN: true }), { minLength: 1, maxLength: 6 })
  .map((lengths) => lengths.map((to, i): Interval => ({ piece: `p${i}`, edge: 0, from: 0, to })));
const total = (chain: readonly Interval[]) => chain.reduce((sum, i) => sum + intervalLength(i), 0);

describe('sewing two ways together', () => {
  test('covers both from end to end, one seam between any two corners of either', () => {
    fc.assert(
      fc.property(chains, chains, (a, b) => {
        const seams = pairChains('line', 'closing', a, b);
        expect(total(seams.map((seam) => seam.a))).toBeCloseTo(total(a), 9);
        expect(total(seams.map((seam) => seam.b))).toBeCloseTo(total(b), 9);
        expect(seams.length).toBeLessThanOrEqual(a.length + b.length - 1);
        expect(seams.length).toBeGreaterThanOrEqual(Math.max(a.length, b.length));
        // What differs is spread evenly: every seam is eased by the same share.
        const ease = total(b) / total(a);
        for (const seam of seams)
          expect(intervalLength(seam.b)).toBeCloseTo(intervalLength(seam.a) * ease, 2);
      }),
    );
  });

  test('an edge of no length is sewn to nothing, either way round', () => {
    const edge = (id: string, to: number): Interval => ({ piece: id, edge: 0, from: 0, to });
    expect(pairChains('line', 'closing', [edge('a', 40)], [edge('b', 0)])).toEqual([]);
  });

  test('corners that differ by rounding alone are one: nothing is sewn between them', () => {
    const off = 3e-7;
    const edge = (id: string, to: number): Interval => ({ piece: id, edge: 0, from: 0, to });
    const seams = pairChains(
      'line',
      'closing',
      [edge('a', 20 + off), edge('b', 20 - off)],
      [edge('c', 40), edge('d', 40 - off)],
    );
    expect(seams.map(({ a, b }) => [a.piece, b.piece])).toEqual([
      ['a', 'c'],
      ['b', 'd'],
    ]);
    expect(pairChains('line', 'closing', [edge('a', 0)], [edge('b', 40)])).toEqual([]);
  });

  test('corners a hair apart are one, and however many there are, nothing of either way is left', () => {
    const hair = fc.double({ min: -9e-4, max: 9e-4, noNaN: true });
    const edges = (lengths: readonly number[]) =>
      lengths.map((to, i): Interval => ({ piece: `p${i}`, edge: 0, from: 0, to }));
    fc.assert(
      fc.property(fc.array(hair, { minLength: 2, maxLength: 30 }), (hairs) => {
        // Corners of the first way at 20, 40, 60 ..., those of the second a hair from there; both end together.
        const corners = hairs.map((off, i) => 20 * (i + 1) + (i === hairs.length - 1 ? 0 : off));
        const [a, b] = [
          edges(hairs.map(() => 20)),
          edges(corners.map((at, i) => at - (corners[i - 1] ?? 0))),
        ];
        const seams = pairChains('line', 'closing', a, b);
        expect(seams).toHaveLength(hairs.length);
        expect(total(seams.map((seam) => seam.a))).toBeCloseTo(total(a), 9);
        expect(total(seams.map((seam) => seam.b))).toBeCloseTo(total(b), 9);
      }),
    );
  });

  test('a way split and turned keeps its length and its parts', () => {
    fc.assert(
      fc.property(chains, fc.double({ min: 0, max: 1, noNaN: true }), (chain, share) => {
        const way = total(chain) * share;
        const [before, after] = split(chain, way);
        expect(total(before)).toBeCloseTo(way, 4);
        expect(total(before) + total(after)).toBeCloseTo(total(chain), 4);
        expect(total(turned(chain, way))).toBeCloseTo(total(chain), 4);
      }),
    );
  });
});

test('rows are lettered like a long alphabet', () => {
  expect([0, 25, 26, 51, 52].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA']);
});

const tile = (id: string, x: number, y: number, width: number, height: number, turn = 0): Piece => ({
  id,
  name: id,
  make: { of: 'motif', motif: 'm1', rounds: 4 },
  outline: rectangle(0, 0, width, height),
  edges: [width, height, width, height].map((length) => ({ kind: 'round', length: mm(length), loops: 10 })),
  at: { x, y },
  turn,
  cell: { sheet: id, row: 0, column: 0 },
});

describe('borders that meet', () => {
  test('are found whatever their lengths, each stretch once', () => {
    // One long tile under two short ones: two meetings of 30, with the right parts of the long edge.
    const pieces = [tile('long', 0, 0, 60, 20), tile('one', 0, 20, 30, 10), tile('two', 30, 20, 30, 10)];
    const found = meetings(netBorders(pieces), (a, b) => a.interval.piece !== b.interval.piece);
    const along = found
      .filter(({ a, b }) => [a, b].some(({ interval }) => interval.piece === 'long'))
      .map(({ a, b }) => (a.interval.piece === 'long' ? a : b).interval)
      .map(({ from, to }) => [Math.round(Math.min(from, to)), Math.round(Math.max(from, to))])
      .sort(([p = 0], [q = 0]) => p - q);
    expect(along).toEqual([
      [0, 30],
      [30, 60],
    ]);
    // And the short ones meet each other along their upright sides.
    expect(found).toHaveLength(3);
  });

  test('are found at any angle of the whole net', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.28, noNaN: true }), (turn) => {
        const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
        const put = (id: string, x: number) => tile(id, x * cos, x * sin, 40, 40, turn);
        const found = meetings(netBorders([put('left', 0), put('right', 40)]), () => true);
        expect(found).toHaveLength(1);
        const [meeting] = found;
        expect(meeting && intervalLength(meeting.a.interval)).toBeCloseTo(40, 3);
      }),
    );
  });

  test('do not meet when they only cross, or only touch at a corner', () => {
    const pieces = [tile('one', 0, 0, 20, 20), tile('two', 20, 20, 20, 20), tile('far', 100, 0, 20, 20)];
    expect(meetings(netBorders(pieces), () => true)).toEqual([]);
  });
});

describe('bending', () => {
  test('cuts every piece at the fold, and loses nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: -50, max: 150, noNaN: true }), (limit) => {
        const piece = tile('one', 0, 0, 100, 60);
        const still = { origin: { x: 0, y: 0, z: 0 }, u: X, v: Y };
        const over = { origin: { x: 2 * limit, y: 0, z: 0 }, u: scaled(X, -1), v: Y };
        const { facets, folds } = bend(
          [piece],
          [
            { face: 'front', within: [{ normal: { x: 1, y: 0 }, limit }], motion: still },
            { face: 'back', within: [{ normal: { x: -1, y: 0 }, limit: -limit }], motion: over },
          ],
        );
        const covered = facets.reduce((sum, { outline }) => sum + area(outline), 0);
        expect(covered).toBeCloseTo(6000, 3);
        const inside = limit > 0.01 && limit < 99.99;
        if (inside) expect(folds).toHaveLength(1);
        if (limit < -0.01 || limit > 100.01) expect(folds).toHaveLength(0);
      }),
    );
  });
});

test('assembling: two tiles folded on one another close on three sides and stay open where told', () => {
  // Side by side in the net, folded at the join: only the join is flat; the far sides, the lower sides and
  // the upper sides come together, and the upper ones are the rim.
  const still = { origin: { x: 0, y: 0, z: 0 }, u: X, v: Y };
  const over = { origin: { x: 80, y: 0, z: 0 }, u: scaled(X, -1), v: Y };
  const graph = assemble({
    pieces: [tile('front', 0, 0, 40, 40), tile('back', 40, 0, 40, 40)],
    regions: [
      { face: 'front', within: [{ normal: { x: 1, y: 0 }, limit: 40 }], motion: still },
      { face: 'back', within: [{ normal: { x: -1, y: 0 }, limit: -40 }], motion: over },
    ],
    pitch: 40,
    nameFlat: (lie, place) => `${lie} ${place}`,
    open: ({ from, to }) => from.y + to.y > 79,
    nameLine: ({ a }) =>
      Math.abs(a.from.y - a.to.y) < 1 ? { id: 'bottom', name: 'Bottom' } : { id: 'side', name: 'Side' },
  });
  expect(graph.seams.filter(({ kind }) => kind === 'flat')).toHaveLength(1);
  expect(
    graph.seams
      .filter(({ kind }) => kind === 'closing')
      .map(({ line }) => line)
      .sort(),
  ).toEqual(['bottom', 'side']);
});
