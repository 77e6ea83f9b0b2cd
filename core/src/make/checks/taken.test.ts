import { describe, expect, test } from 'vitest';
import type { BagDocument, Swatch } from '../../document/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../../testing/built.ts';
import { mm } from '../../units/index.ts';
import type { Measured } from '../index.ts';
import { withMeasured } from './index.ts';

const base = testDocument(facesAndStrip(squares(2, 2), 8));
const [first] = base.swatches;
const [motif] = base.motifs;
if (!first || !motif) throw new Error('the test bag has a swatch and a motif');
const withSwatch = (more: Partial<Swatch>): BagDocument => ({
  ...base,
  swatches: [{ ...first, ...more }, ...base.swatches.slice(1)],
});
const rows = (count: number): Measured => ({ of: 'rows', task: 'panel/strip', swatch: first.id, count });
const rowsOf = (document: BagDocument) => document.swatches[0]?.rows;

describe('rows that are measured in a piece', () => {
  test('are pooled with the swatch: 20 in 110 mm and 10 in 50 mm are 30 in 160', () => {
    const document = withSwatch({ rows: { count: 20, length: mm(110) } });
    expect(rowsOf(withMeasured(document, rows(10), 50))).toEqual({ count: 30, length: 160 });
  });

  test('take the place of what the same piece said when it was shorter', () => {
    // 20 in 110 of the swatch and 10 in 50 of the piece; the piece has 40 in 204 now: 60 in 314, not 70 in 364.
    const document = withSwatch({ rows: { count: 30, length: mm(160) } });
    const next = withMeasured(document, rows(40), 204, { count: 10, length: 50 });
    expect(rowsOf(next)).toEqual({ count: 60, length: 314 });
  });

  test('of a piece alone stay of that piece alone', () => {
    const document = withSwatch({ rows: { count: 10, length: mm(50) } });
    expect(rowsOf(withMeasured(document, rows(40), 204, { count: 10, length: 50 }))).toEqual({
      count: 40,
      length: 204,
    });
  });

  test('where the swatch was counted anew since, nothing is taken out of it', () => {
    const document = withSwatch({ rows: { count: 8, length: mm(44) } });
    expect(rowsOf(withMeasured(document, rows(40), 204, { count: 10, length: 50 }))).toEqual({
      count: 48,
      length: 248,
    });
  });

  test('with another hook the swatch says nothing of them; more than anybody counts is nothing', () => {
    const other = withSwatch({ rows: { count: 20, length: mm(110), hook: first.hook + 1 } });
    expect(rowsOf(withMeasured(other, rows(10), 50))).toEqual({ count: 10, length: 50 });
    expect(withMeasured(base, rows(501), 2500)).toBe(base);
  });

  test('a swatch that was pinned out is not told by a piece that was not', () => {
    const count = (length: number) => ({ count: 20, length: mm(length) });
    const blocked = withSwatch({
      rows: count(100),
      blocked: { stitches: count(100), rows: count(104) },
    });
    expect(withMeasured(blocked, rows(10), 50)).toBe(blocked);
  });
});

describe('a motif that is measured', () => {
  const square = (blocked: boolean): Measured => ({ of: 'motif', motif: motif.id, rounds: 4, blocked });
  const measuredOf = (document: BagDocument) => document.motifs[0]?.measured;

  test('stands beside the others; after blocking beside itself', () => {
    const once = withMeasured({ ...base, motifs: [{ ...motif, measured: [] }] }, square(false), 96);
    expect(measuredOf(once)).toEqual([{ rounds: 4, size: 96 }]);
    expect(measuredOf(withMeasured(once, square(true), 100))).toEqual([
      { rounds: 4, size: 96, blocked: 100 },
    ]);
  });

  test('that was not measured before it was blocked is known as blocked alone', () => {
    const none = { ...base, motifs: [{ ...motif, measured: [] }] };
    expect(measuredOf(withMeasured(none, square(true), 100))).toEqual([
      { rounds: 4, size: 100, blocked: 100 },
    ]);
  });
});

test('a row of joined squares says what a join adds; a tape of the bag changes nothing', () => {
  const next = withMeasured(base, { of: 'joined', motif: motif.id, rounds: 4, motifs: 3 }, 306);
  expect(next.joins.measuredStrip).toEqual({ motif: motif.id, rounds: 4, motifs: 3, length: 306 });
  expect(withMeasured(base, { of: 'tape', measure: 'width' }, 250)).toBe(base);
});
