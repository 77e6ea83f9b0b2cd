import { z } from 'zod';
import { plainBlanks } from './name.ts';

/** How long a password is, in characters of the eye as far as one can count them: code points. */
export const PASSWORD = { least: 12, most: 128 } as const;

/** A password as it is compared: the same characters whatever keyboard they came from, and one blank for many. */
export const plainPassword = (password: string): string =>
  password.normalize('NFKC').replaceAll(/ {2,}/g, ' ');

/** A password somebody chooses. What it is made of is free; nothing is cut off. */
export const newPasswordSchema = z
  .string('A password is text.')
  .refine(
    (text) => [...plainPassword(text)].length >= PASSWORD.least,
    `A password has at least ${PASSWORD.least} characters: four or five words will do.`,
  )
  .refine((text) => [...text].length <= PASSWORD.most, `A password has at most ${PASSWORD.most} characters.`)
  .refine((text) => !/\p{Surrogate}|\0/u.test(text), 'A password holds a character that cannot be kept.')
  .refine((text) => plainBlanks(text) !== '', 'A password of blanks is none.');

/** A password somebody types to be known by. Longer ones than there can be are not worked on. */
export const typedPasswordSchema = z.string('A password is text.').max(1000, 'That is no password.');
