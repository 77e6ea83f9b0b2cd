import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STITCHES } from '../../stitches/index.ts';
import { countProgram } from '../count/count-program.ts';
import { goesOnIn, grant, type Wish } from './wish.ts';

const count = (text: string, terms: 'us' | 'uk' = 'us') =>
  countProgram(text, { terms, turning: 'does-not-count', usual: 'low' });
const BEGUN = 'ch 24\nRow 1: 24 sc\nRow 2: 24 sc';

const whole = (min: number, max: number) => fc.integer({ min, max });
const wishes: fc.Arbitrary<Wish> = fc.oneof(
  fc.record({
    of: fc.constant('to' as const),
    stitches: whole(1, 90),
    rows: whole(1, 30),
    where: fc.constantFrom('spread' as const, 'edges' as const),
  }),
  fc.record({ of: fc.constant('straight' as const), rows: whole(1, 40) }),
  fc.record({ of: fc.constant('disc' as const), more: whole(3, 16), rounds: whole(1, 12) }),
  fc.record({
    of: fc.constant('half-disc' as const),
    first: whole(2, 30),
    more: whole(0, 12),
    rows: whole(1, 12),
  }),
  fc.record({ of: fc.constant('shells' as const), each: whole(2, 9), gap: whole(0, 4) }),
  fc.record({ of: fc.constant('handle' as const), chains: whole(1, 30) }),
  fc.record({ of: fc.constant('eyelets' as const), holes: whole(1, 15) }),
  fc.record({
    of: fc.constant('edge' as const),
    along: fc.constantFrom('round' as const, 'left' as const, 'right' as const, 'both' as const),
    beside: whole(1, 5),
    perRows: whole(1, 3),
    corner: whole(1, 4),
  }),
);

describe('rows that are written for a maker', () => {
  test('property: come out where they are put, in both terms and any stitch', () => {
    fc.assert(
      fc.property(
        wishes,
        fc.constantFrom('us' as const, 'uk' as const),
        fc.constantFrom(...STITCHES),
        (wish, terms, stitch) => {
          const ring = wish.of === 'disc' || wish.of === 'half-disc';
          const begun = ring ? '' : terms === 'us' ? BEGUN : BEGUN.replaceAll('sc', 'dc');
          const granted = grant(wish, count(begun, terms), stitch);
          if (!granted.ok) {
            expect(granted.problem).not.toBe('');
            return;
          }
          const after = count(`${begun}\n${granted.text}`, terms);
          expect(after.problems).toEqual([]);
          const many = after.rows.length - (ring ? 0 : 2);
          if (wish.of === 'edge') {
            // What stands below is the sum that is told.
            expect(many).toBe(0);
            expect(granted.note).toContain(`: ${after.edges[0]?.makes} in all.`);
            return;
          }
          expect(many).toBe('rows' in wish ? wish.rows : 'rounds' in wish ? wish.rounds : 1);
          if (wish.of === 'to') expect(after.rows.at(-1)?.makes).toBe(wish.stitches);
          if (wish.of !== 'shells' && wish.of !== 'handle' && wish.of !== 'eyelets')
            expect(goesOnIn(after, 'low')).toBe(stitch);
        },
      ),
      { numRuns: 150 },
    );
  });

  test('shells over 24 with one passed over: 5 of 4 stitches and the first, 3 over', () => {
    // 24 - 1 = 23 stitches for shells of 2 x 1 + 2 = 4: five, and 3 are left; 21 and 25 would come out.
    expect(grant({ of: 'shells', each: 5, gap: 1 }, count(BEGUN), 'low')).toMatchObject({
      note: '5 shells of 5. 3 stitches are left over, worked plainly at the ends; over 21 or 25 they would come out even.',
    });
    expect(grant({ of: 'shells', each: 5, gap: 12 }, count(BEGUN), 'low')).toEqual({
      ok: false,
      problem: '24 stitches are too few for a shell with 12 passed over at either side.',
    });
  });

  test('what cannot be is told', () => {
    expect(grant({ of: 'straight', rows: 3 }, count(''), 'low')).toMatchObject({
      problem: 'There is no row to go on from yet.',
    });
    expect(grant({ of: 'to', stitches: 80, rows: 1, where: 'spread' }, count(BEGUN), 'low')).toMatchObject({
      problem: 'From 24 to 80 over one row a row would more than double, or halve: take more rows.',
    });
    expect(grant({ of: 'disc', more: 6, rounds: 3 }, count(BEGUN), 'low')).toMatchObject({
      problem: 'A disc begins in a ring: it goes into a panel that has no rows yet.',
    });
    expect(grant({ of: 'to', stitches: 30, rows: 4, where: 'edges' }, count(BEGUN), 'low')).toMatchObject({
      note: 'From 24 to 30: about 1.5 more a row.',
    });
  });
});
