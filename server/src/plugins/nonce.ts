import { randomBytes } from 'node:crypto';

const made = new WeakMap<object, string>();

/** The word by which a page's own styles are known: a new one for every answer. */
export function nonceOf(answer: object): string {
  const known = made.get(answer);
  if (known !== undefined) return known;
  const fresh = randomBytes(18).toString('base64');
  made.set(answer, fresh);
  return fresh;
}
