import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seamsRound } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { freeAfter, passEnd, passStart } from './index.ts';

const long = (construction: Construction) => {
  const document = testDocument(construction);
  return planOf({ ...document, joins: { ...document.joins, school: 'long' } });
};
const linesOf = (plan: ReturnType<typeof long>) =>
  plan.joins.runs.map(({ passes }) => [...new Set(passes.map(({ link }) => link.way))]);

describe('long seams', () => {
  test('of a tube of six columns and three rows: by hand', () => {
    const plan = long({
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 },
    });
    // Two rings round the tube; the two lines between the three columns of the front go on up the back; and one side goes
    // down, along the bottom and up the other side.
    expect(plan.joins.runs).toHaveLength(5);
    const through = linesOf(plan).find((lines) => lines.includes('bottom'));
    expect(through).toHaveLength(3);
    expect(through).toContain('side');
    const rings = plan.joins.runs.filter(({ passes }) => {
      const [first, last] = [passes[0], passes.at(-1)];
      return first && last && passStart(first) === passEnd(last);
    });
    expect(rings.map(({ passes }) => passes.length)).toEqual([6, 6]);
  });

  test('of a pinwheel go over the closing seams from wing to wing, and are fewer than line by line', () => {
    const wheel: Construction = { family: 'pinwheel', motif: 'm1', rounds: 4, wings: [3, 3, 3, 3] };
    const plan = long(wheel);
    const document = testDocument(wheel);
    const lines = planOf({ ...document, joins: { ...document.joins, school: 'lines' } });
    expect(plan.joins.runs.length).toBeLessThan(lines.joins.runs.length);
    // A line between the squares of one wing goes on over the closing seam into a line of the next.
    expect(linesOf(plan).some((own) => own.length > 1)).toBe(true);
  });

  test('go straight on: whatever meets whatever, no run ends where another of its line goes on', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { joins, fewestRuns, graph } = long(construction);
        expect(joins.flatFirst).toBe(false);
        expect(joins.runs.length).toBeGreaterThanOrEqual(fewestRuns());
        const rounds = seamsRound(graph);
        const joined = new Set(joins.runs.flatMap(({ passes }) => passes.map(({ link }) => link.id)));
        /** Seams that one run works one after the other, a ring's last and first as well. */
        const inRow = new Set(
          joins.runs.flatMap(({ passes }) => {
            const [first, last] = [passes[0], passes.at(-1)];
            const ring = first && last && passStart(first) === passEnd(last) ? [first] : [];
            const round = [...passes, ...ring].map(({ link }) => link.id);
            return round.slice(1).flatMap((id, k) => [`${round[k]} ${id}`, `${id} ${round[k]}`]);
          }),
        );
        for (const round of rounds) {
          const own = round.ends.filter(({ seam }) => joined.has(seam.id));
          // By trying all: at a crossing of four at right angles each is worked into the one across.
          if (own.length !== 4 || round.ends.length !== 4 || !round.closed) continue;
          const even = own.every(
            (one, i) => Math.abs(one.at - (own[0]?.at ?? 0) - (i * round.all) / 4) < 1e-3,
          );
          if (!even) continue;
          for (const k of [0, 1]) {
            const [a, b] = [own[k]?.seam.id ?? '', own[k + 2]?.seam.id ?? ''];
            if (a === b) continue;
            expect(inRow.has(`${a} ${b}`)).toBe(true);
          }
        }
      }),
      { numRuns: 120 },
    );
  });

  test('leave free what they have not touched, less with each run, and nothing at the end', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { joins, graph } = long(construction);
        const free = freeAfter(joins, graph.pieces).map((pieces) => pieces.length);
        free.forEach((many, i) => {
          expect(many).toBeLessThanOrEqual(free[i - 1] ?? graph.pieces.length);
        });
        const joined = new Set(
          graph.seams.filter(({ kind }) => kind !== 'grown').flatMap(({ a, b }) => [a.piece, b.piece]),
        );
        if (free.length > 0) expect(free.at(-1)).toBe(graph.pieces.length - joined.size);
      }),
      { numRuns: 60 },
    );
  });
});
