import type { ScaleReading } from './reading.ts';

/** What a scale says in one line; nothing of a line that means nothing. */
export type ScaleLine =
  | { readonly of: 'name'; readonly name: string }
  | { readonly of: 'page'; readonly page: string }
  | { readonly of: 'reading'; readonly reading: ScaleReading };

/** Longest line a scale may send, characters. */
export const MOST_LINE = 200;
/** A scale that has said nothing for so long is lost, ms: it speaks at least once a second. */
export const SCALE_SILENCE = 3000;

const WEIGHT = /^(-?\d{1,7}(?:\.\d{1,3})?) g (stable|moving)$/;
const NAME = /^scale 1 (\S.{0,59})$/;
const PAGE = /^page (https?:\/\/\S{1,150})$/;

/** Reads a line of the scales' protocol: see docs/scale.md. */
export function readScaleLine(line: string): ScaleLine | undefined {
  const text = line.trim();
  if (text === 'over') return { of: 'reading', reading: { is: 'over' } };
  const weight = WEIGHT.exec(text);
  if (weight)
    return {
      of: 'reading',
      reading: { is: weight[2] === 'stable' ? 'stable' : 'moving', grams: Number(weight[1]) },
    };
  const name = NAME.exec(text);
  if (name) return { of: 'name', name: name[1] ?? '' };
  const page = PAGE.exec(text);
  return page ? { of: 'page', page: page[1] ?? '' } : undefined;
}

/** What a scale shows as a line; nothing of one that is lost, which says nothing. */
export function scaleLine(reading: ScaleReading): string {
  switch (reading.is) {
    case 'stable':
    case 'moving':
      return `${reading.grams.toFixed(1)} g ${reading.is}`;
    case 'over':
      return 'over';
    case 'lost':
      return '';
  }
}
