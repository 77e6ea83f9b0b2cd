import { displayable, formatHex, modeOklch, modeRgb, useMode } from 'culori/fn';
import type { BagDocument } from '../document/index.ts';
import { freeName } from '../fields/index.ts';

useMode(modeRgb);
const oklch = useMode(modeOklch);

/** Palettes that are made of one picked colour. */
export const PALETTES = ['one', 'beside', 'across', 'three'] as const;
export type Palette = (typeof PALETTES)[number];

export const PALETTE_NAMES: Record<Palette, string> = {
  one: 'One colour, light to dark',
  beside: 'It and its neighbours',
  across: 'It and what faces it',
  three: 'Three that are far apart',
};

/** Hues of a palette as degrees from the picked one. */
const HUES: Record<Palette, readonly number[]> = {
  one: [0],
  beside: [0, 35, -35],
  across: [0, 180],
  three: [0, 120, 240],
};

/** Less colourful than this is a grey, a white or a black, and has no hue to change. */
const NEUTRAL = 0.03;

const of = (hex: string) => {
  const { l = 0.5, c = 0, h = 0 } = oklch(hex) ?? {};
  return { l, c, h };
};

/** Halvings after which a chroma is found more finely than six digits tell it. */
const HALVINGS = 14;

/** A colour as a screen can show it: as light, of that hue, and as colourful as it can be up to what is asked. */
function shown(l: number, c: number, h: number): string {
  const at = (chroma: number) => ({ mode: 'oklch', l, c: chroma, h }) as const;
  if (displayable(at(c))) return formatHex(at(c));
  let [low, high] = [0, c];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (displayable(at(middle))) low = middle;
    else high = middle;
  }
  return formatHex(at(low));
}

/**
 * The bag with its yarns in the hues of a palette. Each keeps its lightness, for value decides before hue does, and is as
 * colourful as it was where a screen can show that; greys stay what they are. From dark to light the yarns take the hues in
 * turn, so that those near in lightness differ in hue.
 *
 * @param picked the colour the palette is made of, as # and six hex digits.
 */
export function tinted(document: BagDocument, picked: string, palette: Palette): BagDocument {
  const base = of(picked).h;
  const hues = HUES[palette];
  const colourful = document.yarns
    .map(({ id, colour }) => ({ id, ...of(colour) }))
    .filter(({ c }) => c >= NEUTRAL)
    .sort((a, b) => a.l - b.l);
  const hueOf = new Map(
    colourful.map(({ id }, i) => [id, (base + (hues[i % hues.length] ?? 0) + 360) % 360] as const),
  );
  const names = new Set(
    document.yarns.filter(({ id }) => !hueOf.has(id)).map(({ colourName }) => colourName),
  );
  return {
    ...document,
    yarns: document.yarns.map((yarn) => {
      const h = hueOf.get(yarn.id);
      if (h === undefined) return yarn;
      const { l, c } = of(yarn.colour);
      const colour = shown(l, c, h);
      if (colour === yarn.colour.toLowerCase()) {
        names.add(yarn.colourName);
        return yarn;
      }
      const colourName = freeName(colourWord(l, c, h), names);
      names.add(colourName);
      return { ...yarn, colour, colourName };
    }),
  };
}

/** Names of hues, each from its degree on, on the wheel of OKLCH. */
const HUE_WORDS: ReadonlyArray<readonly [from: number, word: string]> = [
  [340, 'Pink'],
  [285, 'Violet'],
  [225, 'Blue'],
  [170, 'Teal'],
  [118, 'Green'],
  [85, 'Yellow'],
  [48, 'Orange'],
  [12, 'Red'],
  [0, 'Pink'],
];

/** What a colour is called in plain words: `Dark blue`. */
export function colourWord(l: number, c: number, h: number): string {
  if (c < NEUTRAL) return l > 0.93 ? 'White' : l > 0.72 ? 'Light grey' : l > 0.4 ? 'Grey' : 'Near black';
  const hue = HUE_WORDS.find(([from]) => h >= from)?.[1] ?? 'Pink';
  const said = hue === 'Orange' && l < 0.55 ? 'Brown' : hue === 'Yellow' && l < 0.6 ? 'Olive' : hue;
  if (l > 0.82) return `Light ${said.toLowerCase()}`;
  return l < 0.38 ? `Dark ${said.toLowerCase()}` : said;
}
