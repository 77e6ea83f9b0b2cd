import { describe, expect, test } from 'vitest';
import { countProgram } from '../count/count-program.ts';
import { halfDisc, writeRows } from '../generate/rows.ts';
import { fanOf, fanText } from './fan.ts';
import { layersOf } from './layers.ts';

/** Stitches 6 mm wide, low rows 5.7 mm high. */
const fan = (text: string) => {
  const { rows, problems } = countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'low' });
  expect(problems).toEqual([]);
  return fanOf(
    layersOf(rows, rows[0]?.available === 0 ? 0 : 20, { pitch: 6, row: 5.7, usual: 0.95 }),
    rows[0]?.available === 0 ? 0 : 120,
  );
};
const half = (more: number) =>
  writeRows(
    halfDisc(Math.max(3, more), more, 10, 'low') ?? { onto: 'ring', first: 0, rows: [] },
    1,
    'us',
    'Row',
  );

describe('a fan', () => {
  test('by hand: 3 more a row of 6 mm over 5.7 mm are 18 / 5.7 radians, 181 degrees: a half disc', () => {
    expect(fan(half(3))?.angle).toBeCloseTo((18 / 5.7 / Math.PI) * 180, 6);
    expect(fanText(fan(half(3)) ?? { angle: 0, more: 0, half: 0 })).toBe(
      'It opens by half a turn: a half disc.',
    );
  });

  test('4 more a row open farther; a half disc would take π × 5.7 / 6 = 2.98', () => {
    const four = fan(half(4));
    expect(four?.angle).toBeCloseTo((24 / 5.7 / Math.PI) * 180, 6);
    expect(four && fanText(four)).toBe(
      'It opens by 241°, which is a fan and no half disc: with 3.0 more a row, where it has 4, it would be one.',
    );
  });

  test('a last row of shells, as long as the one before it, is no part of how it grows', () => {
    const shells = `${half(3)}\nRow 11: sc across`;
    expect(fan(shells)?.angle).toBeCloseTo(fan(half(3))?.angle ?? 0, 9);
  });

  test('what stands on a chain, or is worked round, is none', () => {
    expect(fan('ch 20\nRow 1: 20 sc\nRow 2: inc, sc across\nRow 3: sc across')).toBeUndefined();
    expect(fan('Round 1: 6 sc in ring\nRound 2: inc around\nRound 3: (sc, inc) around')).toBeUndefined();
  });
});
