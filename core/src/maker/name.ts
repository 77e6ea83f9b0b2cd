import { z } from 'zod';

/** The longest name, characters. */
const LONGEST = 40;

/** What cannot be seen, or turns what is written around it: nobody could tell such a name from another. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Co}\p{Cn}\p{Zl}\p{Zp}]/u;

/** Blanks as one writes them: one between words, none around them. */
export const plainBlanks = (text: string): string => text.replaceAll(/\s+/gu, ' ').trim();

/** Checks a name of a maker or of a device, in its composed form. */
const namedSchema = (what: string) =>
  z
    .string(`${what} is text.`)
    .max(10 * LONGEST, `${what} has at most ${LONGEST} characters.`)
    .refine((text) => !/\p{Surrogate}/u.test(text), `${what} holds a character that cannot be kept.`)
    .transform((text) => plainBlanks(text.normalize('NFC')))
    .pipe(
      z
        .string()
        .min(1, `${what} cannot be empty.`)
        .max(LONGEST, `${what} has at most ${LONGEST} characters.`)
        .refine((text) => !UNSEEN.test(text), `${what} holds a character that cannot be seen.`),
    );

/** What a maker is called, and signs in by. */
export const makerNameSchema = namedSchema('A name');

/** What a device is called in the list of them. */
export const deviceNameSchema = namedSchema('The name of a device');
