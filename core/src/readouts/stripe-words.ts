import type { PanelColours, StripesMeeting } from '../stripes/index.ts';

const LIST = new Intl.ListFormat('en-GB');

const many = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

/**
 * The stripes of a panel in a sentence.
 *
 * @param colour what a yarn's colour is called.
 */
export function stripesText({ colours, rows, runs }: PanelColours, colour: (yarn: string) => string): string {
  const [first, last] = [runs[0], runs.at(-1)];
  if (!first || !last) return '';
  if (runs.length === 1) return `${many(rows, 'row')}, all in ${colour(first.yarn)}.`;
  const counted = colours.map(
    ({ yarn, stripes, rows: own }) => `${many(stripes, 'stripe')} of ${colour(yarn)} (${many(own, 'row')})`,
  );
  const ends =
    first.yarn === last.yarn
      ? `begins and ends in ${colour(first.yarn)}`
      : `begins in ${colour(first.yarn)}, ends in ${colour(last.yarn)}`;
  return `${LIST.format(counted)}, ${many(rows, 'row')}; ${ends}.`;
}

/** How the colours of a panel get from stripe to stripe. */
export function carryingText(
  { carried, across, ends, runs }: PanelColours,
  colour: (yarn: string) => string,
): string {
  const hidden = `${many(ends, 'end')} to hide.`;
  if (runs.length === 1) return hidden;
  const said: string[] = [];
  if (carried.length > 0) {
    const sides = new Set(carried.map(({ side }) => side));
    const most = Math.max(...carried.map(({ beside }) => beside));
    const where =
      sides.size === 2
        ? 'at both sides'
        : `at the side where row ${sides.has('begin') ? 1 : 2} begins: a seam there hides it`;
    said.push(`Carried up past ${many(most, 'row')} at most, ${where}.`);
  }
  const [strange] = across;
  if (strange)
    said.push(
      `${colour(strange.yarn)} hangs at the other side when row ${strange.row} wants it${across.length > 1 ? `, and so in ${many(across.length - 1, 'more place')}` : ''}: there it is cut. Stripes of an even number of rows come back to their side.`,
    );
  return [...said, hidden].join(' ');
}

/** How stripes meet along a line of seams. */
export function meetingText({ name, pieces, rows, off, shift, offThen }: StripesMeeting): string {
  const [one, other] = pieces;
  if (off === 0) return `${name}: all ${rows} rows of ${one} meet their own colour on ${other}.`;
  const now = `${name}: ${off} of ${rows} rows of ${one} meet another colour on ${other}`;
  if (shift === 0) return `${now}.`;
  const moved = `${other} moved ${shift > 0 ? 'up' : 'down'} by ${many(Math.abs(shift), 'row')}`;
  return offThen === 0
    ? `${now}; with ${moved} all would meet.`
    : `${now}; with ${moved} it would be ${offThen}.`;
}
