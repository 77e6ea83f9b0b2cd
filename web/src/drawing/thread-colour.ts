import { must } from '@fennot/core';

const THREADS = ['#136f82', '#b3572f', '#4f7345', '#9b2f6b', '#7a5a00', '#2a3550'] as const;

/** The colour a run is drawn in on both drawings; it is told by its number as well. */
export const threadColour = (run: number): string => must(THREADS[(run - 1) % THREADS.length], 'thread');
