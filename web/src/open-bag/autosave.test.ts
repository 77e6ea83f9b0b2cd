import { beginDocument } from '@fennot/core';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { autosave } from './autosave.ts';
import { findDraft } from './drafts.ts';
import { createBagStore } from './store.ts';

/** Storage as a browser has it, in memory; `full` refuses to take more. */
function storage() {
  const kept = new Map<string, string>();
  const store = {
    full: false,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (store.full) throw new Error('QuotaExceededError');
      kept.set(key, value);
      Object.assign(store, { [key]: value });
    },
    removeItem: (key: string) => {
      kept.delete(key);
      Reflect.deleteProperty(store, key);
    },
  };
  return store;
}

type Answer = { status: number; body: unknown } | 'away';
const document = beginDocument({ name: 'Bag' });
const stored = (version: number, name = 'Bag') => ({
  id: 'b1',
  version,
  updatedAt: '2026-01-01T00:00:00.000Z',
  document: { ...document, name },
});

let answers: Answer[];
let asked: { basedOn: number; name: string }[];
let local: ReturnType<typeof storage>;

beforeEach(() => {
  vi.useFakeTimers();
  answers = [];
  asked = [];
  local = storage();
  vi.stubGlobal('localStorage', local);
  vi.stubGlobal('sessionStorage', storage());
  vi.stubGlobal('fetch', async (_path: string, init: { body: string }) => {
    const { basedOn, document: sent } = JSON.parse(init.body);
    asked.push({ basedOn, name: sent.name });
    const answer = answers.shift() ?? { status: 200, body: stored(basedOn + 1, sent.name) };
    if (answer === 'away') throw new TypeError('fetch failed');
    return { ok: answer.status < 400, status: answer.status, json: async () => answer.body };
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function open() {
  const store = createBagStore(document);
  const saving = autosave(store, 'b1', 1, document);
  const rename = (name: string) => store.getState().change((doc) => ({ ...doc, name }));
  return { store, saving, rename, is: () => saving.state.getState().is };
}

describe('saving by itself', () => {
  test('sends one save for a burst of edits, on top of the version it knows, then is saved', async () => {
    const { rename, is } = open();
    for (const name of ['a', 'ab', 'abc']) rename(name);
    expect(is()).toBe('waiting');
    await vi.advanceTimersByTimeAsync(1000);
    expect(asked).toEqual([{ basedOn: 1, name: 'abc' }]);
    expect(is()).toBe('saved');
    expect(findDraft('b1')).toBeUndefined();
    rename('next');
    await vi.advanceTimersByTimeAsync(1000);
    expect(asked[1]).toEqual({ basedOn: 2, name: 'next' });
  });

  test('keeps what has not arrived, says why, and sends it when the server is back', async () => {
    answers = ['away', 'away'];
    const { rename, saving, is } = open();
    rename('kept');
    await vi.advanceTimersByTimeAsync(700);
    expect(saving.state.getState()).toEqual({
      is: 'failing',
      why: 'The Fennot server does not answer.',
      kept: true,
    });
    expect(findDraft('b1')).toMatchObject({ basedOn: 1, document: { name: 'kept' } });
    await vi.advanceTimersByTimeAsync(10_000);
    expect(is()).toBe('saved');
    expect(asked.map(({ name }) => name)).toEqual(['kept', 'kept', 'kept']);
    expect(findDraft('b1')).toBeUndefined();
  });

  test('says so when the browser has no room to keep it either', async () => {
    answers = ['away'];
    const { rename, saving } = open();
    local.full = true;
    rename('lost?');
    await vi.advanceTimersByTimeAsync(700);
    expect(saving.state.getState()).toMatchObject({ is: 'failing', kept: false });
  });

  test('stops at a clash, goes on keeping edits, and overwrites nothing', async () => {
    answers = [{ status: 409, body: { status: 409, title: 'x', detail: 'y', current: stored(5, 'Theirs') } }];
    const { rename, saving, store, is } = open();
    rename('Mine');
    await vi.advanceTimersByTimeAsync(700);
    expect(is()).toBe('clash');
    rename('Mine, later');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked).toHaveLength(1);
    expect(findDraft('b1')?.document.name).toBe('Mine, later');

    const state = saving.state.getState();
    if (state.is !== 'clash') throw new Error('no clash');
    saving.takeOver(state.theirs);
    expect(store.getState().document.name).toBe('Theirs');
    store.temporal.getState().undo();
    expect(store.getState().document.name).toBe('Mine, later');
    await vi.advanceTimersByTimeAsync(1000);
    expect(asked.at(-1)).toEqual({ basedOn: 5, name: 'Mine, later' });
  });

  test('tells when the bag is gone, and does not try again', async () => {
    answers = [{ status: 404, body: { status: 404, title: 'No such bag', detail: 'Gone.' } }];
    const { rename, is } = open();
    rename('ghost');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(is()).toBe('gone');
    expect(asked).toHaveLength(1);
  });

  test('shows the server’s own sentence when the disk is full', async () => {
    answers = [{ status: 507, body: { status: 507, title: 'Disk full', detail: 'The disk is full.' } }];
    const { rename, saving } = open();
    rename('more');
    await vi.advanceTimersByTimeAsync(700);
    expect(saving.state.getState()).toMatchObject({ is: 'failing', why: 'The disk is full.' });
  });

  test('undone back to what is saved, it sends nothing', async () => {
    const { store, rename, is } = open();
    rename('slip');
    store.temporal.getState().undo();
    expect(is()).toBe('saved');
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toEqual([]);
  });

  test('a draft of a closed window is found, one of a living window is left alone', () => {
    const draft = { basedOn: 3, document: { ...document, name: 'Left behind' }, at: Date.now() };
    local.setItem('fennot.draft.b1.other-window', JSON.stringify(draft));
    expect(findDraft('b1')).toBeUndefined();
    vi.advanceTimersByTime(20_000);
    expect(findDraft('b1')?.document.name).toBe('Left behind');
    local.setItem('fennot.draft.b2.other', '{"broken');
    vi.advanceTimersByTime(20_000);
    expect(findDraft('b2')).toBeUndefined();
  });
});
