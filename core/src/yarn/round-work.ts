import type { BagDocument, Colourway, Motif } from '../document/index.ts';
import { swatchOf } from '../document/look-up.ts';
import { ownRoundTops } from '../motif/index.ts';
import { TAIL } from '../runs/index.ts';
import type { Stitch } from '../stitches/index.ts';
import { learnt } from './learn.ts';
import { TIME_OF_TOP, YARN_BY_PITCH, YARN_OF_TOP } from './rates.ts';
import { roundStitches } from './stitches-of.ts';
import { pitchOf } from './thread.ts';

/**
 * Yarn each round of a motif takes, from the heart outwards, mm: its stitches by gauge and kind, and two tails, as every
 * round may be of another colour.
 */
export function roundYarn(document: BagDocument, motif: Motif, rounds: number): number[] {
  const swatch = swatchOf(document, motif.swatch);
  const { stitch, strands } = swatch;
  const pitch = pitchOf(document, swatch) * (learnt(document).factors.get(swatch.id) ?? 1);
  return Array.from(
    { length: rounds },
    (_, r) => (roundWork(motif, r + 1, stitch).pitches * pitch + 2 * TAIL) * strands,
  );
}

/**
 * What one round takes: its stitches, their yarn in pitches, and their time in low stitches. One of the kinds takes so many
 * of its swatch's stitch; one by its own rounds each of its stitches, and its chains.
 */
export function roundWork(
  motif: Motif,
  round: number,
  by: Stitch,
): { readonly stitches: number; readonly pitches: number; readonly time: number } {
  const stitches = roundStitches(motif, round);
  if (motif.making?.of !== 'rounds')
    return { stitches, pitches: stitches * YARN_BY_PITCH[by], time: stitches * TIME_OF_TOP[by] };
  let [pitches, time] = [0, 0];
  for (const [kind, many] of ownRoundTops(motif.making, round, motif.kind)) {
    pitches += many * YARN_OF_TOP[kind];
    time += many * TIME_OF_TOP[kind];
  }
  return { stitches, pitches, time };
}

/**
 * How often each yarn is begun in rounds of these colours: at the first, and wherever it is another than before; one that
 * is carried up to its next round is begun once.
 */
export function begunIn({ ends }: Pick<Motif, 'ends'>, colours: readonly string[]): Map<string, number> {
  const begun = new Map<string, number>();
  colours.forEach((yarn, i) => {
    const before = begun.get(yarn) ?? 0;
    if (ends === 'carried') begun.set(yarn, 1);
    else if (i === 0 || yarn !== colours[i - 1]) begun.set(yarn, before + 1);
  });
  return begun;
}

/**
 * Ends of a motif that are left to hide: two of every length it is worked with. Where ends are worked over as one goes, the
 * last one alone, which nothing comes after.
 */
export function motifEnds(motif: Pick<Motif, 'ends'>, colours: readonly string[]): number {
  if (motif.ends === 'worked-over') return 1;
  return 2 * [...begunIn(motif, colours).values()].reduce((sum, many) => sum + many, 0);
}

/** Yarn of each of so many rounds in a colourway; without one, of its swatch. */
export const roundColours = (way: Colourway | undefined, rounds: number, plain: string): string[] =>
  Array.from({ length: rounds }, (_, r) => way?.rounds[Math.min(r, way.rounds.length - 1)] ?? plain);
