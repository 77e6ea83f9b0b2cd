import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import type { Network } from '@fennot/core';
import type { Listening } from '../config.ts';
import { authorityIn, type Closing, isPrivate } from './authority.ts';
import { type Doors, inUrl, isLoopback, LOOPBACK, LOOPBACK_ONLY, type Trust } from './doors.ts';
import { type OwnNames, ownNames, watchedNames } from './names.ts';

/** The doors of a server, and what closes lines to it. */
interface OpenedDoors {
  readonly doors: Doors;
  /** The certificate as it should be now: another one when names change or it runs out; nothing where lines are open. */
  readonly closing: (() => Promise<Closing>) | undefined;
}

const PROXY_BESIDE = ['127.0.0.1', '::1'];

/** Reads a given certificate. Throws in a sentence what is wrong with it. */
function readGiven({ cert, key }: { readonly cert: string; readonly key: string }): Closing {
  try {
    const closing = { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
    // A file that is no certificate is told now, not by browsers.
    new X509Certificate(closing.cert);
    return closing;
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Error(`FENNOT_TLS_CERT or FENNOT_TLS_KEY cannot be used: ${why}`);
  }
}

/** Names a certificate is for, without such as stand for many. */
const namesIn = (cert: string): string[] =>
  (new X509Certificate(cert).subjectAltName ?? '')
    .split(/,\s*/)
    .flatMap((entry) =>
      entry.startsWith('DNS:') && !entry.includes('*') ? [entry.slice(4).toLowerCase()] : [],
    );

/** Opens the doors as the settings say. @param read the names of this machine, for trials. */
export async function openDoors(config: Listening, read: () => OwnNames = ownNames): Promise<OpenedDoors> {
  const { host, port, names, origin: asked, proxies, given, tls } = config;
  const origin = asked === undefined ? undefined : new URL(asked);
  const outside = !LOOPBACK.has(host) && !isLoopback(host);
  if (!outside && !origin) return { doors: LOOPBACK_ONLY, closing: undefined };
  const now = watchedNames(read);
  const known = () =>
    new Set([
      ...(outside ? [...now().names, ...now().addresses.map(inUrl)] : []),
      ...names,
      ...(origin ? [origin.hostname] : []),
      ...(given ? namesIn(readGiven(given).cert) : []),
    ]);
  const doors = (kind: Network['tls'], trust?: Trust): Doors => ({
    exposed: true,
    names: known,
    tls: kind,
    origin,
    proxies: proxies.length > 0 ? proxies : origin ? PROXY_BESIDE : [],
    trust,
    network: () => networkOf(kind, trust),
  });
  const networkOf = (kind: Network['tls'], trust: Trust | undefined): Network => {
    if (origin) return { addresses: [origin.origin], trust: [], tls: kind };
    const line = kind === 'none' ? 'http' : 'https';
    const at = (name: string, by = line) => `${by}://${inUrl(name)}:${port}`;
    const own = now();
    const addresses = own.addresses.filter((address) => kind !== 'own' || isPrivate(address));
    const all =
      kind === 'given' && given
        ? namesIn(readGiven(given).cert)
        : // Figures of four parts first: every network knows them, and they can be typed.
          [
            ...addresses.filter((one) => isIP(one) === 4),
            ...own.names.slice(-1),
            ...names,
            ...addresses.filter((one) => isIP(one) === 6),
          ];
    return {
      addresses: all.map((name) => at(name)),
      trust: trust ? all.slice(0, 1).map((name) => `${at(name, 'http')}/trust`) : [],
      ...(trust ? { fingerprint: trust.fingerprint } : {}),
      tls: kind,
    };
  };
  if (given) return { doors: doors('given'), closing: async () => readGiven(given) };
  if (origin) return { doors: doors('proxy'), closing: undefined };
  if (!tls || config.authority === undefined) return { doors: doors('none'), closing: undefined };
  const authority = await authorityIn(config.authority, now());
  return { doors: doors('own', authority), closing: () => authority.closing(now()) };
}
