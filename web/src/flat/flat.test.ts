import { beginDocument, FAMILIES, inNet, planOf, taggedSides } from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { frameOf } from './frame.ts';

const plans = FAMILIES.map(({ id }) => planOf(beginDocument({ name: 'x', family: id })));

describe('the net on the screen', () => {
  test('fits into the drawing at any size, with room for rulers, and keeps its proportions', () => {
    for (const plan of plans) {
      for (const size of [
        { width: 560, height: 580 },
        { width: 320, height: 420 },
        { width: 900, height: 300 },
      ]) {
        const { left, top, width, height, px } = frameOf(plan, size);
        expect(width / px).toBeCloseTo(size.width, 6);
        expect(height / px).toBeCloseTo(size.height, 6);
        for (const piece of plan.graph.pieces) {
          for (const corner of piece.outline) {
            const p = inNet(piece, corner);
            expect(p.x).toBeGreaterThanOrEqual(left + 30 * px);
            expect(p.x).toBeLessThanOrEqual(left + width - 20 * px);
            expect(-p.y).toBeGreaterThanOrEqual(top + 30 * px);
            expect(-p.y).toBeLessThanOrEqual(top + height - 20 * px);
          }
        }
      }
    }
  });

  test('every closing line has a letter of its own, once on either side', () => {
    for (const plan of plans) {
      const sides = taggedSides(plan.graph);
      const letters = new Map<string, string[]>();
      for (const { tag, line } of sides) letters.set(tag, [...(letters.get(tag) ?? []), line]);
      for (const lines of letters.values()) {
        expect(lines).toHaveLength(2);
        expect(new Set(lines).size).toBe(1);
      }
    }
  });
});
