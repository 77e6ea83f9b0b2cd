import type { Need, Way } from '../plan/index.ts';
import { MEASURE_NAMES } from './measure-words.ts';

type Length = (mm: number) => string;

/** What a measure that misses its target would need, in a sentence. */
export function needText({ measure, square }: Need, length: Length): string {
  if (!square) return `${MEASURE_NAMES[measure]} misses its target.`;
  return square.needed > 0
    ? `${MEASURE_NAMES[measure]}: squares of ${length(square.needed)} would fill it; yours are ${length(square.now)}.`
    : `${MEASURE_NAMES[measure]}: no square is small enough for so many.`;
}

/** One way there, to be pressed or done. */
export function wayText(way: Way, length: Length): string {
  const comes = `: ${length(way.comes)}`;
  switch (way.by) {
    case 'rounds':
      return `${way.rounds} ${way.rounds === 1 ? 'round' : 'rounds'} in each square${comes}`;
    case 'edge':
      return `${way.rounds} edge ${way.rounds === 1 ? 'round' : 'rounds'}${comes}`;
    case 'blocking':
      return `blocked ${Math.abs(way.percent).toFixed(1)} % ${way.percent > 0 ? 'larger' : 'smaller'}${comes}`;
    case 'stitches':
    case 'rows': {
      const one = Math.abs(way.more) === 1;
      const word = way.by === 'rows' ? (one ? 'row' : 'rows') : one ? 'stitch' : 'stitches';
      return `${Math.abs(way.more)} ${word} ${way.more > 0 ? 'more' : 'fewer'} in the panel${comes}`;
    }
  }
}
