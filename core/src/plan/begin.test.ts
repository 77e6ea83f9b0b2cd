import { describe, expect, test } from 'vitest';
import { readDocument } from '../document/index.ts';
import { FAMILIES } from '../families/index.ts';
import { mm } from '../units/index.ts';
import { beginConstruction, beginDocument, edited, planned } from './index.ts';

const target = (value: number) => ({ value: mm(value), tolerance: 15 });
const sizes = [
  { width: 320, height: 320, depth: 80 },
  { width: 180, height: 140, depth: 40 },
  { width: 450, height: 380, depth: 120 },
];

describe('a beginning', () => {
  test.each(FAMILIES.map(({ id }) => id))('as %s is a sound bag, whatever size is wished for', (family) => {
    for (const [width, height] of [
      [0.1, 0.1],
      [30, 4000],
      [5000, 5000],
    ] as const) {
      const document = beginDocument({
        name: 'x',
        family,
        brief: { width: target(width), height: target(height) },
      });
      expect(readDocument(JSON.parse(JSON.stringify(document))).ok).toBe(true);
      // Too large a wish is refused in words, never laid on the table.
      const answer = planned(document);
      if (!answer.ok) expect(answer.problem).toMatch(/pieces/);
    }
  });

  test('asks only for what its family can be asked for: what is wished for comes near', () => {
    for (const { id, deep, name } of FAMILIES) {
      for (const { depth, ...size } of sizes) {
        const brief = {
          width: target(size.width),
          height: target(size.height),
          ...(deep ? { depth: target(depth) } : {}),
        };
        const answer = planned(beginDocument({ name, family: id, brief }));
        if (!answer.ok) throw new Error(answer.problem);
        const { tapes, graph } = answer.plan;
        // Whole squares: off by half of one at most, or by half of a panel's depth.
        const squares = graph.pieces.flatMap(({ make, edges }) =>
          make.of === 'motif' ? edges.map(({ length }) => length) : [],
        );
        const slack = Math.max(depth / 2, ...squares.map((side) => side / 2)) + 15;
        for (const { measure, finished, target: own } of tapes)
          if (measure === 'depth' && own)
            expect([name, Math.round(Math.abs(finished.value - own.value)) <= slack]).toEqual([name, true]);
      }
    }
  });

  test('in another family goes through the door, or is refused in a sentence', () => {
    const document = beginDocument({ name: 'x' });
    for (const { id } of FAMILIES) {
      const answer = edited(document, (doc) => ({ ...doc, construction: beginConstruction(doc, id) }));
      expect(answer.ok).toBe(true);
    }
  });
});
