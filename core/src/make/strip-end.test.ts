import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../testing/built.ts';
import { alongFace, type PieceTask, tasksOf } from './index.ts';

const plan = planOf(testDocument(facesAndStrip(squares(2, 2), 8)));
const pieces = (begins: string) => {
  const task = tasksOf(plan).find(
    (one): one is PieceTask => one.of === 'pieces' && one.id.startsWith(begins),
  );
  if (!task) throw new Error(`there is no ${begins}`);
  return task;
};
const strip = pieces('panel/');
const at = (marks: readonly number[], rows = 0) => alongFace(plan, strip, { marks, rows });

describe('a strip along its face', () => {
  test('before its first corner nothing is known of its end', () => {
    expect(at([])).toMatchObject({ planned: strip.rows, came: [], predicted: undefined });
    expect(at([])?.corners).toHaveLength(2);
  });

  test('a corner that comes as planned leaves the end where it is; a third later makes it a third longer', () => {
    const [first = 0, second = 0] = at([])?.corners ?? [];
    expect(at([first])?.predicted).toBe(strip.rows);
    expect(at([first, second])?.predicted).toBe(strip.rows);
    // Its corners lie at a third and two thirds of the way; of 30 rows instead of 27, say, a ninth more in all.
    const later = Math.round((first * 4) / 3);
    expect(at([later])?.predicted).toBe(Math.round((strip.rows * later) / first));
    // The second says it better than the first.
    expect(at([later, second])?.predicted).toBe(strip.rows);
  });

  test('later corners never make it shorter, and it never has fewer rows than are worked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 0, max: 40 }),
        fc.nat(600),
        (row, more, rows) => {
          const [one, other] = [at([row], rows)?.predicted ?? 0, at([row + more], rows)?.predicted ?? 0];
          expect(other).toBeGreaterThanOrEqual(one);
          expect(one).toBeGreaterThanOrEqual(rows);
          expect(Number.isInteger(one)).toBe(true);
        },
      ),
    );
  });

  test('markers beyond its corners are none of them; a square has none', () => {
    const [first = 0, second = 0] = at([])?.corners ?? [];
    expect(at([first, second, second + 5])).toMatchObject({ came: [first, second], predicted: strip.rows });
    expect(alongFace(plan, pieces('motif/'), { marks: [], rows: 0 })).toBeUndefined();
  });
});
