/** Whether a figure comes from the maker's own tape or from a table. Said wherever it is shown. */
export type Origin = 'measured' | 'estimated';

/** A value with its standard error, in the value's own unit. */
export interface Estimate {
  readonly value: number;
  readonly sd: number;
  readonly origin: Origin;
}

/** Half-width of a 90 % range in standard errors of a normal error. */
export const Z90 = 1.645;

export interface Range {
  readonly low: number;
  readonly high: number;
}

export const range90 = (value: number, sd: number): Range => ({
  low: value - Z90 * sd,
  high: value + Z90 * sd,
});

/** Weighs two independent estimates of one thing by their precision. */
export function combine(a: Estimate, b: Estimate): Estimate {
  const wa = 1 / a.sd ** 2;
  const wb = 1 / b.sd ** 2;
  return {
    value: (a.value * wa + b.value * wb) / (wa + wb),
    sd: Math.sqrt(1 / (wa + wb)),
    origin: a.origin === 'measured' || b.origin === 'measured' ? 'measured' : 'estimated',
  };
}
