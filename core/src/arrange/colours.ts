import { differenceEuclidean, modeOklab, modeRgb, type Oklab, useMode } from 'culori/fn';

useMode(modeRgb);
const oklab = useMode(modeOklab);

const distanceOf = differenceEuclidean('oklab');

/** A colour as the eye takes it: lightness 0 to 1, and two opponent colours about -0.4 to 0.4. */
export type Seen = Oklab;

const GREY: Seen = { mode: 'oklab', l: 0.5, a: 0, b: 0 };

/** `#rrggbb` as it is seen; what is no colour is a middle grey. */
export const seen = (hex: string): Seen => oklab(hex) ?? GREY;

/** How different two colours look: 0 for the same, 1 for black and white. */
export const difference = (p: Seen, q: Seen): number => distanceOf(p, q);

/** Colours over so much each, as they look from far away. */
export function mixed(parts: ReadonlyArray<{ readonly colour: Seen; readonly much: number }>): Seen {
  const all = parts.reduce((sum, { much }) => sum + much, 0);
  if (all <= 0) return GREY;
  const of = (key: 'l' | 'a' | 'b') =>
    parts.reduce((sum, { colour, much }) => sum + colour[key] * much, 0) / all;
  return { mode: 'oklab', l: of('l'), a: of('a'), b: of('b') };
}
