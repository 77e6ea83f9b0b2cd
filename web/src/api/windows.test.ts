import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Word } from './windows.ts';

/** Each window of the browser has the module to itself. */
const openWindow = async () => {
  vi.resetModules();
  return import('./windows.ts');
};

/** Locks as a browser has them, for all of its windows: names that are held, and who waits. */
class Locks {
  readonly held = new Map<string, () => void>();
  private readonly waiting = new Map<string, (() => void)[]>();

  request = (
    name: string,
    options: { ifAvailable?: boolean; signal?: AbortSignal } | (() => Promise<unknown>),
    act?: (lock: object | null) => Promise<unknown>,
  ): Promise<unknown> => {
    const work = typeof options === 'function' ? options : act;
    const { ifAvailable, signal } = typeof options === 'function' ? {} : options;
    if (!work) throw new Error('no work');
    if (this.held.has(name)) {
      if (ifAvailable) return Promise.resolve(work(null));
      return new Promise((resolve, reject) => {
        const list = this.waiting.get(name) ?? [];
        list.push(() => resolve(work({})));
        this.waiting.set(name, list);
        signal?.addEventListener('abort', () => reject(new Error('aborted')));
      });
    }
    return new Promise((resolve) => {
      this.held.set(name, () => {});
      const done = Promise.resolve(work({}));
      void done.then((value) => {
        this.free(name);
        resolve(value);
      });
    });
  };

  /** As when the page that holds it is gone. */
  free(name: string): void {
    this.held.delete(name);
    for (const go of this.waiting.get(name) ?? []) go();
    this.waiting.delete(name);
  }
}

let locks: Locks;
beforeEach(() => {
  locks = new Locks();
});
afterEach(() => vi.unstubAllGlobals());

describe.each(['with locks', 'without locks, as on a page over plain http'] as const)('windows %s', (how) => {
  beforeEach(() => vi.stubGlobal('navigator', how === 'with locks' ? { locks } : {}));

  test('hear what another says, and not what they say themselves', async () => {
    const [one, other] = [await openWindow(), await openWindow()];
    const heard: Word[][] = [[], []];
    const stops = [one.listen((word) => heard[0]?.push(word)), other.listen((word) => heard[1]?.push(word))];
    one.say({ of: 'bag', bag: 'b', is: 'saved', version: 2 });
    await expect.poll(() => heard[1]).toEqual([{ of: 'bag', bag: 'b', is: 'saved', version: 2 }]);
    expect(heard[0]).toEqual([]);
    for (const stop of stops) stop();
    one.say({ of: 'bag', bag: 'b', is: 'deleted' });
    await new Promise((done) => setTimeout(done, 20));
    expect(heard[1]).toHaveLength(1);
  });

  test('know which of them are there', async () => {
    const [one, other] = [await openWindow(), await openWindow()];
    other.listen(() => {});
    expect(one.WINDOW).not.toBe(other.WINDOW);
    expect(await one.isAlive(one.WINDOW)).toBe(true);
    expect(await one.isAlive(other.WINDOW)).toBe(true);
    expect(await one.isAlive('long-gone')).toBe(false);
  });
});

test('a window that is just going is waited for, and one that goes later is told of', async () => {
  vi.stubGlobal('navigator', { locks });
  const [one, other] = [await openWindow(), await openWindow()];
  other.listen(() => {});
  const asked = one.isAlive(other.WINDOW);
  setTimeout(() => locks.free(`fennot-window-${other.WINDOW}`), 30);
  expect(await asked).toBe(false);

  const third = await openWindow();
  third.listen(() => {});
  const told = one.whenGone(third.WINDOW, new AbortController().signal);
  setTimeout(() => locks.free(`fennot-window-${third.WINDOW}`), 30);
  expect(await told).toBe(true);
});
