import { plainBlanks } from '@fennot/core';
import unhomoglyph from 'unhomoglyph';

/**
 * The key a name is looked for by: the same for names that differ in case, in width, in accents written apart or together, or
 * in letters of another script that look alike (the skeletons of Unicode's report 39). Whoever types a name any of these
 * ways finds the account, and nobody can have one beside it that looks like it.
 */
export function nameKey(name: string): string {
  let key = plainBlanks(name);
  // A look-alike may be folded to something that is a look-alike of something else: until nothing changes.
  for (let i = 0; i < 4; i++) {
    const next = unhomoglyph(key.normalize('NFKD').toLowerCase().normalize('NFKC')).toLowerCase();
    if (next === key) break;
    key = next;
  }
  return key;
}
