import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type History, runHistory, type Turn } from './simulation.ts';

const window = fc.nat({ max: 2 });
const pick = fc.nat({ max: 7 });

/** What may happen next, in whatever order. */
const turn: fc.Arbitrary<Turn> = fc.oneof(
  { weight: 8, arbitrary: fc.record({ is: fc.constant('edit' as const), window }) },
  { weight: 8, arbitrary: fc.record({ is: fc.constant('deliver' as const), pick }) },
  { weight: 6, arbitrary: fc.record({ is: fc.constant('answer' as const), pick }) },
  { weight: 6, arbitrary: fc.record({ is: fc.constant('write' as const), window }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('again' as const), window }) },
  {
    weight: 5,
    arbitrary: fc.record({ is: fc.constant('wait' as const), ms: fc.integer({ min: 1, max: 4000 }) }),
  },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('drop request' as const), pick }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('drop answer' as const), pick }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('repeat request' as const), pick }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('restart server' as const) }) },
  { weight: 3, arbitrary: fc.record({ is: fc.constant('reload' as const), window }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('kill' as const), window }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('close' as const), window }) },
  { weight: 3, arbitrary: fc.record({ is: fc.constant('open' as const), window }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('look' as const), window }) },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('hear' as const), pick }) },
  { weight: 3, arbitrary: fc.record({ is: fc.constantFrom('take' as const, 'copy' as const), window }) },
  { weight: 1, arbitrary: fc.record({ is: fc.constant('full disk' as const), on: fc.boolean() }) },
  { weight: 1, arbitrary: fc.record({ is: fc.constantFrom('delete' as const, 'restore' as const) }) },
);

const wrongs = (turns: readonly Turn[]): History['wrongs'] => runHistory(turns).wrongs;

/** Longer by `npm run histories`: `FENNOT_HISTORIES` says how many. */
const MANY = Number(process.env.FENNOT_HISTORIES ?? 4000);

describe('whatever becomes of network, server, disk and windows', () => {
  test('nothing is lost, nothing is overwritten unseen, and all ends settled', { timeout: 3_600_000 }, () => {
    fc.assert(
      fc.property(fc.array(turn, { maxLength: 60, size: 'max' }), (turns) => {
        expect(wrongs(turns)).toEqual([]);
      }),
      { numRuns: MANY },
    );
  });

  test('a window that is alone is never in a clash, with itself least of all', { timeout: 3_600_000 }, () => {
    // With a full disk nothing can be known of what a closed page had sent: that is told, and cured by hand.
    const alone = turn
      .filter(({ is }) => is !== 'full disk')
      .map((one): Turn => ('window' in one ? { ...one, window: 0 } : one));
    fc.assert(
      fc.property(fc.array(alone, { maxLength: 60, size: 'max' }), (turns) => {
        const { wrongs: found, seen } = runHistory(turns);
        expect(found).toEqual([]);
        expect(seen).not.toContain('clash');
      }),
      { numRuns: MANY },
    );
  });

  test('the histories do come to clashes, repeats and drafts taken up', () => {
    const seen = new Map<string, number>();
    for (const turns of fc.sample(fc.array(turn, { maxLength: 60, size: 'max' }), { numRuns: 400, seed: 1 }))
      for (const what of runHistory(turns).seen) seen.set(what, (seen.get(what) ?? 0) + 1);
    for (const what of ['clash', 'repeat answered', 'draft taken up', 'gone', 'shown from elsewhere', 'copy'])
      expect([what, (seen.get(what) ?? 0) >= 10]).toEqual([what, true]);
  });
});

describe('what was found before', () => {
  const edit: Turn = { is: 'edit', window: 0 };
  const write: Turn = { is: 'write', window: 0 };
  const deliver: Turn = { is: 'deliver', pick: 0 };
  const answer: Turn = { is: 'answer', pick: 0 };
  const reload: Turn = { is: 'reload', window: 0 };
  const has = (turns: Turn[], what: string) => runHistory(turns).seen.includes(what);

  test('a reload while a save is on its way is no clash with oneself', () => {
    for (const turns of [
      [edit, reload, deliver],
      [edit, write, deliver, reload, deliver],
      [edit, write, deliver, { is: 'drop answer', pick: 0 } as const, reload, deliver],
      [edit, write, deliver, edit, reload, deliver, deliver],
    ]) {
      expect(wrongs(turns)).toEqual([]);
      expect(has(turns, 'clash')).toBe(false);
    }
  });

  test('an answer that is lost is no clash with oneself', () => {
    const turns: Turn[] = [
      edit,
      write,
      deliver,
      { is: 'drop answer', pick: 0 },
      edit,
      { is: 'wait', ms: 4000 },
      deliver,
      answer,
    ];
    expect(wrongs(turns)).toEqual([]);
    expect(has(turns, 'clash')).toBe(false);
    expect(has(turns, 'repeat answered')).toBe(true);
  });

  test('reloaded in the middle of a clash, the other’s save is not overwritten', () => {
    const other: Turn[] = [
      { is: 'open', window: 1 },
      { is: 'edit', window: 1 },
      { is: 'write', window: 1 },
      deliver,
      answer,
    ];
    const turns: Turn[] = [...other, edit, write, deliver, answer, reload];
    expect(wrongs(turns)).toEqual([]);
    expect(runHistory(turns).seen.filter((what) => what === 'clash').length).toBeGreaterThan(1);
  });

  test('killed after an edit was written down, nothing is lost; two windows keep drafts of their own', () => {
    expect(wrongs([edit, write, { is: 'kill', window: 0 }])).toEqual([]);
    expect(
      wrongs([
        { is: 'open', window: 1 },
        edit,
        { is: 'edit', window: 1 },
        write,
        { is: 'write', window: 1 },
        { is: 'kill', window: 0 },
        { is: 'kill', window: 1 },
      ]),
    ).toEqual([]);
  });
});
