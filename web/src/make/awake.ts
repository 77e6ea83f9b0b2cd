import { useEffect } from 'react';

/**
 * Keeps the screen awake as long as this is shown. On a line that the browser does not trust there is no such thing: the screen
 * then goes dark by itself, and nothing else is different.
 */
export function useAwake(): void {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = async () => {
      if (over || document.visibilityState !== 'visible') return;
      try {
        const held = await navigator.wakeLock.request('screen');
        if (over) void held.release();
        else lock = held;
      } catch {
        // Little battery, say: the device knows better.
      }
    };
    void ask();
    // It is let go whenever the page is hidden.
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}

/** A short buzz, where the device can: for the hand to feel that something comes. */
export function buzz(...pattern: readonly number[]): void {
  if ('vibrate' in navigator) navigator.vibrate([...pattern]);
}
