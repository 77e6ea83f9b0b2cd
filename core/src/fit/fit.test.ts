import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { plans } from '../testing/plans.ts';
import { mm } from '../units/index.ts';
import { tapeOf } from './index.ts';

const threeAcross = (measured: number[], columns = 3): BagDocument => {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'panels',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns, rows: 3 },
  });
  return {
    ...document,
    motifs: document.motifs.map((motif) => ({
      ...motif,
      measured: measured.map((size) => ({ rounds: 4, size: mm(size) })),
    })),
  };
};
const width = (document: BagDocument) => {
  const tape = planOf(document).tapes[0];
  if (!tape) throw new Error('no tape');
  return tape.finished;
};
const spread = (document: BagDocument) => {
  const { low, high } = width(document).range;
  return high - low;
};

describe('finished size with both kinds of error', () => {
  test('3 across: nine measured motifs give a visibly narrower range than one', () => {
    // One measured: var = 9 c + 3 s with c about s; nine: c about s / 9. sqrt(12) against sqrt(4): 1.7 times.
    const one = spread(threeAcross([100]));
    const nine = spread(threeAcross([101, 99, 100, 102, 98, 100, 100, 99, 101]));
    expect(one / nine).toBeGreaterThan(1.5);
    expect(one).toBeGreaterThan(15);
  });

  test('an unmeasured motif has the widest range, and says it is estimated', () => {
    expect(spread(threeAcross([]))).toBeGreaterThan(1.5 * spread(threeAcross([100])));
    expect(planOf(threeAcross([])).sizes.map(({ origin }) => origin)).toContain('estimated');
  });

  test('the common error grows with the number across, the single error with its root', () => {
    // c = S's own error, s = piece to piece. Twice as many across: sqrt((4 * 9 c + 2 * 3 s) / (9 c + 3 s)).
    const three = width(threeAcross([100], 3));
    const six = width(threeAcross([100], 6));
    const plan = planOf(threeAcross([100], 3));
    const motif = plan.sizes.find(({ what }) => what.of === 'motif');
    const join = plan.sizes.find(({ what }) => what.of === 'join');
    if (!motif || !join) throw new Error('sizes are missing');
    // Three squares and, with both side seams, three joins.
    const byHand = 9 * motif.common ** 2 + 3 * motif.single ** 2 + 9 * join.common ** 2;
    expect(three.sd).toBeCloseTo(Math.sqrt(byHand), 6);
    expect(six.sd).toBeGreaterThan(three.sd * Math.SQRT2);
    expect(six.sd).toBeLessThan(three.sd * 2);
  });

  test('a measured strip takes the place of the table’s join', () => {
    const document = threeAcross([100, 100, 100]);
    const measured: BagDocument = {
      ...document,
      joins: { ...document.joins, measuredStrip: { motif: 'm1', rounds: 4, motifs: 4, length: mm(412) } },
    };
    const join = planOf(measured).sizes.find(({ what }) => what.of === 'join');
    const side = planOf(measured).sizes.find(({ what }) => what.of === 'motif')?.value ?? 0;
    // 4 S + 3 j = 412.
    expect(join?.value).toBeCloseTo((412 - 4 * side) / 3, 6);
    expect(join?.origin).toBe('measured');
  });

  test('for any bag the range holds the value, and its reasons add up', () => {
    fc.assert(
      fc.property(plans, ({ tapes }) => {
        for (const { finished } of tapes) {
          expect(finished.range.low).toBeLessThanOrEqual(finished.value);
          expect(finished.range.high).toBeGreaterThanOrEqual(finished.value);
          const shares = finished.because.reduce((sum, { share }) => sum + share, 0);
          if (finished.sd > 1e-3) expect(shares).toBeCloseTo(1, 6);
        }
      }),
      { numRuns: 60 },
    );
  });
});

test('a tape’s verdict: reached, likely, under, over', () => {
  const at = (value: number, sd: number) => ({
    value,
    sd,
    range: { low: value - 1.645 * sd, high: value + 1.645 * sd },
    because: [],
  });
  const target = { value: mm(340), tolerance: 10 };
  expect(tapeOf('width', at(342, 3), target).verdict).toBe('reached');
  expect(tapeOf('width', at(342, 8), target).verdict).toBe('likely');
  expect(tapeOf('width', at(329, 8), target).verdict).toBe('under');
  expect(tapeOf('width', at(351, 1), target).verdict).toBe('over');
  expect(tapeOf('width', at(351, 1), undefined).verdict).toBe('no target');
});
