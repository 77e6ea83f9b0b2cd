import type { BriefMeasure } from '../document/index.ts';

/** What a measure is called in a sentence. */
export const MEASURE_WORDS: Record<BriefMeasure, string> = {
  width: 'width',
  height: 'height',
  depth: 'depth',
  opening: 'opening',
  strapDrop: 'strap drop',
};

/** What it is called where it stands by itself. */
export const MEASURE_NAMES: Record<BriefMeasure, string> = {
  width: 'Width',
  height: 'Height',
  depth: 'Depth',
  opening: 'Opening, round',
  strapDrop: 'Strap drop',
};
