import { describe, expect, test } from 'vitest';
import type { BagDocument, BriefMeasure } from '../document/index.ts';
import { sizeTable } from '../fit/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { panel, squares } from '../testing/built.ts';
import { mm } from '../units/index.ts';
import { needsOf, planOf } from './index.ts';

const tapeOf = (document: BagDocument, measure: BriefMeasure) =>
  planOf(document).tapes.find((tape) => tape.measure === measure)?.finished.value ?? Number.NaN;

const wanting = (document: BagDocument, measure: BriefMeasure, more: number): BagDocument => ({
  ...document,
  brief: { [measure]: { value: mm(tapeOf(document, measure) + more), tolerance: 2 } },
});

describe('what a target needs', () => {
  const square = testDocument({ family: 'two-faces', face: squares(3, 3), tuck: 0 });

  test('three squares across and 60 mm short: squares 20 mm larger would fill it', () => {
    const [need] = needsOf(planOf(wanting(square, 'width', 60)));
    const now = sizeTable(square).side('m1', 4).value;
    expect(need?.square?.now).toBeCloseTo(now, 9);
    expect(need?.square?.needed).toBeCloseTo(now + 20, 4);
  });

  test('a square of just that size does fill it, when it is measured', () => {
    const document = wanting(square, 'width', 60);
    const needed = needsOf(planOf(document))[0]?.square?.needed ?? 0;
    const measured = Array.from({ length: 20 }, () => ({ rounds: 4, size: mm(needed) }));
    const larger = { ...document, motifs: document.motifs.map((one) => ({ ...one, measured })) };
    expect(Math.abs(tapeOf(larger, 'width') - (document.brief.width?.value ?? 0))).toBeLessThan(1);
  });

  test('every way tried comes to what it says, and nearer than before', () => {
    for (const more of [-70, -25, -6, 8, 30, 75]) {
      const document = wanting(square, 'height', more);
      const target = document.brief.height?.value ?? 0;
      for (const { ways } of needsOf(planOf(document)))
        for (const way of ways) {
          expect(Math.abs(way.comes - target)).toBeLessThan(Math.abs(more));
          if ('document' in way) expect(tapeOf(way.document, 'height')).toBeCloseTo(way.comes, 6);
        }
    }
  });

  test('a little is blocked, more than a fibre gives is not', () => {
    const by = (more: number) =>
      needsOf(planOf(wanting(square, 'width', more))).flatMap(({ ways }) => ways.map((way) => way.by));
    // Three per cent of squares of 10 cm; 60 mm would be twenty.
    expect(by(9)).toContain('blocking');
    expect(by(60)).not.toContain('blocking');
  });

  test('a panel is told in stitches and rows of its own', () => {
    const plain = testDocument({ family: 'two-faces', face: panel(40, 40), tuck: 0 });
    const { pitch, row } = {
      pitch: sizeTable(plain).pitch('s2').value,
      row: sizeTable(plain).row('s2').value,
    };
    const ways = (measure: BriefMeasure, more: number) =>
      needsOf(planOf(wanting(plain, measure, more)))[0]?.ways;
    expect(ways('width', 5 * pitch)).toMatchObject([{ by: 'stitches', more: 5 }]);
    expect(ways('height', -3 * row)?.find((way) => way.by === 'rows')).toMatchObject({ more: -3 });
  });

  test('what is reached needs nothing', () => {
    expect(needsOf(planOf(wanting(square, 'width', 1)))).toEqual([]);
  });
});
