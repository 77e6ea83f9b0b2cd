import { isIP } from 'node:net';
import type { Network } from '@fennot/core';
import type { FastifyRequest } from 'fastify';

/** What a device that does not trust this machine yet is shown. */
export interface Trust {
  /** Certificate of the authority. */
  readonly root: string;
  readonly fingerprint: string;
}

/**
 * How this server is reached: by this machine alone, or by others, too. Where others can ask, nothing is told without signing
 * in.
 */
export interface Doors {
  readonly exposed: boolean;
  /** Names, beyond loopback's, under which it may be asked; without ports, in small letters. */
  readonly names: () => ReadonlySet<string>;
  /** How a line is closed: by this server with an authority of its own or a given certificate, by a proxy before it, not at all. */
  readonly tls: Network['tls'];
  /** Where makers open it, when a proxy stands before it. */
  readonly origin: URL | undefined;
  /** Proxies whose word is taken for who asks. */
  readonly proxies: readonly string[];
  readonly trust: Trust | undefined;
  /** What other devices are told. */
  readonly network: () => Network;
}

/** Only this machine can ask. */
export const LOOPBACK_ONLY: Doors = {
  exposed: false,
  names: () => new Set(),
  tls: 'none',
  origin: undefined,
  proxies: [],
  trust: undefined,
  network: () => ({ addresses: [], trust: [], tls: 'none' }),
};

/** Names of this machine for itself. */
export const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/** The name without the port. */
export const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Whether an address is this machine's own for itself. */
export const isLoopback = (ip: string): boolean =>
  ip === '::1' || ip.startsWith('127.') || ip.startsWith('::ffff:127.');

/** As it stands in an address. */
export const inUrl = (address: string): string => (isIP(address) === 6 ? `[${address}]` : address);

/** How the browser came: what a proxy before this server closes is closed. */
export function protocolOf({ protocol, headers: { host = '' }, server }: FastifyRequest): 'http' | 'https' {
  const { origin } = server.doors;
  if (origin && host.toLowerCase() === origin.host) return origin.protocol === 'https:' ? 'https' : 'http';
  return protocol === 'https' ? 'https' : 'http';
}
