import type { LengthSystem } from './length.ts';

/**
 * A length of yarn in whole metres or yards: an estimate has no decimals. What is needed or missing is rounded up, what is
 * left over (`spare`) down, so that nobody counts on yarn that is not there.
 */
export function wholeYarn(mm: number, system: LengthSystem, { spare = false } = {}): string {
  const [unit, name] = system === 'cm' ? [1000, 'm'] : [914.4, 'yd'];
  const whole = spare ? Math.floor(mm / unit + 1e-9) : Math.ceil(mm / unit - 1e-9);
  return `${whole || 0} ${name}`;
}
