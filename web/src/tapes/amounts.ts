import type { LengthSystem } from '@fennot/core';

/** A length of yarn in whole metres or yards: an estimate has no decimals. */
export const wholeYarn = (yarnMm: number, system: LengthSystem): string =>
  system === 'cm' ? `${Math.ceil(yarnMm / 1000)} m` : `${Math.ceil(yarnMm / 914.4)} yd`;

/** Hours of work, to the half below ten and whole above. */
export function hours(minutes: number): string {
  const own = minutes / 60;
  return own < 10 ? `${Math.max(0.5, Math.round(own * 2) / 2)} h` : `${Math.round(own)} h`;
}
