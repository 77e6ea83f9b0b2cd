import { differenceEuclidean, modeOklch, modeRgb, useMode } from 'culori/fn';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { documentSchema } from '../document/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { colourWord, PALETTES, tinted } from './index.ts';

useMode(modeRgb);
const oklch = useMode(modeOklch);

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const bag = (colours: readonly string[]) => {
  const document = testDocument();
  const [first] = document.yarns;
  if (!first) throw new Error('a bag has a yarn');
  const more = colours.map((colour, i) => ({ ...first, id: `t${i}`, colour, colourName: `Colour ${i}` }));
  return { ...document, yarns: [...document.yarns, ...more] };
};
const apart = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

describe('a bag tinted by a palette', () => {
  test('keeps the lightness of every yarn, takes its hues from the palette, and can be kept', () => {
    fc.assert(
      fc.property(
        fc.array(hex, { minLength: 1, maxLength: 6 }),
        hex,
        fc.constantFrom(...PALETTES),
        (colours, picked, palette) => {
          const before = bag(colours);
          const after = tinted(before, picked, palette);
          expect(documentSchema.safeParse(after).success).toBe(true);
          const allowed = { one: [0], beside: [0, 35, 325], across: [0, 180], three: [0, 120, 240] }[palette];
          const base = oklch(picked)?.h ?? 0;
          for (const [i, yarn] of after.yarns.entries()) {
            const was = oklch(before.yarns[i]?.colour ?? '');
            const is = oklch(yarn.colour);
            // Six hex digits are good to about half a hundredth, near black to less.
            expect(Math.abs((is?.l ?? 0) - (was?.l ?? 0))).toBeLessThan((was?.l ?? 0) > 0.25 ? 0.008 : 0.06);
            if ((was?.c ?? 0) < 0.03) expect(yarn).toEqual(before.yarns[i]);
            // Six digits tell a hue well only of what is colourful still, and neither nearly black nor nearly white.
            else if ((is?.c ?? 0) > 0.06 && (is?.l ?? 0) > 0.3 && (is?.l ?? 0) < 0.92)
              expect(Math.min(...allowed.map((by) => apart(is?.h ?? 0, base + by)))).toBeLessThan(6);
          }
          const names = after.yarns.map(({ colourName }) => colourName);
          const had = new Set(before.yarns.map(({ colourName }) => colourName));
          const fresh = names.filter((name) => !had.has(name));
          expect(new Set(fresh).size).toBe(fresh.length);
        },
      ),
    );
  });

  test('greys stay; a red and a green of a blue palette become blues as light as they were', () => {
    const after = tinted(bag(['#808080', '#b03030', '#2f8f3f']), '#2040c0', 'one');
    const [grey, red, green] = after.yarns.slice(-3);
    expect(grey?.colour).toBe('#808080');
    expect(red?.colourName).toMatch(/^Blue( \d)?$/);
    expect(green?.colourName).toMatch(/^Blue( \d)?$/);
    expect(green?.colourName).not.toBe(red?.colourName);
    const far = differenceEuclidean('oklch');
    expect(far(red?.colour ?? '', '#b03030')).toBeGreaterThan(0.1);
  });
});

test('colours are called by plain words', () => {
  expect(colourWord(0.3, 0.1, 260)).toBe('Dark blue');
  expect(colourWord(0.9, 0.08, 110)).toBe('Light yellow');
  expect(colourWord(0.5, 0.1, 60)).toBe('Brown');
  expect(colourWord(0.97, 0.01, 80)).toBe('White');
  expect(colourWord(0.6, 0.2, 5)).toBe('Pink');
  expect(colourWord(0.6, 0.2, 350)).toBe('Pink');
});
