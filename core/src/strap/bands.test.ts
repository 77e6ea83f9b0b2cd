import { describe, expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { panel, squares } from '../testing/built.ts';

const body = { family: 'two-faces', face: squares(3, 3), tuck: 0 } as const;
const bandsOf = (worn: Parameters<typeof pack>[0]) => planOf(testDocument(pack(worn))).bands;
const pack = (
  worn:
    | { on: 'back'; strap: number; middle?: number; wide?: number; swatch?: string }
    | { on: 'waist'; belt: number; holes: number },
) => ({
  family: 'pack' as const,
  body,
  worn: worn.on === 'back' ? { flap: panel(10, 30), eyelets: 16, ...worn } : worn,
});

describe('the straps of a pack', () => {
  test('are one long strap: its marks leave the same on both sides of the middle', () => {
    const [band] = bandsOf({ on: 'back', strap: 620, middle: 12, wide: 6, swatch: 's2' });
    if (!band) throw new Error('a pack has a strap');
    // Two of 620 are eleven twelfths of it: 1352.7 mm, worked 8 % shorter in rows of 5.5: 227.7.
    expect(band.band.length).toBeCloseTo((2 * 620 * 12) / 11, 6);
    expect(band.rows).toBe(228);
    const [begins, ends] = band.marks.map(({ row }) => row);
    expect(begins).toBe(band.rows - (ends ?? 0));
    // A twelfth are 19 rows; 18 or 20 leave even halves.
    expect((ends ?? 0) - (begins ?? 0)).toBeGreaterThanOrEqual(18);
    expect((ends ?? 0) - (begins ?? 0)).toBeLessThanOrEqual(20);
    expect(band.band.wide).toBe(6);
  });

  test('are sewn on by counts from both sides of the back, the loops under the flap counted too', () => {
    const [band] = bandsOf({ on: 'back', strap: 620 });
    const seat = band?.seat;
    if (!seat) throw new Error('its middle is sewn to the rim');
    expect(2 * seat.fromSide + seat.under).toBe(seat.loops);
    expect(Number.isInteger(seat.fromSide)).toBe(true);
    // Three squares of 14 loops and their two joins, whatever of them the flap takes.
    expect(seat.loops).toBe(44);
  });

  test('a belt has its holes where it says, each shortening it by their distance', () => {
    const belt = (holes: number) => bandsOf({ on: 'waist', belt: 900, holes });
    const [button, five] = belt(5);
    expect(button?.marks).toEqual([]);
    const rows = five?.marks.map(({ row }) => row) ?? [];
    expect(rows).toHaveLength(5);
    expect(rows[0]).toBe(3);
    const apart = (rows[1] ?? 0) - 3;
    expect(rows).toEqual([0, 1, 2, 3, 4].map((i) => 3 + i * apart));
    expect(five?.shorter[4]).toBeCloseTo((4 * apart * (five?.hanging ?? 0)) / (five?.rows ?? 1), 6);
    expect(belt(9)[1]?.marks).toHaveLength(9);
  });

  test('take yarn and stitches, and a step of their own', () => {
    const plan = planOf(testDocument(pack({ on: 'back', strap: 620, wide: 6, swatch: 's2' })));
    const straps = plan.tally.effort.parts.find(({ part }) => part === 'straps');
    expect(straps?.stitches).toBe(228 * 6);
  });
});
