import 'reflect-metadata';
import { randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import {
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509CertificateGenerator,
} from '@peculiar/x509';
import type { OwnNames } from './names.ts';

const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY = 24 * 3600 * 1000;
/** The authority is trusted for ten years; what it signs for 397 days, as browsers take at most, renewed a month before. */
const [ROOT_DAYS, LEAF_DAYS, RENEW_DAYS] = [3650, 397, 30];
/** Valid from two days ago: the clock of a phone may be behind. */
const BEHIND = 2 * DAY;

/** Networks that nobody on the internet has: what this authority signs for addresses is believed within them alone. */
const PRIVATE = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['100.64.0.0', 10],
  ['169.254.0.0', 16],
  // For examples and trials.
  ['192.0.2.0', 24],
  ['fc00::', 7],
] as const;

const privateNetworks = new BlockList();
for (const [address, prefix] of PRIVATE)
  privateNetworks.addSubnet(address, prefix, address.includes(':') ? 'ipv6' : 'ipv4');

/** Whether the authority may speak for an address. */
export const isPrivate = (address: string): boolean =>
  isIP(address) !== 0 && privateNetworks.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** A certificate with its key, as a server takes them. */
export interface Closing {
  readonly cert: string;
  readonly key: string;
}

/** The authority of this installation. */
interface Authority {
  /** What a device is shown to trust. */
  readonly root: string;
  /** SHA-256 of it, in pairs of figures. */
  readonly fingerprint: string;
  /** A certificate for these names: the one there is, or a new one where it is for others or runs out. */
  closing(names: OwnNames): Promise<Closing>;
}

const { subtle } = webcrypto;
const serialNumber = () => `01${randomBytes(15).toString('hex')}`;

const pem = (label: string, der: ArrayBuffer): string =>
  `-----BEGIN ${label}-----\n${(
    Buffer.from(der)
      .toString('base64')
      .match(/.{1,64}/g) ?? []
  ).join('\n')}\n-----END ${label}-----\n`;
const derOf = (text: string): Buffer => Buffer.from(text.replaceAll(/-----[^-]+-----|\s/g, ''), 'base64');

const keyText = async (key: webcrypto.CryptoKey) => pem('PRIVATE KEY', await subtle.exportKey('pkcs8', key));

/** What can be signed that anybody believes: the names of this machine, and addresses of private networks. */
function constraints({ names }: OwnNames): Extension {
  const bases = [
    ...['localhost', ...names].map((dNSName) => new GeneralName({ dNSName })),
    ...PRIVATE.map(([address, prefix]) => new GeneralName({ iPAddress: `${address}/${prefix}` })),
  ];
  const permittedSubtrees = new GeneralSubtrees(bases.map((base) => new GeneralSubtree({ base })));
  return new Extension(
    id_ce_nameConstraints,
    true,
    AsnConvert.serialize(new NameConstraints({ permittedSubtrees })),
  );
}

/** Written so that a reader finds the old or the new one; keys for nobody else to read. */
function write(path: string, text: string, mode: number): void {
  writeFileSync(`${path}.new`, text, { mode });
  renameSync(`${path}.new`, path);
}

const read = (path: string): string | undefined => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return undefined;
  }
};

async function makeRoot(names: OwnNames): Promise<Closing> {
  const keys = await subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const [now, of] = [Date.now(), names.names[0] ?? 'this machine'];
  const root = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serialNumber(),
    // Its own, so that the one made after it is not taken for it.
    name: [{ CN: [`Fennot on ${of}, ${randomBytes(3).toString('hex')}`] }],
    notBefore: new Date(now - BEHIND),
    notAfter: new Date(now + ROOT_DAYS * DAY),
    signingAlgorithm: KEYS,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
      constraints(names),
    ],
  });
  return { cert: root.toString('pem'), key: await keyText(keys.privateKey) };
}

/** Whom a certificate is for. Loopback's own address is in no private network; at it the page is opened by `localhost`. */
const servedBy = ({ names, addresses }: OwnNames) => [
  ...['localhost', ...names].map((value) => ({ type: 'dns', value }) as const),
  ...addresses.filter(isPrivate).map((value) => ({ type: 'ip', value }) as const),
];

async function makeLeaf(root: Closing, names: OwnNames): Promise<Closing> {
  const keys = await subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const signingKey = await subtle.importKey('pkcs8', derOf(root.key), KEYS, false, ['sign']);
  const issuer = new X509Certificate(root.cert);
  const now = Date.now();
  const leaf = await X509CertificateGenerator.create({
    serialNumber: serialNumber(),
    subject: [{ CN: ['Fennot'] }],
    issuer: issuer.subject,
    notBefore: new Date(now - BEHIND),
    notAfter: new Date(now + LEAF_DAYS * DAY),
    publicKey: keys.publicKey,
    signingKey,
    signingAlgorithm: KEYS,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(servedBy(names)),
    ],
  });
  return { cert: leaf.toString('pem'), key: await keyText(keys.privateKey) };
}

/** Whether a certificate is for these names, of this root, and goes on for a while. */
function serves(leaf: Closing, root: Closing, names: OwnNames): boolean {
  try {
    const own = new X509Certificate(leaf.cert);
    return (
      own.verify(new X509Certificate(root.cert).publicKey) &&
      Date.parse(own.validTo) > Date.now() + RENEW_DAYS * DAY &&
      names.names.every((name) => own.checkHost(name) !== undefined) &&
      names.addresses.filter(isPrivate).every((address) => own.checkIP(address) !== undefined)
    );
  } catch {
    return false;
  }
}

/** Whether a root is one, goes on for longer than what it signs, and may speak for these names. */
function rootServes(root: Closing, names: OwnNames, kept: string | undefined): boolean {
  try {
    const own = new X509Certificate(root.cert);
    return kept === names.names.join(' ') && Date.parse(own.validTo) > Date.now() + LEAF_DAYS * DAY;
  } catch {
    return false;
  }
}

/**
 * The authority kept in a folder, made at the first time. Another name of the machine makes another one: what it may speak for
 * is written into it. Addresses come and go with the networks, and need none.
 */
export async function authorityIn(folder: string, names: OwnNames): Promise<Authority> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const at = (name: string) => join(folder, name);
  const pairOf = (name: string): Closing | undefined => {
    const [cert, key] = [read(at(`${name}.crt`)), read(at(`${name}.key`))];
    // A key that others could read is nobody's secret any more.
    const shut = key !== undefined && (statSync(at(`${name}.key`)).mode & 0o077) === 0;
    return cert !== undefined && key !== undefined && shut ? { cert, key } : undefined;
  };
  const keep = (name: string, { cert, key }: Closing) => {
    write(at(`${name}.key`), key, 0o600);
    write(at(`${name}.crt`), cert, 0o644);
  };
  const there = pairOf('root');
  const root = there && rootServes(there, names, read(at('names'))) ? there : await makeRoot(names);
  if (root !== there) {
    keep('root', root);
    write(at('names'), names.names.join(' '), 0o644);
  }
  return {
    root: root.cert,
    fingerprint: new X509Certificate(root.cert).fingerprint256,
    closing: async (now) => {
      const kept = pairOf('server');
      if (kept && serves(kept, root, now)) return kept;
      const fresh = await makeLeaf(root, now);
      keep('server', fresh);
      return fresh;
    },
  };
}
