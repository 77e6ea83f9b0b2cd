import { z } from 'zod';

const MOST_ID = 60;

/** The name of a thing within a bag, for other things to point at. Never shown, so plain letters will do. */
export const idSchema = z
  .string('An id is text.')
  .min(1, 'An id cannot be empty.')
  .max(MOST_ID, `An id cannot be longer than ${MOST_ID} characters.`)
  .regex(/^[A-Za-z0-9_-]*$/, 'An id has letters, digits, - and _ only.');

/** The first of `stem-1`, `stem-2`, ... that is not taken. */
export function freeId(stem: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  let n = 1;
  while (used.has(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}

/** Turns any text into an id that is not taken, as near to it as can be: `m:1` gives `m-1`. */
export function idFrom(text: string, taken: Iterable<string>): string {
  const plain = text.replaceAll(/[^A-Za-z0-9_-]+/g, '-').slice(0, MOST_ID - 4);
  const used = new Set(taken);
  return plain !== '' && !used.has(plain) ? plain : freeId(plain === '' ? 'id' : plain, used);
}

/** A name nobody has yet: the word itself, or with the first number from 2 that is free. */
export function freeName(word: string, taken: ReadonlySet<string>): string {
  let free = word;
  for (let k = 2; taken.has(free); k++) free = `${word} ${k}`;
  return free;
}
