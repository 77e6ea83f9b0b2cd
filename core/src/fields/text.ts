import { z } from 'zod';

/** Half of a character, or the one that no database can keep. */
const NO_TEXT = /\p{Surrogate}|\0/u;

/** Text that can be kept: well-formed, without NUL, without blanks at its ends where it is a `name`. */
export const textSchema = (what: string, most: number, { name = false } = {}) => {
  const text = z.string(`${what} is text.`);
  return (name ? text.trim().min(1, `${what} cannot be empty.`) : text)
    .max(most, `${what} cannot be longer than ${most} characters.`)
    .refine((own) => !NO_TEXT.test(own), `${what} holds a character that cannot be kept.`);
};

/** Text as it came from a keyboard or a clipboard, without what cannot be kept. */
export const cleanText = (text: string): string => text.replaceAll(/\p{Surrogate}|\0/gu, '');
