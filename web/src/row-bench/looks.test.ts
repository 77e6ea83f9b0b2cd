import { area, countedPanel, type WorkedPiece } from '@fennot/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bentPart } from './flatness-paint.ts';
import { shapeOf } from './shape.ts';
import { WHOLE, zoomed } from './use-zoom.ts';

const SIZES = { sizes: { pitch: 6, row: 5.7, usual: 0.95 }, rowEndRate: 1, sections: [] };
const shape = (rows: string): WorkedPiece => {
  const piece = shapeOf({
    written: { rows, terms: 'us' },
    stitch: 'low',
    turning: 'does-not-count',
    sizes: SIZES,
  });
  if (!piece) throw new Error('no rows');
  return piece;
};

describe('a drawing looked at from near', () => {
  const at = fc.record({
    x: fc.double({ min: -300, max: 300, noNaN: true }),
    y: fc.double({ min: -300, max: 300, noNaN: true }),
  });

  test('what lies under the pointer stays there', () => {
    fc.assert(
      fc.property(at, at, fc.double({ min: 1.1, max: 5, noNaN: true }), (place, moved, by) => {
        const before = { scale: 2, x: moved.x, y: moved.y };
        const after = zoomed(before, by, place);
        // A place of the drawing, before and after.
        const p = { x: (place.x - before.x) / before.scale, y: (place.y - before.y) / before.scale };
        expect(p.x * after.scale + after.x).toBeCloseTo(place.x, 6);
        expect(p.y * after.scale + after.y).toBeCloseTo(place.y, 6);
      }),
    );
  });

  test('never farther than all of it, and then from the middle', () => {
    expect(zoomed({ scale: 1.2, x: 40, y: -9 }, 0.5, { x: 100, y: 100 })).toEqual(WHOLE);
    expect(zoomed(WHOLE, 1e9, { x: 0, y: 0 }).scale).toBeLessThan(100);
  });
});

describe('what does not lie flat, on the drawing', () => {
  test('a panel that lies flat has no such part', () => {
    expect(bentPart(shape('ch 20\nRow 1: 20 sc\nRows 2-12: sc across'))).toEqual([]);
  });

  test('of a cupped disc it is the ring from where that begins to the rim', () => {
    const piece = shape(
      'Round 1: 6 sc in ring\nRound 2: inc around\nRound 3: (sc, inc) around\nRounds 4-12: sc around',
    );
    if (piece.flatness.lies === 'flat') throw new Error('it cups');
    const [rim = [], inner = []] = bentPart(piece);
    expect(Math.abs(area(rim))).toBeCloseTo(Math.abs(area(piece.outline)), 6);
    expect(Math.abs(area(inner))).toBeLessThan(Math.abs(area(rim)) / 4);
  });
});

test('a shape that is asked for is the one that is counted', () => {
  const rows = 'ch 12\nRow 1: 12 sc\nRow 2: inc, sc to last 1, inc';
  const piece = shape(rows);
  const counted = countedPanel({ rows, terms: 'us' }, { stitch: 'low', turning: 'does-not-count' });
  expect(piece.rows.map(({ layer }) => layer.many)).toEqual(counted.rows.map(({ makes }) => makes));
  const fabric = shapeOf({
    written: { rows: 'Row 1: sc across\nRow 2: (dc, sc) to end', terms: 'us' },
    stitch: 'low',
    turning: 'does-not-count',
    sizes: SIZES,
    shown: { stitches: 16, rows: 4 },
  });
  expect(fabric?.rows.map(({ layer }) => layer.many)).toEqual([16, 16, 16, 16]);
});
