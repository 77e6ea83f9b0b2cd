import type { BagDocument, Weighing } from '../document/index.ts';
import { swatchOf } from '../document/look-up.ts';
import { groupBy } from '../geometry/index.ts';
import type { Effort } from './effort.ts';
import { learnt } from './learn.ts';
import { pitchOf } from './thread.ts';

/** Something of a bag that can be laid on the scale, one of its kind. */
export interface Weighable {
  /** Lasting as long as it is called so. */
  readonly name: string;
  /** How many alike the bag has. */
  readonly many: number;
  readonly worked: Weighing['worked'];
  readonly tails: Weighing['tails'];
}

/** Everything of a bag that can be weighed by itself: a motif of each design, each panel, strap and swatch. */
export function weighables(document: BagDocument, { uses, learnt: known }: Effort): Weighable[] {
  const own = uses.filter(({ part, step }) => part !== 'ripping' && WEIGHED.has(step.operation));
  return [...groupBy(own, ({ step }) => step)].flatMap(([{ what, many }, all]): Weighable[] => {
    const worked = all.flatMap(({ swatch, yarn, length }) => {
      if (swatch === undefined) return [];
      const thread = pitchOf(document, swatchOf(document, swatch)) * (known.factors.get(swatch) ?? 1);
      return [{ swatch, yarn, pitches: length / thread / many }];
    });
    const tails = all.flatMap(({ swatch, yarn, length }) =>
      swatch === undefined ? [{ yarn, length: length / many }] : [],
    );
    return worked.length > 0 ? [{ name: what, many, worked: summed(worked), tails }] : [];
  });
}

/** Steps whose work is a thing of its own: joins and edges are not, until the bag is done. */
const WEIGHED: ReadonlySet<string> = new Set(['swatch', 'pieces', 'straps', 'waist']);

/** Parts of one swatch and yarn together: a motif has as many as rounds. */
const summed = (worked: Weighing['worked']): Weighing['worked'] =>
  [...groupBy(worked, ({ swatch, yarn }) => `${swatch} ${yarn}`).values()].flatMap((alike) =>
    alike[0] ? [{ ...alike[0], pitches: alike.reduce((sum, { pitches }) => sum + pitches, 0) }] : [],
  );

/** So many of a thing, as they were weighed. */
export const weighingOf = (
  { name, worked, tails }: Weighable,
  many: number,
  weighed: Weighing['weighed'],
  id: string,
): Weighing => ({
  id,
  what: (many > 1 ? `${many} × ${name}` : name).slice(0, 80),
  worked: worked.map((part) => ({ ...part, pitches: part.pitches * many })),
  tails: tails.map((part) => ({ ...part, length: part.length * many })),
  weighed,
});

/** So much more or less than expected is a slip on the scale, or of what was laid on it. */
const SLIP = 2.5;

/**
 * Why a weighing cannot be meant, in a sentence; nothing where it can.
 *
 * @param document with all weighings before it.
 */
export function weighingTrouble(document: BagDocument, weighing: Weighing): string | undefined {
  const { told, mute } = learnt({ ...document, weighings: [...(document.weighings ?? []), weighing] });
  const silent = mute.find(({ id }) => id === weighing.id);
  if (silent) return silent.because;
  const own = told.find(({ id }) => id === weighing.id);
  if (!own) return undefined;
  const times = own.weighed / own.expected;
  if (times <= SLIP && times >= 1 / SLIP) return undefined;
  return `${weighing.what} should weigh about ${own.expected.toFixed(1)} g, not ${own.weighed.toFixed(1)} g: look again at what was weighed, and at what a ball holds.`;
}
