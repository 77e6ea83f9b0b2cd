import 'fake-indexeddb/auto';
import { type BagDocument, beginDocument, keepSame, type StoredBag } from '@fennot/core';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { allDrafts, dropDraft, keepDraft, keepLeaving } from './drafts.ts';
import { openSession, type Session } from './session.ts';

const ID = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';
const document = keepSame(undefined, beginDocument({ name: 'Bag' }));
const named = (name: string): BagDocument => ({ ...document, name });
const stored = (version: number, name = 'Bag'): StoredBag => ({
  id: ID,
  version,
  updatedAt: '2026-01-01T00:00:00.000Z',
  document: named(name),
});

type Answer = { status: number; body: unknown } | 'away' | 'never';
interface Save {
  readonly save: string;
  readonly basedOn: number;
  readonly name: string;
}

let answers: Answer[];
let saves: Save[];
let onServer: StoredBag | undefined;
const kept = new Map<string, string>();

beforeEach(() => {
  answers = [];
  saves = [];
  onServer = stored(1);
  kept.clear();
  // As on a page that came over plain http: no locks.
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('localStorage', {
    get length() {
      return kept.size;
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
  vi.stubGlobal('fetch', async (_path: string, init: { method: string; body?: string }) => {
    if (init.method === 'GET') {
      return onServer
        ? { ok: true, status: 200, json: async () => onServer }
        : { ok: false, status: 404, json: async () => problem(404) };
    }
    const { save, basedOn, document: sent } = JSON.parse(init.body ?? '{}');
    saves.push({ save, basedOn, name: sent.name });
    const answer = answers.shift() ?? {
      status: 200,
      body: { version: basedOn + 1, updatedAt: '2026-01-01T00:00:00.000Z' },
    };
    if (answer === 'away') throw new TypeError('fetch failed');
    if (answer === 'never') return new Promise(() => {});
    return { ok: answer.status < 400, status: answer.status, json: async () => answer.body };
  });
});
const sessions: Session[] = [];
afterEach(async () => {
  answers = [];
  for (const session of sessions.splice(0)) session.release();
  for (const { key } of await allDrafts()) await dropDraft(key);
  vi.unstubAllGlobals();
});

const problem = (status: number, more = {}) => ({
  type: '/problems/x',
  title: 'x',
  status,
  detail: `Sentence ${status}.`,
  ...more,
});

function open(drafts: Awaited<ReturnType<typeof allDrafts>> = [], current = onServer) {
  const told: string[] = [];
  const session = openSession({
    id: ID,
    current,
    drafts,
    others: [],
    tell: (note) => told.push(note),
    onSaved: () => {},
    onOver: () => {},
  });
  sessions.push(session);
  const is = () => session.state.getState().is;
  const rename = (name: string) => session.store.getState().change((doc) => ({ ...doc, name }));
  const name = () => session.store.getState().document.name;
  return { session, is, rename, name, told };
}

describe('an open bag', () => {
  test('sends the first change at once, on top of the version it knows, and then is saved', async () => {
    const { rename, is } = open();
    expect(is()).toBe('saved');
    rename('a');
    expect(is()).toBe('saving');
    await expect.poll(is).toBe('saved');
    expect(saves).toMatchObject([{ basedOn: 1, name: 'a' }]);
    expect(await allDrafts()).toEqual([]);
    rename('b');
    rename('c');
    await expect.poll(is).toBe('saved');
    // What follows at once is gathered.
    expect(saves.slice(1)).toMatchObject([{ basedOn: 2, name: 'c' }]);
  });

  test('writes a change down before it sends it, with the save it is sent in', async () => {
    answers = ['never'];
    const { rename } = open();
    rename('kept');
    await expect.poll(() => saves.length).toBe(1);
    const [draft] = await allDrafts();
    expect(draft?.ok && draft.draft).toMatchObject({
      base: { version: 1 },
      mine: { name: 'kept' },
      flight: { save: saves[0]?.save, basedOn: 1 },
    });
  });

  test('asks again under the same id until there is an answer, and says why meanwhile', async () => {
    answers = ['away', { status: 503, body: problem(503) }];
    const { rename, session, is } = open();
    rename('kept');
    await expect
      .poll(() => session.state.getState())
      .toEqual({ is: 'failing', why: 'The Fennot server does not answer.', kept: true });
    await expect.poll(is, { timeout: 10_000 }).toBe('saved');
    expect(new Set(saves.map(({ save }) => save)).size).toBe(1);
    expect(saves).toHaveLength(3);
  });

  test('stops at a clash, goes on keeping edits, and overwrites nothing; taken, mine is under undo', async () => {
    answers = [{ status: 409, body: problem(409, { current: stored(5, 'Theirs') }) }];
    const { rename, session, is, name } = open();
    rename('Mine');
    await expect.poll(is).toBe('clash');
    rename('Mine, later');
    await expect
      .poll(async () => (await allDrafts()).map((one) => one.ok && one.draft.mine.name))
      .toEqual(['Mine, later']);
    expect(saves).toHaveLength(1);
    session.take();
    expect(name()).toBe('Theirs');
    session.store.getState().undo();
    expect(name()).toBe('Mine, later');
    await expect.poll(is).toBe('saved');
    expect(saves.at(-1)).toMatchObject({ basedOn: 5, name: 'Mine, later' });
  });

  test('a document the server refuses is told, kept, and not asked for again until it is another', async () => {
    answers = [{ status: 422, body: problem(422) }];
    const { rename, session, is } = open();
    rename('refused');
    await expect
      .poll(() => session.state.getState())
      .toEqual({ is: 'failing', why: 'Sentence 422.', kept: true });
    expect(await allDrafts()).toHaveLength(1);
    expect(saves).toHaveLength(1);
    rename('another');
    await expect.poll(is).toBe('saved');
  });

  test('a bag deleted elsewhere is told, and its work stays in the browser', async () => {
    answers = [{ status: 404, body: problem(404) }];
    const { rename, is } = open();
    rename('ghost');
    await expect.poll(is).toBe('gone');
    await expect.poll(async () => (await allDrafts()).length).toBe(1);
  });

  test('a gesture under way is not sent; what it comes to is', async () => {
    const { session, is } = open();
    const gesture = session.store.getState().begin();
    gesture.move((doc) => ({ ...doc, name: 'moving' }));
    expect(is()).toBe('saved');
    gesture.move((doc) => ({ ...doc, name: 'there' }));
    gesture.commit();
    await expect.poll(is).toBe('saved');
    expect(saves).toMatchObject([{ name: 'there' }]);
  });

  test('at rest it shows what the server has when it looks; with changes it does not', async () => {
    const { session, name, rename, is } = open();
    onServer = stored(2, 'From elsewhere');
    await session.look();
    expect(name()).toBe('From elsewhere');
    session.store.getState().undo();
    expect(name()).toBe('Bag');
    await expect.poll(is).toBe('saved');
    answers = ['never'];
    rename('Mine');
    onServer = stored(9, 'Later still');
    await session.look();
    expect(name()).toBe('Mine');
  });
});

describe('what a closed window left', () => {
  const draft = (name: string, base = 1) => ({
    base: { version: base, document },
    mine: named(name),
  });
  const leave = (window: string, name: string, number = 1) =>
    keepDraft({ bag: ID, window, number, draft: draft(name) });

  test('is gone on from, saved, and forgotten; undo shows what the server had', async () => {
    await leave('dead', 'Left behind');
    const { name, is, session } = open(await allDrafts());
    expect(name()).toBe('Left behind');
    await expect.poll(is).toBe('saved');
    expect(saves).toMatchObject([{ basedOn: 1, name: 'Left behind' }]);
    await expect.poll(async () => (await allDrafts()).length).toBe(0);
    session.store.getState().undo();
    expect(name()).toBe('Bag');
  });

  test('an unanswered save in it is asked for under its own id', async () => {
    const flight = { save: '1b0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f11', basedOn: 1, document: named('Sent') };
    await keepDraft({ bag: ID, window: 'dead', number: 1, draft: { ...draft('Sent, and more'), flight } });
    const { is } = open(await allDrafts());
    await expect.poll(is).toBe('saved');
    expect(saves).toMatchObject([
      { save: flight.save, basedOn: 1, name: 'Sent' },
      { basedOn: 2, name: 'Sent, and more' },
    ]);
  });

  test('what a page wrote while it was going counts before what it had written earlier', async () => {
    await leave('dead', 'Earlier', 3);
    keepLeaving({ bag: ID, window: 'dead', number: 4, draft: draft('Last') });
    expect((await allDrafts()).map((one) => one.ok && one.draft.mine.name)).toEqual(['Last']);
  });

  test('two drafts: the later is gone on from, the other waits until it is decided on', async () => {
    await leave('first', 'Earlier');
    await new Promise((done) => setTimeout(done, 5));
    await leave('second', 'Later');
    const { session, name, is } = open(await allDrafts());
    expect(name()).toBe('Later');
    await expect.poll(is).toBe('saved');
    const [left] = session.left.getState();
    expect(left?.ok && left.draft.mine.name).toBe('Earlier');
    expect((await allDrafts()).map(({ window }) => window)).toEqual(['first']);
    if (left) await session.forget(left.key);
    expect(session.left.getState()).toEqual([]);
    expect(await allDrafts()).toEqual([]);
  });

  test('one that cannot be read is neither taken up nor thrown away', async () => {
    await keepDraft({
      bag: ID,
      window: 'dead',
      number: 1,
      draft: { ...draft('x'), mine: { ...document, name: '' } },
    });
    const { session, name } = open(await allDrafts());
    expect(name()).toBe('Bag');
    expect(session.left.getState()).toMatchObject([
      { ok: false, problems: [{ path: 'name', message: 'A name cannot be empty.' }] },
    ]);
    expect(await allDrafts()).toHaveLength(1);
  });

  test('one of a bag that is gone is opened, so that it can be kept', async () => {
    await leave('dead', 'Left behind');
    onServer = undefined;
    const { name, is } = open(await allDrafts(), undefined);
    expect([name(), is()]).toEqual(['Left behind', 'gone']);
    expect(saves).toEqual([]);
  });

  test('one equal to what the server has is no change at all', async () => {
    await leave('dead', 'Theirs');
    onServer = stored(7, 'Theirs');
    const { is, name } = open(await allDrafts());
    expect([name(), is()]).toEqual(['Theirs', 'saved']);
    await expect.poll(async () => (await allDrafts()).length).toBe(0);
    expect(saves).toEqual([]);
  });
});
