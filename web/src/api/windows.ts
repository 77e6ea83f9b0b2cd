import type { MakeEvent } from '@fennot/core';
import { nanoid } from 'nanoid';

/** What windows of one browser tell each other of a bag, or of what a maker has beside bags. */
export type Word =
  | { readonly of: 'bag'; readonly bag: string; readonly is: 'saved'; readonly version: number }
  | { readonly of: 'bag'; readonly bag: string; readonly is: 'deleted' | 'restored' }
  | { readonly of: 'holdings'; readonly is: 'changed' }
  /** What was done on a bag, and is on the disk. */
  | {
      readonly of: 'events';
      readonly maker: string;
      readonly bag: string;
      readonly events: readonly MakeEvent[];
    }
  /** Somebody signed in or out in this browser. */
  | { readonly of: 'session'; readonly is: 'changed' }
  | { readonly of: 'window'; readonly is: 'asked' | 'answers'; readonly window: string };

const CHANNEL = 'fennot';
/** So long a window is given to say that it is there, where the browser has no locks, ms. */
const ASKING = 300;
/** So long a page that is being reloaded is given to be gone, ms. */
const GOING = 700;

const lockOf = (window: string) => `fennot-window-${window}`;

/** This window's own name. Every page has its own: a tab that is duplicated or reloaded is another window. */
export const WINDOW = nanoid();

let channel: BroadcastChannel | undefined;
const listeners = new Set<(word: Word) => void>();

/** Makes this window known to the others, once. */
function join(): BroadcastChannel {
  if (channel) return channel;
  const own = new BroadcastChannel(CHANNEL);
  channel = own;
  own.onmessage = ({ data }: MessageEvent<Word>) => {
    if (data.of === 'window' && data.is === 'asked' && data.window === WINDOW)
      own.postMessage({ of: 'window', is: 'answers', window: WINDOW } satisfies Word);
    for (const listener of listeners) listener(data);
  };
  // Held until the page is gone, however it goes.
  void navigator.locks?.request(lockOf(WINDOW), () => new Promise(() => {}));
  return own;
}

export function say(word: Word): void {
  join().postMessage(word);
}

/** Calls back for whatever other windows say; returns how to stop. */
export function listen(listener: (word: Word) => void): () => void {
  join();
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether another window is still there. One that is just being reloaded is waited for. */
export async function isAlive(window: string): Promise<boolean> {
  join();
  if (window === WINDOW) return true;
  if (navigator.locks) {
    const free = await navigator.locks.request(
      lockOf(window),
      { ifAvailable: true },
      async (lock) => lock !== null,
    );
    if (free) return false;
    const gone = await navigator.locks
      .request(lockOf(window), { signal: AbortSignal.timeout(GOING) }, async () => true)
      .catch(() => false);
    return !gone;
  }
  return new Promise((resolve) => {
    const stop = listen((word) => {
      if (word.of === 'window' && word.is === 'answers' && word.window === window) done(true);
    });
    const timer = setTimeout(() => done(false), ASKING);
    const done = (alive: boolean) => {
      clearTimeout(timer);
      stop();
      resolve(alive);
    };
    say({ of: 'window', is: 'asked', window });
  });
}

/** Resolves when another window is gone; never where the browser has no locks to tell. */
export function whenGone(window: string, signal: AbortSignal): Promise<boolean> {
  if (!navigator.locks) return new Promise(() => {});
  return navigator.locks.request(lockOf(window), { signal }, async () => true).catch(() => false);
}
