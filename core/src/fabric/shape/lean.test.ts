import { describe, expect, test } from 'vitest';
import { countProgram } from '../count/count-program.ts';
import { leanOf, leanText } from './lean.ts';
import { workedPiece } from './piece.ts';

/** Stitches and rows of 5 mm. */
const lean = (rows: string) => {
  const program = countProgram(rows, { terms: 'us', turning: 'does-not-count', usual: 'low' });
  expect(program.problems).toEqual([]);
  const piece = workedPiece(program, { pitch: 5, row: 5, usual: 0.95 }, 1);
  return piece && leanOf(piece);
};
const cm = (mm: number) => `${(mm / 10).toFixed(0)} cm`;

describe('how a panel leans', () => {
  test('a rectangle does not, nor what widens alike on both sides', () => {
    for (const rows of [
      'ch 20\nRow 1: 20 sc\nRows 2-12: sc across',
      'ch 20\nRow 1: 20 sc\nRows 2-9: inc, sc to last st, inc',
    ]) {
      const own = lean(rows);
      expect(own && leanText(own, cm)).toBe('');
      expect(own?.uneven).toBeLessThan(3);
    }
  });

  test('one stitch taken at one end and given at the other every second row moves it half a stitch a row', () => {
    // Every row is turned: what is taken at the beginning of odd rows and given at their end goes all to one side.
    const rows = Array.from({ length: 20 }, (_, k) =>
      k % 2 === 0 ? `Row ${k + 2}: sc across` : `Row ${k + 2}: dec, sc to last st, inc`,
    );
    const own = lean(['ch 24', 'Row 1: 24 sc', ...rows].join('\n'));
    // Ten times a stitch of 5 mm, to one side or the other.
    expect(Math.abs(own?.right ?? 0)).toBeGreaterThan(35);
    expect(Math.abs(own?.right ?? 0)).toBeLessThan(55);
    expect(own && leanText(own, cm)).toMatch(/^It leans: its last row lies \d cm to the (?:left|right)\./);
  });

  test('the same rows seen from behind lean to the other side', () => {
    const shaped = (own: string) =>
      lean(
        [
          'ch 24',
          'Row 1: 24 sc',
          ...Array.from({ length: 9 }, (_, k) => `Row ${k + 2}: ${k % 2 === 0 ? own : 'sc across'}`),
        ].join('\n'),
      );
    const [one, other] = [shaped('dec, sc to last st, inc'), shaped('inc, sc to last 2 sts, dec')];
    expect((one?.right ?? 0) + (other?.right ?? 0)).toBeCloseTo(0, 0);
    expect(Math.abs(one?.right ?? 0)).toBeGreaterThan(10);
  });

  test('what is worked round, or from a ring, has no side to lean to', () => {
    expect(lean('Round 1: 6 sc in ring\nRound 2: inc x6\nRound 3: (sc, inc) x6')).toBeUndefined();
  });
});
