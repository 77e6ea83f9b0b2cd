import { plainBlanks } from '@fennot/core';
import unhomoglyph from 'unhomoglyph';

/** No name was ever seen to need more than four. */
const ROUNDS = 10;

/** Small letters, by way of capitals: some letters have no small form of their own. */
const small = (text: string): string => text.toUpperCase().toLowerCase();

const folded = (text: string): string =>
  plainBlanks(small(unhomoglyph(small(text.normalize('NFKD')).normalize('NFKC'))).normalize('NFKC'));

/**
 * The key a name is looked for by: the same for names that differ in case, in width, in accents written apart or together, or
 * in letters of another script that look alike (the skeletons of Unicode's report 39). Whoever types a name any of these
 * ways finds the account, and nobody can have one beside it that looks like it.
 */
export function nameKey(name: string): string {
  let key = name;
  // A look-alike may be folded to something that is a look-alike of something else: until nothing changes.
  for (let i = 0; i < ROUNDS; i++) {
    const next = folded(key);
    if (next === key) break;
    key = next;
  }
  return key;
}
