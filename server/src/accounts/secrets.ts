import { createHash, randomBytes } from 'node:crypto';
import { codeFrom } from '@fennot/core';

/** Bytes of a session's secret: 256 bits. */
const SECRET = 32;

/** A secret that is told once, and what is kept of it. */
interface Secret {
  readonly told: string;
  readonly kept: Buffer;
}

/** What is kept of a secret. Secrets are random and long: a plain hash cannot be turned back by trying. */
export const keptOf = (told: string): Buffer => createHash('sha256').update(told).digest();

export function freshSecret(): Secret {
  const told = randomBytes(SECRET).toString('base64url');
  return { told, kept: keptOf(told) };
}

/** A code of so many characters. */
export function freshCode(length: number): Secret {
  const told = codeFrom(randomBytes(length));
  return { told, kept: keptOf(told) };
}
