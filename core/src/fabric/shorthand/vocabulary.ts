import { STITCHES, type Stitch, type Terms } from '../../stitches/index.ts';

/** Names of basic stitches as they are written, each word whichever country uses it. */
export const NAMES = ['sc', 'hdc', 'dc', 'htr', 'tr', 'dtr'] as const;
export type Name = (typeof NAMES)[number];

/** Abbreviations of the basic stitches from low to high, by country. */
const ABBREVIATIONS: Record<Terms, Record<Stitch, Name>> = {
  us: { low: 'sc', mid: 'hdc', tall: 'dc', high: 'tr' },
  uk: { low: 'dc', mid: 'htr', tall: 'tr', high: 'dtr' },
};

/** How a basic stitch is written. */
export const abbreviation = (stitch: Stitch, terms: Terms): Name => ABBREVIATIONS[terms][stitch];

const other = (terms: Terms): Terms => (terms === 'us' ? 'uk' : 'us');

/**
 * The stitch that a written name means in these terms. A name that only the other country has can mean but one stitch:
 * it is taken for that, and said.
 */
export function meantBy(name: Name, terms: Terms): { readonly stitch: Stitch; readonly foreign: boolean } {
  const own = STITCHES.find((stitch) => abbreviation(stitch, terms) === name);
  if (own) return { stitch: own, foreign: false };
  const theirs = STITCHES.find((stitch) => abbreviation(stitch, other(terms)) === name);
  return { stitch: theirs ?? 'high', foreign: true };
}
