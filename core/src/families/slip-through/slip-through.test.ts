import { describe, expect, test } from 'vitest';
import { cornersOf } from '../../bag/index.ts';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { built } from '../../testing/built.ts';
import type { SlipThrough } from './index.ts';

const keeper: SlipThrough = {
  family: 'slip-through',
  motif: 'm1',
  rounds: 4,
  columns: 3,
  rows: 2,
  short: 2,
  long: 4,
};

describe('slip-through handles', () => {
  test('three columns a face, two rows, handles of two and four: 18 squares', () => {
    const { graph, size, s, j } = built(keeper);
    expect(graph.pieces).toHaveLength(2 * 3 * 2 + 2 + 4);
    // Six columns round close with six joins; the handles do not count for the height.
    expect(size.width).toBeCloseTo(3 * (s + j), 6);
    expect(size.height).toBeCloseTo(2 * s + 1.5 * j, 6);
  });

  test('a handle stands half as high as it is long, on its column in front and behind', () => {
    const { graph, size, s, j } = built(keeper);
    const tops = graph.facets
      .filter(({ face }) => face === 'handle')
      .map(({ piece, motion, outline }) => ({
        left: piece.startsWith('left'),
        top: Math.max(...outline.map(({ y }) => motion.origin.y + y * motion.v.y)),
      }));
    const highest = (left: boolean) =>
      Math.max(...tops.filter((one) => one.left === left).map(({ top }) => top));
    // Each square of a handle takes a join at either end, shared with its neighbour.
    expect(highest(true) - size.height).toBeCloseTo(s + j, 6);
    expect(highest(false) - size.height).toBeCloseTo(2 * (s + j), 6);
  });

  test('the mouth and the outer edge of each handle are three openings', () => {
    const { graph } = built(keeper);
    expect(cornersOf(graph).rims()).toHaveLength(3);
  });

  test('each handle is joined to its column in front while flat, and behind at the end', () => {
    const { graph } = built(keeper);
    const kindOf = (line: string) => graph.seams.find((seam) => seam.line === line)?.kind;
    expect([kindOf('left-foot'), kindOf('right-foot')]).toEqual(['flat', 'flat']);
    expect([kindOf('left-end'), kindOf('right-end')]).toEqual(['closing', 'closing']);
  });
});

describe('a side seam', () => {
  test('ends where a handle begins, so that one yarn works both', () => {
    const plain = testDocument(keeper);
    const { joins } = planOf({ ...plain, joins: { ...plain.joins, school: 'fewest', flatFirst: true } });
    const lines = joins.runs.map(({ passes }) => new Set(passes.map(({ link }) => link.way)));
    expect(lines.some((own) => own.has('side') && (own.has('left-end') || own.has('left-foot')))).toBe(true);
  });

  test('at both sides: each goes on into the end of its handle, and the mouth stays three openings', () => {
    const { graph } = built({ ...keeper, sides: 'both' });
    const ends = cornersOf(graph).ends;
    const touch = (one: string, other: string) => {
      const at = (line: string) =>
        new Set(graph.seams.filter((seam) => seam.line === line).flatMap(({ id }) => ends.get(id) ?? []));
      const [p, q] = [at(one), at(other)];
      return [...p].some((corner) => q.has(corner));
    };
    expect(touch('left-side', 'left-end') && touch('left-side', 'left-foot')).toBe(true);
    expect(touch('right-side', 'right-end') && touch('right-side', 'right-foot')).toBe(true);
    expect(cornersOf(graph).rims()).toHaveLength(3);
  });
});
