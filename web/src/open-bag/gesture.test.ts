import { beginDocument } from '@fennot/core';
import { expect, test } from 'vitest';
import { beginGesture } from './gesture.ts';
import { createBagStore } from './store.ts';

test('a gesture of many changes is one step of undo, and one that changes nothing is none', () => {
  const store = createBagStore(beginDocument({ name: 'Start' }));
  const name = () => store.getState().document.name;
  const { undo, redo } = store.temporal.getState();
  const end = beginGesture(store);
  for (const next of ['a', 'b', 'c']) store.getState().change((doc) => ({ ...doc, name: next }));
  end();
  expect(name()).toBe('c');
  undo();
  expect(name()).toBe('Start');
  redo();
  expect(name()).toBe('c');
  beginGesture(store)();
  undo();
  expect(name()).toBe('Start');
});
