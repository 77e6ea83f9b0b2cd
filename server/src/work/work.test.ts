import { type BagDocument, beginDocument, summedUp } from '@fennot/core';
import { afterAll, describe, expect, test } from 'vitest';
import { inline, pooled, WorkGivenUp } from './work.ts';

const work = pooled();
afterAll(() => work.close());

const document = beginDocument({ name: 'Worked on' });
const never = new AbortController().signal;

describe('work in threads of its own', () => {
  test('gives what the same work gives in this one', { timeout: 60_000 }, async () => {
    expect(await work.summary(document)).toEqual(summedUp(document));
    const [there, here] = [
      await work.lining(document, 'right', never),
      await inline().lining(document, 'right', never),
    ];
    if ('problem' in there || 'problem' in here) throw new Error('a bag just begun has a lining');
    expect(Buffer.from(there.subarray(0, 5)).toString()).toBe('%PDF-');
    // But for the moment at which it was made, it is the same print.
    expect(Math.abs(there.length - here.length)).toBeLessThan(20);
  });

  test('leaves the server free: others are answered while it runs', { timeout: 60_000 }, async () => {
    const large = wide(17);
    let turns = 0;
    const ticking = setInterval(() => turns++, 2);
    await Promise.all(Array.from({ length: 6 }, () => work.summary(large)));
    clearInterval(ticking);
    // Had it run here, nothing else would have had a turn in between.
    expect(turns).toBeGreaterThan(20);
  });

  test('is given up when whoever asked has gone, and the next one is done', { timeout: 60_000 }, async () => {
    const gone = new AbortController();
    const asked = work.lining(wide(17), 'right', gone.signal);
    gone.abort();
    await expect(asked).rejects.toBeInstanceOf(WorkGivenUp);
    expect(await work.summary(document)).toEqual(summedUp(document));
  });

  test('is given up when it takes too long by itself, not when others were before it', {
    timeout: 60_000,
  }, async () => {
    const patient = pooled({ summary: 1500 });
    const many = await Promise.all(Array.from({ length: 24 }, () => patient.summary(wide(17))));
    expect(many.map(({ summary }) => summary.is)).toEqual(many.map(() => 'sound'));
    await patient.close();
    const hasty = pooled({ summary: 0 });
    const { summary } = await hasty.summary(wide(17));
    expect(summary).toEqual({ is: 'damaged', why: 'It takes too long to work out.' });
    await hasty.close();
  });

  test('a bag that cannot be planned is a sentence, not a failure', async () => {
    expect(await work.lining(wide(40), 'right', never)).toEqual({
      problem: expect.stringContaining('3,200 pieces'),
    });
    expect(await work.summary(wide(40))).toMatchObject({ summary: { is: 'damaged' } });
  });

  test('a document that breaks the work costs nobody else anything', { timeout: 60_000 }, async () => {
    // As no schema lets it through: the worker is handed something that is no bag at all.
    const broken: BagDocument = JSON.parse('{"format":"fennot.bag"}');
    expect(await work.summary(broken)).toEqual({
      summary: { is: 'damaged', why: expect.stringMatching(/^It cannot be worked out: /) },
      picture: undefined,
    });
    expect((await work.summary(document)).summary.is).toBe('sound');
  });
});

test('a lining of more pages than anyone lays together is told, not printed', async () => {
  // Two faces of 24 by 12 large squares: some 24 x 110 mm by 12 x 110 mm, each over ten pages by five at least.
  const lining = await inline().lining(wide(17, 30), 'right', never);
  expect(lining).toEqual({ problem: expect.stringMatching(/would take \d+ pages/) });
});

/** Two faces of so many squares each way. */
function wide(many: number, rounds = 4): BagDocument {
  return {
    ...document,
    construction: {
      family: 'two-faces',
      face: { of: 'motifs', motif: 'm1', rounds, columns: many, rows: many },
      tuck: 0,
    },
  };
}
