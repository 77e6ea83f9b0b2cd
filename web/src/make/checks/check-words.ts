import { type Change, type Check, MEASURE_WORDS, type Move } from '@fennot/core';

type SayLength = (mm: number) => string;

/** What is to be measured, and how. */
export function askText({ what, at }: Check): { readonly title: string; readonly how: string } {
  switch (what.of) {
    case 'motif':
      return what.blocked
        ? {
            title: 'Measure one after blocking',
            how: 'Dry and unpinned, across the middle from side to side.',
          }
        : { title: 'Lay it under the tape', how: 'Flat, not pulled, across the middle from side to side.' };
    case 'rows':
      return { title: `Measure the ${at} rows`, how: 'Flat, not pulled, from the first row to the last.' };
    case 'stitches':
      return { title: `Measure ${at} stitches`, how: 'Flat, not pulled, along one row.' };
    case 'joined':
      return {
        title: `Measure ${at} of them joined in a row`,
        how: 'Flat, not pulled, from the outer side of the first to that of the last, joins and all.',
      };
    case 'tape':
      return { title: `Measure the bag: its ${MEASURE_WORDS[what.measure]}`, how: TAPED[what.measure] };
  }
}

const TAPED: Record<Extract<Check['what'], { of: 'tape' }>['measure'], string> = {
  width: 'Pressed flat as it is planned, across its widest place.',
  height: 'From the bottom up to the rim, edge rounds with it, straps without.',
  depth: 'From front to back at the bottom, opened as it stands.',
  opening: 'Half the way round the rim: laid flat, from side to side.',
  strapDrop: 'Hung up empty, from the highest place of the strap down to the rim.',
};

/** `its width is 1.0 cm less, its height 4 mm more`; nothing where nothing moves. */
export const movesText = (moves: readonly Move[], say: SayLength): string =>
  moves
    .map(
      ({ measure, by }) =>
        `its ${MEASURE_WORDS[measure]} is ${say(Math.abs(by))} ${by < 0 ? 'less' : 'more'}`,
    )
    .join(', ');

/** What a way on asks of the maker. */
export function changeText(change: Change): string {
  switch (change.by) {
    case 'nothing':
      return 'Go on as it is';
    case 'hook':
      return `A ${change.to} mm hook for what is still to come, in place of ${change.from} mm`;
    case 'count':
      return `${change.label}: ${change.to} in place of ${change.from}`;
    case 'blocking':
      return `Pin them out ${Math.abs(change.percent).toFixed(1)} % ${change.percent > 0 ? 'larger' : 'smaller'} when they are blocked`;
    case 'targets':
      return 'Let what is wanted follow what comes out';
  }
}
