/** Median, fastest and slowest of repeated runs, ms, after a warm-up. */
export interface Timing {
  readonly median: number;
  readonly min: number;
  readonly max: number;
}

export function time(work: () => unknown, runs = 60, warmUp = 60): Timing {
  for (let i = 0; i < warmUp; i++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[runs >> 1] ?? 0, min: times[0] ?? 0, max: times.at(-1) ?? 0 };
}

const ms = (value: number) => `${value.toFixed(2)} ms`;

/** One line of the report: what, how long, and what it is held against. */
export function report(what: string, { median, min, max }: Timing, beside: string): void {
  console.log(`${what.padEnd(58)} ${ms(median).padStart(11)}  (${ms(min)} to ${ms(max)})   ${beside}`);
}
