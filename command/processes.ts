import { readFileSync } from 'node:fs';
import { pause } from './told.ts';

/** A process, and not another one that came to the same number later. */
export interface Who {
  readonly pid: number;
  /** When it was started, in the kernel's ticks since the machine was. */
  readonly started: string;
}

/** A process by its number, if it lives: one that has ended and waits to be noticed does not. */
export function whoIs(pid: number): Who | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name in brackets may hold anything, brackets and blanks too.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    const [state] = fields;
    const started = fields[19];
    return started === undefined || state === 'Z' || state === 'X' ? undefined : { pid, started };
  } catch {
    return undefined;
  }
}

export const me = (): Who => whoIs(process.pid) ?? { pid: process.pid, started: '' };

export const lives = ({ pid, started }: Who): boolean => whoIs(pid)?.started === started;

/** Ends a process: asks it to, and after some patience (ms) does not ask any more. Never touches another one. */
export async function end(who: Who, patience: number): Promise<void> {
  for (const [signal, wait] of [
    ['SIGTERM', patience],
    ['SIGKILL', 5000],
  ] as const) {
    if (!lives(who)) return;
    try {
      process.kill(who.pid, signal);
    } catch {
      return;
    }
    for (const until = Date.now() + wait; lives(who) && Date.now() < until; ) await pause(50);
  }
}
