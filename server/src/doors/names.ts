import { hostname, networkInterfaces } from 'node:os';

/** Under what this machine is known on the networks it is in. */
export interface OwnNames {
  /** `loft`, `loft.local`: whether a network knows them is the network's business. */
  readonly names: readonly string[];
  /** Addresses of version 4 and 6, without those of loopback. */
  readonly addresses: readonly string[];
}

/** A name as certificates and addresses can have it. */
const PLAIN_NAME = /^[a-z\d]([a-z\d-]{0,61}[a-z\d])?$/;

/** Reads names and addresses as they are now: a machine changes networks. */
export function ownNames(): OwnNames {
  const [first = ''] = hostname().toLowerCase().split('.');
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    // Addresses of one link alone need its name beside them, which no browser takes.
    .filter(({ internal, address }) => !internal && !address.toLowerCase().startsWith('fe80:'))
    .map(({ address }) => address.toLowerCase());
  return {
    names: PLAIN_NAME.test(first) && first !== 'localhost' ? [first, `${first}.local`] : [],
    addresses: [...new Set(addresses)],
  };
}

/** Reads names again at most so often, ms: a request need not wait for the system. */
const FRESH = 5000;

/** The names of this machine, read anew now and then. */
export function watchedNames(read: () => OwnNames = ownNames): () => OwnNames {
  let known = read();
  let at = Date.now();
  return () => {
    if (Math.abs(Date.now() - at) > FRESH) {
      known = read();
      at = Date.now();
    }
    return known;
  };
}
