// @vitest-environment happy-dom
import type { Scale } from '@fennot/core';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { TakeFromScale } from './TakeFromScale.tsx';

/** A stream of events that a test writes. */
class Stream extends EventTarget {
  static open: Stream | undefined;
  closed = false;
  onerror: (() => void) | null = null;
  constructor() {
    super();
    Stream.open = this;
  }
  close() {
    this.closed = true;
  }
  say(name: string, data: unknown) {
    act(() => void this.dispatchEvent(new MessageEvent(name, { data: JSON.stringify(data) })));
  }
}

beforeEach(() => {
  Stream.open = undefined;
  vi.stubGlobal('EventSource', Stream);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const scale = (reading: Scale['reading'], fields: Partial<Scale> = {}): Scale => ({
  id: 'one',
  name: 'Kitchen',
  reading,
  ...fields,
});

async function open() {
  const taken: number[] = [];
  render(<TakeFromScale of="the ball" onTake={(grams) => taken.push(grams)} />);
  const hands = userEvent.setup({ delay: null });
  expect(Stream.open).toBeUndefined();
  await hands.click(screen.getByRole('button', { name: 'Take the ball from the scale' }));
  const stream = Stream.open;
  if (!stream) throw new Error('Nobody listens.');
  return { hands, taken, stream };
}

test('is listened to only while it is looked at; what has come to rest is taken', async () => {
  const { hands, taken, stream } = await open();
  stream.say('all', [scale({ is: 'moving', grams: 13.1 })]);
  expect(screen.getByText('13.1 g')).toBeTruthy();
  expect(screen.getByText('It has not come to rest.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^Take \d/ })).toBeNull();
  stream.say('scale', scale({ is: 'stable', grams: 14.2 }));
  await hands.click(screen.getByRole('button', { name: 'Take 14.2 g' }));
  expect(taken).toEqual([14.2]);
  expect(stream.closed).toBe(true);
});

test.each([
  [{ is: 'over' }, 'More lies on it than it can weigh.'],
  [{ is: 'lost' }, 'It does not answer. Is it switched on?'],
  [{ is: 'stable', grams: -3 }, 'It shows less than nothing: set it to zero with nothing on it.'],
  [{ is: 'stable', grams: 0 }, 'Nothing lies on it.'],
] as const)('%j is shown as what it is, and never taken', async (reading, says) => {
  const { stream } = await open();
  stream.say('all', [scale(reading)]);
  expect(screen.getByText(says)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^Take \d/ })).toBeNull();
});

test('of two scales each has its own button; without any, that is said; nothing old is shown when the server is away', async () => {
  const { hands, taken, stream } = await open();
  stream.say('all', []);
  expect(screen.getByText('No scale is connected.')).toBeTruthy();
  stream.say('all', [
    scale({ is: 'stable', grams: 1 }),
    scale({ is: 'stable', grams: 2 }, { id: 'two', name: 'Letter' }),
  ]);
  expect(screen.getAllByRole('button', { name: /^Take \d/ })).toHaveLength(2);
  act(() => stream.onerror?.());
  expect(screen.queryAllByRole('button', { name: /^Take \d/ })).toHaveLength(0);
  stream.say('all', [scale({ is: 'stable', grams: 2 }, { id: 'two', name: 'Letter' })]);
  stream.say('scale', 'nonsense');
  await hands.click(screen.getByRole('button', { name: 'Take 2.0 g' }));
  expect(taken).toEqual([2]);
});
