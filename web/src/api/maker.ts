import type { SessionNow } from '@fennot/core';

/** The maker this page works for. */
export interface Maker {
  readonly id: string;
  /** What was left in this browser before there were accounts is theirs. */
  readonly first: boolean;
}

let maker: Maker | undefined;
const listeners = new Set<() => void>();

/** The header by which the server knows whom a page works for: another maker may have signed in beside it. */
export const MAKER_HEADER = 'fennot-maker';

/** Whose page it is, by what the server says of the session. */
export const makerOf = (session: SessionNow): Maker | undefined =>
  session.is === 'open' || session.is === 'in'
    ? { id: session.maker, first: session.is === 'open' || session.first }
    : undefined;

/** From now on this page works for this maker, or for nobody. */
export function workFor(next: Maker | undefined): void {
  maker = next;
}

export const makerNow = (): Maker | undefined => maker;

/** The server does not know this device any more, or knows it as another maker's. */
export function signedOut(): void {
  for (const listener of listeners) listener();
}

/** Calls back when this page is found to be signed out; returns how to stop. */
export function onSignedOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const returned = new Set<() => void>();

/** The maker of this page is known again. */
export function signedIn(): void {
  for (const listener of returned) listener();
}

/** Calls back when the maker of this page is known again; returns how to stop. */
export function onSignedIn(listener: () => void): () => void {
  returned.add(listener);
  return () => returned.delete(listener);
}
