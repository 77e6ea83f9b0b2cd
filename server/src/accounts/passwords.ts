import { plainPassword } from '@fennot/core';
import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';

/**
 * argon2id with 64 MiB, three passes, one lane: the second recommendation of RFC 9106 for one lane. About 110 ms on two
 * cores of 2024 (see docs/security.md).
 */
// The library's own choice of algorithm is argon2id.
const COST = { memoryCost: 64 * 1024, timeCost: 3, parallelism: 1 } as const;

/** So many are worked out at once: each takes 64 MiB. */
const AT_ONCE = 2;
/** And so many wait; whoever comes then is told to come again. */
const WAITING = 32;

/** Too many passwords are being worked out. */
class TooManyHashes extends Error {
  readonly statusCode = 503;
}

let running = 0;
const queue: (() => void)[] = [];

/** One after the other, as many at once as there is memory for. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (running >= AT_ONCE) {
    if (queue.length >= WAITING) throw new TooManyHashes('Too many passwords at once.');
    await new Promise<void>((go) => queue.push(go));
  } else running++;
  try {
    return await work();
  } finally {
    // The place goes to whoever waits longest.
    const next = queue.shift();
    if (next) next();
    else running--;
  }
}

/** What is kept of a password. */
export const hashedPassword = (password: string): Promise<string> =>
  inTurn(() => hash(plainPassword(password), COST));

/** A hash that nothing comes to, with the same cost: who has no password takes as long as who has one. */
let nothing: Promise<string> | undefined;
const hashOfNothing = () => {
  nothing ??= hash(crypto.randomUUID(), COST);
  return nothing;
};

/** Whether it is the password. Without one kept it takes as long, and is not. */
export async function isPassword(typed: string, kept: string | null | undefined): Promise<boolean> {
  const against = kept ?? (await hashOfNothing());
  const same = await inTurn(() => verify(against, plainPassword(typed)));
  return same && kept !== null && kept !== undefined;
}

const guesser = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });

/** Passwords that fall to so few guesses are refused: 0 and 1 of 4 are in every list of the most usual ones. */
const LEAST_SCORE = 2;

/** So many characters must be left when what everybody knows is taken out. */
const LEAST_OWN = 8;

/** Whether a password is among the first that anyone would try, knowing the maker's name. */
export function isWeak(password: string, name: string): boolean {
  const known = [name, 'fennot', 'crochet'].map((word) => word.toLowerCase());
  const plain = plainPassword(password);
  const own = known.reduce((text, word) => text.replaceAll(word, ''), plain.toLowerCase());
  if (own.length < plain.length && own.replaceAll(/[\s\d]/g, '').length < LEAST_OWN) return true;
  return guesser.check(plain, known).score < LEAST_SCORE;
}
