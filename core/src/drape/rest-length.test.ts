import { describe, expect, test } from 'vitest';
import { built, panel } from '../testing/built.ts';
import { type TakenIn, takenIn, takenLength } from './take-in.ts';

/** The upper edge of a sheet 200 wide, worked together to half, felt 80 down. */
const top: TakenIn = {
  sheet: 'body',
  start: { x: 200, y: 100 },
  along: { x: -1, y: 0 },
  length: 200,
  inward: { x: 0, y: -1 },
  share: 0.5,
  reach: 80,
};
const p = (x: number, y: number) => ({ x, y });

describe('threads that are gathered', () => {
  test('at the edge a thread along it is halved, one across it keeps its length', () => {
    expect(takenLength([top], 'body', p(90, 100), p(110, 100))).toBeCloseTo(10, 9);
    expect(takenLength([top], 'body', p(100, 100), p(100, 100 - 1e-9))).toBeCloseTo(1e-9, 12);
  });

  test('half way in it loses half as much, beyond the reach nothing', () => {
    // 40 of 80 in: a quarter is lost.
    expect(takenLength([top], 'body', p(90, 60), p(110, 60))).toBeCloseTo(15, 9);
    expect(takenLength([top], 'body', p(90, 10), p(110, 10))).toBeCloseTo(20, 9);
  });

  test('a slanting thread loses only what runs along the edge', () => {
    const from = p(90, 95);
    const to = p(110, 105);
    // Its middle lies on the edge: 20 along becomes 10, the 10 across stay.
    expect(takenLength([top], 'body', from, to)).toBeCloseTo(Math.hypot(10, 10), 9);
  });

  test('two gathered edges at a corner take in both ways, whichever comes first', () => {
    const side: TakenIn = {
      ...top,
      start: p(0, 100),
      along: p(0, -1),
      length: 100,
      inward: p(1, 0),
    };
    const diagonal = [p(0, 90), p(10, 100)] as const;
    const both = takenLength([top, side], 'body', ...diagonal);
    expect(takenLength([side, top], 'body', ...diagonal)).toBeCloseTo(both, 9);
    expect(both).toBeLessThan(takenLength([top], 'body', ...diagonal));
  });

  test('another sheet, and what lies beside the edge, is left alone', () => {
    expect(takenLength([top], 'band', p(90, 100), p(110, 100))).toBeCloseTo(20, 9);
    expect(takenLength([top], 'body', p(300, 100), p(320, 100))).toBeCloseTo(20, 9);
  });
});

describe('finding what is gathered', () => {
  const purse = (sides?: number) =>
    built({
      family: 'gathered',
      body: panel(40, 80),
      together: 2,
      band: { swatch: 's2', rows: 4 },
      slit: 0,
      ...(sides === undefined ? {} : { sides }),
    });

  test('both ends of a purse, halved, felt into the fabric', () => {
    const { graph, w, j } = purse();
    const found = takenIn(graph);
    expect(found).toHaveLength(2);
    for (const { share, length, sheet, inward } of found) {
      // 40 stitches and their joins are taken in onto 20.
      expect(share).toBeCloseTo((20 * w) / (40 * w + j), 9);
      expect(length).toBeCloseTo(40 * w + j, 6);
      expect(sheet).toBe('body');
      // The front's end looks down into the sheet, the back's end up.
      expect(Math.abs(inward.y)).toBeCloseTo(1, 9);
    }
    expect(found.map(({ inward }) => Math.sign(inward.y)).sort()).toEqual([-1, 1]);
  });

  test('and four stretches of its sides when they are drawn in, too', () => {
    const found = takenIn(purse(2).graph);
    expect(found).toHaveLength(6);
    const sides = found.filter(({ along }) => Math.abs(along.y) > 0.5);
    expect(sides.map(({ inward }) => Math.sign(inward.x)).sort()).toEqual([-1, -1, 1, 1]);
  });

  test('a seam that only eases a little is no gathering', () => {
    const { graph } = built({
      family: 'faces-and-strip',
      face: panel(40, 40),
      strip: {
        swatch: 's2',
        worked: 'across',
        depth: 8,
        length: { by: 'count', count: 110 },
        multiple: { multiple: 1, extra: 0 },
      },
    });
    expect(takenIn(graph)).toEqual([]);
  });
});
