import { inTerms, writeRow } from '../../fabric/index.ts';
import type { Terms } from '../../stitches/index.ts';
import { countOf } from './round.ts';
import type { NumberedRound } from './work-rounds.ts';

/**
 * The rounds of a motif as a maker would write them, each with its count in brackets: the Row bench reads them again, to
 * the same counts.
 */
export function motifWords(rounds: readonly NumberedRound[], terms: Terms): string {
  const [first] = rounds;
  const begin = first?.round.into;
  const what = begin?.of === 'ring' && begin.open ? 'Row' : 'Round';
  return rounds
    .map(({ number, onto, instructions, tops }) => {
      const on = onto === number - 1 ? '' : ` on round ${onto}`;
      return `${what} ${number}${on}: ${writeRow(instructions, terms)} (${countOf(tops)})`;
    })
    .join('\n');
}

/** What is worked in one round, in words: what a maker who wants to say it otherwise begins with. */
export const roundWords = ({ instructions }: NumberedRound, terms: Terms): string =>
  writeRow(instructions, terms);

const HEAD = 'Round 1: ';

/** Words of a round in the other country's; what cannot be read stays as it is. */
export const wordsIn = (words: string, from: Terms, to: Terms): string =>
  inTerms({ rows: `${HEAD}${words}`, terms: from }, to).rows.slice(HEAD.length);
