import 'fake-indexeddb/auto';
import { type BagDocument, beginDocument } from '@fennot/core';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { workFor } from '../../api/maker.ts';
import { allDrafts, draftKey, dropDraft, keepDraft, keepLeaving, type LeftDraft } from './drafts.ts';

const BAG = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';
const document = beginDocument({ name: 'Bag' });
const named = (name: string): BagDocument => ({ ...document, name });

const leaving = new Map<string, string>();
let full = false;

beforeEach(() => {
  leaving.clear();
  full = false;
  vi.stubGlobal('localStorage', {
    get length() {
      return leaving.size;
    },
    key: (i: number) => [...leaving.keys()][i] ?? null,
    getItem: (key: string) => leaving.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (full) throw new DOMException('no room', 'QuotaExceededError');
      leaving.set(key, value);
    },
    removeItem: (key: string) => void leaving.delete(key),
  });
});
afterEach(async () => {
  vi.useRealTimers();
  for (const { key } of await allDrafts()) await dropDraft(key);
  vi.unstubAllGlobals();
});

const keeping = (number: number, name: string, window = 'w1') => ({
  bag: BAG,
  window,
  number,
  draft: { base: { version: 3, document }, mine: named(name) },
});
const nameOf = (draft: LeftDraft | undefined) => (draft?.ok ? draft.draft.mine.name : undefined);

describe('a draft', () => {
  test('comes back as it was kept: what it was made from, what it says, and the save under way', async () => {
    const flight = { save: 's-1', basedOn: 3, document: named('sent') };
    await keepDraft({ ...keeping(1, 'mine'), draft: { ...keeping(1, 'mine').draft, flight } });
    const [draft, ...others] = await allDrafts();
    expect(others).toEqual([]);
    expect(draft).toMatchObject({
      key: draftKey(BAG, 'w1'),
      bag: BAG,
      window: 'w1',
      ok: true,
      draft: {
        base: { version: 3 },
        mine: { name: 'mine' },
        flight: { save: 's-1', document: { name: 'sent' } },
      },
    });
  });

  test('of two states of one window the later counts, wherever it was written and in whatever order', async () => {
    await keepDraft(keeping(1, 'first'));
    keepLeaving(keeping(2, 'on leaving'));
    expect((await allDrafts()).map(nameOf)).toEqual(['on leaving']);
    await keepDraft(keeping(3, 'last'));
    expect((await allDrafts()).map(nameOf)).toEqual(['last']);
  });

  test('each window has its own, the latest first', async () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    vi.setSystemTime(1000);
    await keepDraft(keeping(9, 'older', 'w1'));
    vi.setSystemTime(2000);
    await keepDraft(keeping(1, 'newer', 'w2'));
    expect((await allDrafts()).map(nameOf)).toEqual(['newer', 'older']);
  });

  test('dropped, it is gone from both places, and the other windows’ stay', async () => {
    await keepDraft(keeping(1, 'one', 'w1'));
    keepLeaving(keeping(2, 'one, leaving', 'w1'));
    await keepDraft(keeping(1, 'two', 'w2'));
    await dropDraft(draftKey(BAG, 'w1'));
    expect((await allDrafts()).map(nameOf)).toEqual(['two']);
    expect(leaving.size).toBe(0);
  });

  test('from a page that goes while its storage is full, the state before is what is left', async () => {
    await keepDraft(keeping(1, 'kept'));
    full = true;
    keepLeaving(keeping(2, 'no room for this'));
    expect((await allDrafts()).map(nameOf)).toEqual(['kept']);
  });
});

describe('a draft of one of several makers', () => {
  const [ROWAN, SEDGE] = [
    { id: 'rowan', first: true },
    { id: 'sedge', first: false },
  ];
  afterEach(async () => {
    for (const maker of [ROWAN, SEDGE, undefined]) {
      workFor(maker);
      for (const { key } of await allDrafts()) await dropDraft(key);
    }
  });

  test('is taken up by the same maker only, from wherever it was written', async () => {
    workFor(ROWAN);
    await keepDraft(keeping(1, 'Rowan’s', 'w1'));
    keepLeaving(keeping(2, 'Rowan’s, leaving', 'w2'));
    workFor(SEDGE);
    await keepDraft(keeping(1, 'Sedge’s', 'w3'));
    expect((await allDrafts()).map(nameOf)).toEqual(['Sedge’s']);
    workFor(ROWAN);
    expect((await allDrafts()).map(nameOf).sort()).toEqual(['Rowan’s', 'Rowan’s, leaving']);
    workFor(undefined);
    expect(await allDrafts()).toEqual([]);
  });

  test('from before there were accounts is the one’s that the local maker became', async () => {
    await keepDraft(keeping(1, 'From before'));
    workFor(SEDGE);
    expect(await allDrafts()).toEqual([]);
    workFor(ROWAN);
    expect((await allDrafts()).map(nameOf)).toEqual(['From before']);
  });
});

describe('a draft that cannot be read', () => {
  const put = (value: unknown, key = draftKey(BAG, 'w9')) =>
    leaving.set(`fennot.leaving.${key}`, typeof value === 'string' ? value : JSON.stringify(value));
  const record = (draft: unknown) => ({
    key: draftKey(BAG, 'w9'),
    bag: BAG,
    window: 'w9',
    number: 1,
    at: 5,
    draft,
  });
  const only = async () => {
    const [draft, ...others] = await allDrafts();
    expect(others).toEqual([]);
    if (!draft || draft.ok) throw new Error('it was meant to be unreadable');
    return draft;
  };

  test('is handed out with the reason, never dropped', async () => {
    put(record({ base: { version: 1, document }, mine: { ...document, name: '' } }));
    const draft = await only();
    expect(draft.problems.map(({ message }) => message)).toContain('A name cannot be empty.');
    expect(draft.raw).toMatchObject({ name: '' });
    // Asked for again, it is still there.
    expect((await only()).raw).toEqual(draft.raw);
  });

  test('when what it was made from is broken, what it says is handed out all the same', async () => {
    put(record({ base: { version: 1, document: { broken: true } }, mine: document }));
    expect((await only()).raw).toEqual(JSON.parse(JSON.stringify(document)));
  });

  test('when it is no draft at all, and when it breaks off in the middle of the text', async () => {
    put(record('nonsense'));
    expect((await only()).problems[0]?.message).toBe('What the browser kept is damaged.');
    leaving.clear();
    put('{"key":"7e0c');
    const draft = await only();
    expect(draft.bag).toBe(BAG);
    expect(draft.window).toBe('w9');
    expect(draft.raw).toBe('{"key":"7e0c');
  });

  test('of the first Fennot, which kept no base, is offered too', async () => {
    leaving.set(`fennot.draft.${BAG}`, JSON.stringify({ version: 4, document }));
    const draft = await only();
    expect(draft.bag).toBe(BAG);
    expect(draft.raw).toMatchObject({ document: { name: 'Bag' } });
    await dropDraft(draft.key);
    expect(await allDrafts()).toEqual([]);
  });

  test('what other programs keep in the same storage is left alone', async () => {
    leaving.set('someone.else', 'x');
    expect(await allDrafts()).toEqual([]);
    expect(leaving.get('someone.else')).toBe('x');
  });
});

describe('without storage', () => {
  test('there are no drafts in it, leaving does no harm, and what the database has still counts', async () => {
    await keepDraft(keeping(1, 'kept'));
    vi.stubGlobal('localStorage', {
      get length(): number {
        throw new DOMException('denied', 'SecurityError');
      },
      setItem: () => {
        throw new DOMException('denied', 'SecurityError');
      },
      removeItem: () => {
        throw new DOMException('denied', 'SecurityError');
      },
    });
    keepLeaving(keeping(2, 'leaving'));
    expect((await allDrafts()).map(nameOf)).toEqual(['kept']);
    await dropDraft(draftKey(BAG, 'w1'));
    expect(await allDrafts()).toEqual([]);
  });
});
