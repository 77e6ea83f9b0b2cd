import type { Plan } from '@fennot/core';
import type { BagStore } from '../open-bag/store.ts';
import { MEASURE_WORDS } from '../tapes/measure-names.ts';

/** What every station's worktop is given. */
export interface StationProps {
  readonly plan: Plan;
  readonly store: BagStore;
}

/** The stations in working order. */
export const STATIONS = ['brief', 'swatch', 'build', 'sides', 'joins', 'finish'] as const;
export type Station = (typeof STATIONS)[number];

export const stationName: Record<Station, string> = {
  brief: 'Brief',
  swatch: 'Swatch',
  build: 'Build',
  sides: 'Sides',
  joins: 'Joins',
  finish: 'Finish',
};

/** Something at a station that is undecided or does not come out, in a few words. */
export function stationNotes(plan: Plan): Partial<Record<Station, string>> {
  const { document } = plan;
  const notes: Partial<Record<Station, string>> = {};
  if (plan.tapes.every(({ target }) => !target)) notes.brief = 'no target yet';
  if (plan.contents.some(({ fits }) => !fits)) notes.brief = 'something does not fit';
  const unmeasured =
    document.motifs.length > 0
      ? plan.sizes.some(({ what, origin }) => what.of === 'motif' && origin === 'estimated')
      : document.swatches.some((swatch) => !swatch.stitches || !swatch.rows);
  if (unmeasured) notes.swatch = 'not measured';
  const off = plan.tapes
    .filter(({ verdict }) => verdict === 'under' || verdict === 'over')
    .map(({ measure }) => measure);
  const sizes = off.filter((measure) => measure !== 'strapDrop');
  if (sizes.length > 0) notes.build = `${sizes.map((measure) => MEASURE_WORDS[measure]).join(' and ')} off`;
  if (off.includes('strapDrop')) notes.finish = `${MEASURE_WORDS.strapDrop} off`;
  const worst = plan.lines.filter(({ ease }) => ease.verdict === 'puckers' || ease.verdict === 'visible');
  if (worst.length > 0) notes.sides = 'does not come out';
  return notes;
}
