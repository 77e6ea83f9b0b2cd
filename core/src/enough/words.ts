import { type LengthSystem, wholeYarn } from '../units/index.ts';
import type { Shows } from './dye-lots.ts';
import type { Enough } from './enough.ts';
import type { RunsOut } from './spending.ts';

/** How far what lies there goes, in a few words. */
export function reachText({ is, left, need, basket }: Enough, system: LengthSystem): string {
  switch (is) {
    case 'enough':
      return `enough, about ${wholeYarn(Math.max(0, left), system, { spare: true })} left over`;
    case 'likely':
      return `likely: it may be ${wholeYarn(need.high - basket.length, system)} short`;
    case 'short':
      return `short by about ${wholeYarn(-left, system)}`;
    case 'unsaid':
      return basket.unknown > 0
        ? 'nobody knows how long it is: say what a ball holds'
        : 'nothing set aside for it yet';
  }
}

const ORDINAL = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDINGS: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };
const ordinal = (n: number) => `${n}${ENDINGS[ORDINAL.select(n)] ?? 'th'}`;

/** Where a yarn runs out, in a sentence: `Kingfisher ends in Edge round 3, 11 m short.` */
export function runsOutText(
  colourName: string,
  { what, at, many, short }: RunsOut,
  system: LengthSystem,
): string {
  const place = many > 1 ? `the ${ordinal(at)} of ${many}: ${what}` : what;
  return `${colourName} ends in ${place}, ${wholeYarn(short, system)} short.`;
}

/** Where yarn shows, as it is said. */
export const SHOWS_TEXT: Readonly<Record<Shows, string>> = {
  inside: 'where nothing shows',
  bottom: 'the bottom',
  back: 'the back',
  strap: 'straps and cord',
  sides: 'the sides',
  inner: 'inner rounds of the front',
  front: 'the front',
  edge: 'the edge',
};
