import fc from 'fast-check';
import highsLoader, { type Highs } from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { type ScrapsAsk, squaresOf } from './index.ts';

let highs: Highs;
beforeAll(async () => {
  highs = await highsLoader();
});

/** All yarns as different as can be. */
const plain = (p: string, q: string) => (p === q ? 0 : 1);
const answer = (ask: ScrapsAsk, extra = 10) => squaresOf(ask, highs, plain, extra);

/** The most squares, by nothing but trying how many have each yarn in each round. */
function mostSquares({ wanted, need, yarns, last }: ScrapsAsk): number {
  const fits = (n: number): boolean => {
    const left = yarns.map(({ length }) => length);
    /** Spreads what is left of round r over the yarns from y on. */
    const spread = (r: number, y: number, open: number, whole: string | undefined): boolean => {
      if (r === need.length) return true;
      if (y === yarns.length) return open === 0 && spread(r + 1, 0, n, undefined);
      const mm = need[r] ?? 0;
      const alone = r === need.length - 1 && last !== 'free';
      for (let many = 0; many <= open; many++) {
        if (many * mm > (left[y] ?? 0)) break;
        if (alone && many > 0 && many < n) continue;
        if (alone && typeof last !== 'string' && many > 0 && yarns[y]?.id !== last.yarn) continue;
        left[y] = (left[y] ?? 0) - many * mm;
        const ok = spread(r, y + 1, open - many, whole);
        left[y] = (left[y] ?? 0) + many * mm;
        if (ok) return true;
      }
      return false;
    };
    return spread(0, 0, n, undefined);
  };
  let n = wanted;
  while (n > 0 && !fits(n)) n--;
  return n;
}

const asks: fc.Arbitrary<ScrapsAsk> = fc
  .record({
    wanted: fc.integer({ min: 0, max: 5 }),
    need: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 3 }),
    lengths: fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 3 }),
    last: fc.constantFrom<ScrapsAsk['last']>('alike', 'free', { yarn: 'y0' }),
  })
  .map(({ lengths, ...ask }) => ({ ...ask, yarns: lengths.map((length, i) => ({ id: `y${i}`, length })) }));

describe('squares out of what is left', () => {
  test('are as many as trying everything finds; nothing runs out; what more would do is what it does', () => {
    fc.assert(
      fc.property(asks, (ask) => {
        const { squares, designs, used, more } = answer(ask);
        expect(squares).toBe(mostSquares(ask));
        expect(designs.reduce((sum, { many }) => sum + many, 0)).toBe(squares);
        const taken = new Map<string, number>();
        for (const { rounds, many } of designs) {
          expect(rounds).toHaveLength(ask.need.length);
          for (const [r, yarn] of rounds.entries())
            taken.set(yarn, (taken.get(yarn) ?? 0) + many * (ask.need[r] ?? 0));
        }
        expect([...taken].sort()).toEqual([...used].sort());
        for (const { id, length } of ask.yarns) expect(taken.get(id) ?? 0).toBeLessThanOrEqual(length);
        if (ask.last !== 'free')
          expect(new Set(designs.map(({ rounds }) => rounds.at(-1))).size).toBeLessThan(2);
        if (typeof ask.last !== 'string')
          for (const { rounds } of designs) expect(rounds.at(-1)).toBe(ask.last.yarn);
        for (const { yarn, squares: enough } of more) {
          const yarns = ask.yarns.map((one) => (one.id === yarn ? { ...one, length: one.length + 10 } : one));
          expect(enough).toBe(mostSquares({ ...ask, yarns }));
          expect(enough).toBeGreaterThan(squares);
        }
        if (squares === ask.wanted) expect(more).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  test('six hearts in three colours, bordered alike: two of each, and no round like the one below', () => {
    // Hearts take 2, rounds 4, borders 6: 36 of foam for six borders, and of the three 12 each for hearts and rounds.
    const { squares, designs, used } = answer({
      wanted: 6,
      need: [2, 4, 6],
      yarns: [{ id: 'foam', length: 36 }, ...['rust', 'reed', 'ink'].map((id) => ({ id, length: 12 }))],
      last: { yarn: 'foam' },
    });
    expect(squares).toBe(6);
    expect([...used.values()]).toEqual(expect.arrayContaining([36, 12, 12, 12]));
    for (const { rounds } of designs) {
      expect(rounds[2]).toBe('foam');
      expect(rounds[0]).not.toBe(rounds[1]);
    }
    // Three hearts with either of the two others round them: six squares, no two alike.
    expect(designs).toHaveLength(6);
  });

  test('four of five: the border runs out, and a little more of it makes the fifth', () => {
    const { squares, more } = answer({
      wanted: 5,
      need: [2, 6],
      yarns: [
        { id: 'foam', length: 25 },
        { id: 'rust', length: 50 },
      ],
      last: { yarn: 'foam' },
    });
    expect(squares).toBe(4);
    expect(more).toEqual([{ yarn: 'foam', squares: 5 }]);
  });

  test('out of nothing there are no squares, and nobody hangs', () => {
    expect(answer({ wanted: 9, need: [5], yarns: [], last: 'free' }).squares).toBe(0);
    expect(answer({ wanted: 9, need: [5, 5], yarns: [{ id: 'a', length: 0 }], last: 'alike' }).squares).toBe(
      0,
    );
    expect(answer({ wanted: 0, need: [5], yarns: [{ id: 'a', length: 99 }], last: 'free' })).toMatchObject({
      squares: 0,
      designs: [],
    });
  });
});
