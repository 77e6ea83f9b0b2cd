import type { SessionNow } from '@fennot/core';
import { api } from './client.ts';

/** Whether passkeys can be used on this page: over a trusted line, and at a name. */
export const passkeysWork = (): boolean =>
  window.isSecureContext &&
  typeof PublicKeyCredential !== 'undefined' &&
  !/^[\d.]+$|:/.test(window.location.hostname.replace(/^\[|\]$/g, ''));

/** Has the browser sign with a passkey, and the server look at it. Throws when there is none, or it is given up. */
export async function signWithPasskey(): Promise<SessionNow> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const { options } = await api.askPasskey();
  const answer = await startAuthentication({ optionsJSON: options });
  return api.signedByPasskey({ ...answer });
}

/** Has the browser make a passkey, and the server keep it. */
export async function makePasskey(name: string) {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const { options } = await api.newPasskey();
  const answer = await startRegistration({ optionsJSON: options });
  return api.addPasskey({ ...answer }, name);
}

/** Why a passkey was not used, in a sentence; nothing where the maker just thought better of it. */
export function passkeyTrouble(error: unknown): string | undefined {
  if (!(error instanceof Error)) return 'The passkey could not be used.';
  if (error.name === 'NotAllowedError' || error.name === 'AbortError') return undefined;
  if (error.name === 'InvalidStateError') return 'This device has a passkey for this account already.';
  return error.message;
}
