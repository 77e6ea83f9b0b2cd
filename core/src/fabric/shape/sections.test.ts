import { describe, expect, test } from 'vitest';
import { countProgram } from '../count/count-program.ts';
import { workedPiece } from './piece.ts';
import { borderPlaces } from './row-lines.ts';
import { sectionHeights, sectionsText } from './section-heights.ts';

const WIDE = { pitch: 6, row: 6, usual: 0.95 };
const NARROW = { pitch: 4, row: 3, usual: 0.95 };
const program = countProgram('ch 58\nRow 1: 58 sc\nRows 2-20: sc across', {
  terms: 'us',
  turning: 'does-not-count',
  usual: 'low',
});
const piece = (...sections: Array<typeof WIDE & { stitches: number }>) => {
  const worked = workedPiece(program, WIDE, 1, sections);
  if (!worked) throw new Error('no rows');
  return worked;
};
const cm = (mm: number) => `${mm / 10} cm`;

describe('sections side by side', () => {
  test('sections as large as the rest change nothing', () => {
    const plain = workedPiece(program, WIDE, 1);
    const split = piece({ ...WIDE, stitches: 30 }, { ...WIDE, stitches: 28 });
    split.outline.forEach((p, i) => {
      expect(p.x).toBeCloseTo(plain?.outline[i]?.x ?? 0, 6);
      expect(p.y).toBeCloseTo(plain?.outline[i]?.y ?? 0, 6);
    });
  });

  test('24 + 10 + 24: as wide as its stitches in their sections, the middle drawn in', () => {
    const worked = piece({ ...WIDE, stitches: 24 }, { ...NARROW, stitches: 10 }, { ...WIDE, stitches: 24 });
    // 24 x 6 + 10 x 4 + 24 x 6: the row is as long, and hangs down a little where it is drawn in.
    const { layer } = worked.rows[9] ?? {};
    expect(layer?.length).toBeCloseTo(328, 6);
    // By itself the middle would be 20 x 3 high, beside it 20 x 6.
    expect(sectionHeights(worked)).toEqual([120, 60, 120].map((height) => expect.closeTo(height, 6)));
    const { laid } = worked;
    const [below, above] = [laid.base, laid.rows.at(-1)?.nodes ?? []];
    const high = (share: number) => {
      const k = Math.round(share * (below.length - 1));
      return (above[k]?.y ?? 0) - (below[k]?.y ?? 0);
    };
    expect(high(0.5)).toBeLessThan(high(0) - 20);
    expect(high(0.5)).toBeGreaterThan(60);
  });

  test('markers stand at the borders in every row, from whichever end it is worked', () => {
    const worked = piece({ ...WIDE, stitches: 20 }, { ...NARROW, stitches: 38 });
    for (const row of worked.rows) {
      expect(row.layer.borders).toEqual([20]);
      const [border] = borderPlaces(row);
      const [from] = row.line;
      // Twenty stitches of 6 mm from the left end, along a row that bends but little.
      expect(
        Math.hypot((border?.x ?? 0) - (from?.x ?? 0), (border?.y ?? 0) - (from?.y ?? 0)),
      ).toBeGreaterThan(100);
      expect(Math.hypot((border?.x ?? 0) - (from?.x ?? 0), (border?.y ?? 0) - (from?.y ?? 0))).toBeLessThan(
        125,
      );
    }
  });

  test('what they do to one another is told, and nothing where they are about as high', () => {
    expect(sectionsText([120, 60, 120], cm)).toBe(
      'Worked by itself section 2 would be 6 cm high, and sections 1 and 3 12 cm: section 2 draws the panel in there, and what lies beside it stands full.',
    );
    expect(sectionsText([100, 97], cm)).toBe('');
    expect(sectionsText([100], cm)).toBe('');
  });
});
