import { gramsLeft, type Lot } from '@fennot/core';
import { BallPicture } from '../drawing/BallPicture.tsx';

/** So many balls are drawn; more are a number. */
const DRAWN = 3;
/** What a ball weighs until it is said, g: for the drawing alone. */
const USUAL = 50;

/** The balls of a lot as they lie there: full ones, and smaller ones for what is left of others. */
export function Balls({ lot }: { readonly lot: Pick<Lot, 'ball' | 'full' | 'parts' | 'colour'> }) {
  const weigh = lot.ball?.grams ?? Math.max(USUAL, ...lot.parts);
  const all = [...Array.from({ length: lot.full }, () => 1), ...lot.parts.map((grams) => grams / weigh)];
  return (
    <span className="inline-flex items-end gap-0.5">
      {all.slice(0, DRAWN).map((left, i) => (
        <BallPicture key={i} colour={lot.colour} left={left} size={24} />
      ))}
      {all.length > DRAWN && <span className="text-xs text-soft">+{all.length - DRAWN}</span>}
      {all.length === 0 && <span className="text-xs text-soft">used up</span>}
    </span>
  );
}

/** What is left in words: `1 ball + 20 g`. */
export function leftText(lot: Pick<Lot, 'ball' | 'full' | 'parts'>): string {
  const said = [
    ...(lot.full > 0 ? [`${lot.full} ${lot.full === 1 ? 'ball' : 'balls'}`] : []),
    ...lot.parts.map((grams) => `${grams} g`),
  ];
  return said.length === 0 ? 'nothing' : said.join(' + ');
}

/** Grams as they are shown: whole, or to the tenth below ten. */
export const gramsText = (grams: number): string =>
  `${grams < 10 ? Math.round(grams * 10) / 10 : Math.round(grams)} g`;

export const leftGrams = (lot: Pick<Lot, 'ball' | 'full' | 'parts'>): string => gramsText(gramsLeft(lot));
