import type { StripVerdict } from '../match/index.ts';

const off = (missing: number, counts: string) =>
  `${Math.abs(missing)} ${counts} ${missing > 0 ? 'short' : 'too long'}`;

const eased = (ease: number) => `${Math.abs(ease).toFixed(1)} % ${ease > 0 ? 'eased in' : 'stretched'}`;

/** How a strip stands to its way, by length and by count, each with what it does to the other. */
export function stripText({ missing, missingByCount, ease }: StripVerdict, counts: string): string {
  if (missing === 0 && missingByCount === 0) return 'It comes out, by length and by count.';
  if (missing === 0)
    return `It comes out by length; by count, a row end for each stitch of the sides, it is ${off(missingByCount, counts)}.`;
  if (missingByCount === 0)
    return `It comes out by count, a row end for each stitch of the sides; by length it is ${off(missing, counts)}, ${eased(ease)}.`;
  return `It is ${off(missing, counts)} by length, and ${off(missingByCount, counts)} by count.`;
}

/** What would mend it, to be pressed. */
export const stripCureText = (missing: number, counts: string, school: 'length' | 'count'): string =>
  `${missing > 0 ? `Add ${missing}` : `Leave out ${-missing}`} ${counts}: by ${school}`;
