import type { StripVerdict } from '../match/index.ts';

/** How a strip stands to its way, in a sentence. */
export function stripText({ missing }: StripVerdict, counts: string): string {
  if (missing === 0) return 'It comes out.';
  return `It is ${Math.abs(missing)} ${counts} ${missing > 0 ? 'short' : 'too long'}.`;
}

/** What would mend it, to be pressed. */
export const stripCureText = ({ missing }: StripVerdict, counts: string): string =>
  missing > 0 ? `Add ${missing} ${counts}` : `Leave out ${-missing} ${counts}`;
