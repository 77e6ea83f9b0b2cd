import type { LineMatch } from '../match/index.ts';

/** The ease of a line in a sentence. */
export function verdictText({ ease, a, b }: LineMatch): string {
  const size = `${Math.abs(ease.percent).toFixed(1)} %`;
  const who = `${b.pieces[0]} is ${size} ${ease.percent < 0 ? 'shorter' : 'longer'} than ${
    a.pieces.length > 1 ? 'its partners' : a.pieces[0]
  }`;
  switch (ease.verdict) {
    case 'even':
      return 'Both edges have the same length.';
    case 'invisible':
      return `${who}: eased in, it will not show.`;
    case 'visible':
      return `${who}: it can be eased in, and will show a little.`;
    case 'puckers':
      return `${who}: the seam will pucker.`;
  }
}
