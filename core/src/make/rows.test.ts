import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../testing/built.ts';
import { chainFor, type PieceTask, rowsOf, rowWords, tasksOf } from './index.ts';

const plan = planOf(testDocument(facesAndStrip(squares(2, 2), 8)));
const pieceTasks = (own = plan): PieceTask[] => tasksOf(own).filter((task) => task.of === 'pieces');
const called = (begins: string) => {
  const task = pieceTasks().find(({ id }) => id.startsWith(begins));
  if (!task) throw new Error(`there is no ${begins}`);
  return task;
};

describe('rows of a task', () => {
  test('are as many as the task has, counted from 1, and a change of colour is another yarn than before', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok) return;
        for (const task of pieceTasks(made.plan)) {
          const rows = rowsOf(made.plan, task);
          expect(rows.map(({ number }) => number)).toEqual(
            Array.from({ length: task.rows }, (_, i) => i + 1),
          );
          rows.forEach(({ yarn, changes }, i) => {
            expect(changes).toBe(i > 0 && rows[i - 1]?.yarn !== yarn);
            expect(document.yarns.some(({ id }) => id === yarn)).toBe(true);
          });
        }
      }),
      { numRuns: 60 },
    );
  });

  test('have the stitches that the yarn of their piece is reckoned by', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok || made.plan.joins.school === 'as-you-go') return;
        const { uses } = made.plan.tally.effort;
        for (const task of pieceTasks(made.plan)) {
          const rows = rowsOf(made.plan, task);
          if (task.pieces.length === 0 || rows.some(({ stitches }) => stitches === undefined)) continue;
          const own = uses.filter(
            ({ part, step }) => (part === 'motifs' || part === 'panels') && step.pieces[0] === task.pieces[0],
          );
          // Written rows and fabrics have chains among their tops, which their yarn is reckoned by otherwise.
          if (document.panels?.length || document.fabrics?.length) continue;
          const reckoned = own.reduce((sum, { stitches }) => sum + stitches, 0) / task.many;
          const counted = rows.reduce((sum, { stitches = 0 }) => sum + stitches, 0);
          expect(Math.abs(counted - reckoned)).toBeLessThanOrEqual(1);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('of a square in clusters, by hand', () => {
    // Four clusters of three in the ring; each round has one more cluster a side: 12, 24, 36, 48.
    const rows = rowsOf(plan, called('motif/'));
    expect(rows.map(({ stitches }) => stitches)).toEqual([12, 24, 36, 48].slice(0, rows.length));
    expect(rowWords(rows[0] ?? fail(), 'us')).toMatch(/^\(3 dc in ring, ch \d\) x4$/);
    expect(rowWords(rows[0] ?? fail(), 'uk')).toMatch(/^\(3 tr in ring, ch \d\) x4$/);
  });

  test('of a strip are all alike, with its corners where the plan has them, each once for both of its edges', () => {
    const task = called('panel/strip');
    const rows = rowsOf(plan, task);
    const corners = rows
      .filter(({ marks }) => marks.some(({ is }) => is === 'corner'))
      .map(({ number }) => number);
    const [edge] = plan.marked.filter(({ piece }) => piece === 'strip');
    expect(corners).toEqual(edge?.marks.filter(({ kind }) => kind === 'corner').map(({ count }) => count));
    // Two faces of two columns and rows: down, along, up. The corners lie a third and two thirds along.
    expect(corners).toHaveLength(2);
    expect(corners[0]).toBe(Math.round(task.rows / 3));
    for (const { marks } of rows) expect(new Set(marks.map(({ is }) => is)).size).toBe(marks.length);
    const [first] = rows;
    expect(rowWords(first ?? fail(), 'us')).toBe(
      `${first?.stitches} ${{ low: 'sc', mid: 'hdc', tall: 'dc', high: 'tr' }[first?.stitch ?? 'low']}`,
    );
  });

  test('a panel is begun on a chain, a square is not', () => {
    const strip = called('panel/strip');
    const chain = chainFor(plan, strip);
    const [first] = rowsOf(plan, strip);
    // One chain a stitch, and what the first stitch is high; an opening chain that counts saves one.
    expect(chain?.chains).toBeGreaterThanOrEqual(first?.stitches ?? 0);
    expect(chainFor(plan, called('motif/'))).toBeUndefined();
  });
});

function fail(): never {
  throw new Error('there are rows');
}
