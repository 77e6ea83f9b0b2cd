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

/** Two pieces of work timed in turn, so that whatever else the machine does meets both alike. */
export function timePair(one: () => unknown, other: () => unknown, runs = 60, warmUp = 40) {
  const times: [number[], number[]] = [[], []];
  for (let i = 0; i < warmUp + runs; i++) {
    for (const [which, work] of [one, other].entries()) {
      const start = performance.now();
      work();
      if (i >= warmUp) times[which === 0 ? 0 : 1].push(performance.now() - start);
    }
  }
  const summary = (list: number[]): Timing => {
    const sorted = list.sort((a, b) => a - b);
    return { median: sorted[runs >> 1] ?? 0, min: sorted[0] ?? 0, max: sorted.at(-1) ?? 0 };
  };
  return [summary(times[0]), summary(times[1])] as const;
}

const ms = (value: number) => `${value.toFixed(2)} ms`;

/** One line of the report: what, how long, and what it is held against. */
export function report(what: string, { median, min, max }: Timing, beside: string): void {
  console.log(`${what.padEnd(58)} ${ms(median).padStart(11)}  (${ms(min)} to ${ms(max)})   ${beside}`);
}
