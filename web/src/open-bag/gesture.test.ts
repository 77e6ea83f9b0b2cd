import { beginDocument, mm } from '@fennot/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagStore, createBagStore, settled } from './store.ts';

const open = () => createBagStore(beginDocument({ name: 'Start' }));
const named = (name: string) => (document: ReturnType<typeof beginDocument>) => ({ ...document, name });
const nameOf = (store: BagStore) => store.getState().document.name;

describe('a gesture', () => {
  test('of many moves is one step of undo', () => {
    const store = open();
    const pull = store.getState().begin();
    for (const name of ['a', 'b', 'c']) pull.move(named(name));
    expect(nameOf(store)).toBe('c');
    pull.commit();
    store.getState().undo();
    expect(nameOf(store)).toBe('Start');
    store.getState().redo();
    expect(nameOf(store)).toBe('c');
  });

  test('given up, it leaves no trace, and undo goes on working', () => {
    const store = open();
    store.getState().change(named('before'));
    const pull = store.getState().begin();
    pull.move(named('pulled'));
    pull.cancel();
    expect(nameOf(store)).toBe('before');
    store.getState().change(named('after'));
    store.getState().undo();
    expect(nameOf(store)).toBe('before');
    store.getState().undo();
    expect(nameOf(store)).toBe('Start');
  });

  test('that comes back to where it began is no step of undo', () => {
    const store = open();
    const pull = store.getState().begin();
    pull.move(named('away'));
    pull.move((document) => document);
    pull.commit();
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });

  test('every move starts from the beginning, not from the move before', () => {
    const store = open();
    const pull = store.getState().begin();
    for (let i = 0; i < 3; i++) pull.move((document) => ({ ...document, name: `${document.name}!` }));
    expect(nameOf(store)).toBe('Start!');
    pull.commit();
  });

  test('a move that makes no bag is refused in words, and the last good one stands', () => {
    const store = open();
    const pull = store.getState().begin();
    pull.move(named('good'));
    expect(pull.move(named(''))).toBe('A name cannot be empty.');
    expect(nameOf(store)).toBe('good');
    pull.commit();
    store.getState().undo();
    expect(nameOf(store)).toBe('Start');
  });

  test('under way, what is worth keeping is the bag before it; a change or another gesture ends it', () => {
    const store = open();
    const first = store.getState().begin();
    first.move(named('moving'));
    expect(settled(store.getState()).name).toBe('Start');
    const second = store.getState().begin();
    expect(settled(store.getState()).name).toBe('moving');
    first.move(named('too late'));
    first.cancel();
    expect(nameOf(store)).toBe('moving');
    second.move(named('again'));
    store.getState().change(named('typed'));
    expect(settled(store.getState()).name).toBe('typed');
    for (const name of ['again', 'moving', 'Start']) {
      store.getState().undo();
      expect(nameOf(store)).toBe(name);
    }
  });

  test('undo in the middle of one gives it up', () => {
    const store = open();
    store.getState().change(named('one'));
    const pull = store.getState().begin();
    pull.move(named('moving'));
    store.getState().undo();
    expect(nameOf(store)).toBe('Start');
    pull.move(named('ghost'));
    expect(nameOf(store)).toBe('Start');
  });
});

test('any mixture of changes and gestures is undone one by one, and done again', () => {
  const step = fc.oneof(
    fc.record({ is: fc.constant('change' as const), name: fc.stringMatching(/^[a-z]{1,3}$/) }),
    fc.record({
      is: fc.constantFrom('commit' as const, 'cancel' as const),
      names: fc.array(fc.stringMatching(/^[a-z]{0,2}$/), { maxLength: 4 }),
    }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      const store = open();
      // What a maker would write down: the name after each step that changed something.
      const told = ['Start'];
      const tell = (name: string) => {
        if (name !== told.at(-1)) told.push(name);
      };
      for (const one of steps) {
        if (one.is === 'change') {
          store.getState().change(named(one.name));
          tell(one.name);
          continue;
        }
        const pull = store.getState().begin();
        let at = told.at(-1) ?? '';
        for (const name of one.names) if (pull.move(named(name)) === undefined) at = name;
        pull[one.is]();
        if (one.is === 'commit') tell(at);
      }
      const back = [nameOf(store)];
      while (store.temporal.getState().pastStates.length > 0) {
        store.getState().undo();
        back.push(nameOf(store));
      }
      expect(back.reverse()).toEqual(told);
      while (store.temporal.getState().futureStates.length > 0) store.getState().redo();
      expect(nameOf(store)).toBe(told.at(-1));
    }),
    { numRuns: 60 },
  );
});

describe('the door', () => {
  test('takes no bag that cannot be shown or saved', () => {
    const store = open();
    const { change, document } = { ...store.getState() };
    const contents = Array.from({ length: 31 }, (_, i) => ({
      shape: 'box' as const,
      id: `c${i}`,
      name: 'Box',
      height: mm(10),
      width: mm(10),
      thickness: mm(10),
    }));
    expect(change((doc) => ({ ...doc, brief: { ...doc.brief, contents } }))).toContain('at most 30 things');
    expect(
      change((doc) => ({
        ...doc,
        joins: { ...doc.joins, measuredStrip: { motif: 'm1', rounds: 5, motifs: 3, length: mm(30) } },
      })),
    ).toContain('each join takes');
    expect(
      change((doc) => ({
        ...doc,
        construction: {
          family: 'wrap-round',
          laid: 'tube',
          bottom: 'seam',
          sides: 'joins',
          body: { of: 'motifs', motif: 'm1', rounds: 5, columns: 40, rows: 40 },
        },
      })),
    ).toContain('1,600 pieces');
    expect(store.getState().document).toBe(document);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });

  test('keeps whatever did not change the same object, and knows when nothing changed', () => {
    const store = open();
    const { document, change } = store.getState();
    change((doc) => ({ ...structuredClone(doc), note: 'new' }));
    const next = store.getState().document;
    expect(next.construction).toBe(document.construction);
    expect(next.motifs).toBe(document.motifs);
    change((doc) => structuredClone(doc));
    expect(store.getState().document).toBe(next);
  });
});
