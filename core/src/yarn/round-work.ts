import type { BagDocument, Motif } from '../document/index.ts';
import { swatchOf } from '../document/look-up.ts';
import { swatchGauge } from '../fit/index.ts';
import { ownRoundTops } from '../motif/index.ts';
import { TAIL } from '../runs/index.ts';
import type { Stitch } from '../stitches/index.ts';
import { TIME_OF_TOP, YARN_BY_PITCH, YARN_OF_TOP } from './rates.ts';
import { roundStitches } from './stitches-of.ts';

/**
 * Yarn each round of a motif takes, from the heart outwards, mm: its stitches by gauge and kind, and two tails, as every
 * round may be of another colour.
 */
export function roundYarn(document: BagDocument, motif: Motif, rounds: number): number[] {
  const { stitch, strands, ...swatch } = swatchOf(document, motif.swatch);
  const pitch = swatchGauge(document, { ...swatch, stitch, strands }).pitch.value;
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

/** How often each yarn is begun in rounds of these colours: at the first, and wherever it is another than before. */
export function begunIn(colours: readonly string[]): Map<string, number> {
  const begun = new Map<string, number>();
  colours.forEach((yarn, i) => {
    if (i === 0 || yarn !== colours[i - 1]) begun.set(yarn, (begun.get(yarn) ?? 0) + 1);
  });
  return begun;
}
