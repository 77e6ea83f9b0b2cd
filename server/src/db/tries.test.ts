import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { freshDatabase } from '../testing/database.ts';
import { connect } from './connect.ts';
import { codesOfAddress, ofAccount, ofAddress, Tries } from './tries.ts';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => {
  fresh = await freshDatabase();
});
afterAll(() => fresh.drop());

let many = 0;
/** A name nobody has tried. */
const someone = () => ofAccount(`somebody ${many++}`);
/** Lets so much time go by, s: all that is written down is so much older. */
const later = (seconds: number) =>
  fresh.db('tries').update({
    free_at: fresh.db.raw(`free_at - ? * interval '1 second'`, [seconds]),
    last_at: fresh.db.raw(`last_at - ? * interval '1 second'`, [seconds]),
  });

describe('tries', () => {
  test('five are free, then each waits twice as long as the one before, a quarter of an hour at most', async () => {
    const tries = new Tries(fresh.db);
    const own = someone();
    for (let i = 0; i < 5; i++) expect(await tries.begin(own)).toBe(0);
    const waits: number[] = [];
    for (let i = 0; i < 9; i++) {
      const wait = await tries.begin(own);
      waits.push(wait);
      // Asking while one waits makes it no longer, and lets nobody in.
      expect(await tries.begin(own)).toBeLessThanOrEqual(wait);
      await later(wait);
      expect(await tries.begin(own)).toBe(0);
    }
    expect(waits).toEqual([10, 20, 40, 80, 160, 320, 640, 900, 900]);
  });

  test('of a hundred at once, from two servers, five are made', async () => {
    const other = connect(fresh.address);
    const own = someone();
    const answers = await Promise.all(
      Array.from({ length: 100 }, (_, i) => new Tries(i % 2 === 0 ? fresh.db : other).begin(own)),
    );
    expect(answers.filter((wait) => wait === 0)).toHaveLength(5);
    await other.destroy();
  });

  test('come to fewer than a hundred in any hour, however one goes about it', async () => {
    const tries = new Tries(fresh.db);
    const own = someone();
    let [made, time] = [0, 0];
    while (time < 3600) {
      const wait = await tries.begin(own);
      if (wait === 0) made++;
      else {
        await later(wait);
        time += wait;
      }
    }
    // By hand: 5, then at 10, 30, 70, 150, 310, 630, 1270, 2170, 3070 s and once more.
    expect(made).toBeLessThan(20);
  });

  test('are forgotten after an hour without any', async () => {
    const tries = new Tries(fresh.db);
    const own = someone();
    for (let i = 0; i < 6; i++) await tries.begin(own);
    await later(3601);
    for (let i = 0; i < 5; i++) expect(await tries.begin(own)).toBe(0);
    expect(await tries.begin(own)).toBe(10);
  });

  test('that succeed cost an account nothing, and an address gets one back', async () => {
    const tries = new Tries(fresh.db);
    const [own, from] = [someone(), ofAddress('198.51.100.9')];
    for (let i = 0; i < 40; i++) {
      expect(await tries.begin(own, from)).toBe(0);
      await tries.succeeded(own, from);
    }
    // Whoever knows one password may not try those of others for ever.
    const guesses: number[] = [];
    for (let i = 0; i < 30; i++) {
      guesses.push(await tries.begin(someone(), from));
      if ((await tries.begin(own, from)) === 0) await tries.succeeded(own, from);
    }
    expect(guesses.filter((wait) => wait === 0).length).toBeLessThanOrEqual(20);
  });

  test('count a network, not an address of it, where everybody has as many as they like', async () => {
    expect(ofAddress('2001:db8:1:2:3::4')).toEqual(ofAddress('2001:db8:1:2:ffff::9'));
    expect(ofAddress('2001:db8:1:2::4')).not.toEqual(ofAddress('2001:db8:1:3::4'));
    expect(codesOfAddress('192.0.2.7')).not.toEqual(codesOfAddress('192.0.2.8'));
  });

  test('are kept without names or addresses', async () => {
    await new Tries(fresh.db).begin(ofAccount('bramblewick'), ofAddress('203.0.113.99'));
    const rows = JSON.stringify(
      (await fresh.db('tries')).map(({ key, ...rest }) => [key.toString('latin1'), rest]),
    );
    expect(rows).not.toContain('bramblewick');
    expect(rows).not.toContain('203.0.113.99');
  });

  test('two that count the same things the other way round do not wait for each other', async () => {
    await fc.assert(
      fc.asyncProperty(fc.shuffledSubarray(['a', 'b', 'c', 'd'], { minLength: 2 }), async (keys) => {
        const counted = keys.map((key) => ({ key, free: 1000 }));
        const all = await Promise.all(
          Array.from({ length: 6 }, (_, i) =>
            new Tries(fresh.db).begin(...(i % 2 === 0 ? counted : [...counted].reverse())),
          ),
        );
        expect(all).toEqual(Array(6).fill(0));
      }),
      { numRuns: 10 },
    );
  });
});
