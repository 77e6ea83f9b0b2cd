import { isIP } from 'node:net';
import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { FastifyRequest } from 'fastify';
import type { Knex } from 'knex';
import { z } from 'zod';
import { nameOf, protocolOf } from '../doors/doors.ts';
import { keptOf } from './secrets.ts';

/** What a challenge is for. */
type ChallengeFor = 'use' | 'add';

/** So long a challenge is good, s. */
const GOOD_FOR = 300;
/** So many passkeys an account has at most. */
export const MOST_PASSKEYS = 20;

interface PasskeyRow {
  id: string;
  owner_id: string;
  name: string;
  public_key: Buffer;
  /** The driver reads counts of this size as text. */
  counter: string;
  transports: string[];
  host: string;
  made_at: Date;
  used_at: Date | null;
}

/** The name passkeys are bound to; none where the server is asked by an address of figures: they cannot be made there. */
export function hostOf({ headers: { host = '' } }: FastifyRequest): string | undefined {
  const name = nameOf(host);
  return isIP(name.replace(/^\[|\]$/g, '')) === 0 && name !== '' ? name : undefined;
}

/** Where the page is that asks; the name was looked at before (`sameOrigin`). */
const originOf = (request: FastifyRequest): string =>
  `${protocolOf(request)}://${request.headers.host ?? ''}`;

async function keepChallenge(
  db: Knex,
  of: ChallengeFor,
  challenge: string,
  owner: string | null,
): Promise<void> {
  await db('challenges').where('ends_at', '<', db.fn.now()).delete();
  await db('challenges').insert({
    secret: keptOf(challenge),
    of,
    owner_id: owner,
    ends_at: db.raw(`now() + ${GOOD_FOR} * interval '1 second'`),
  });
}

/** Takes a challenge, once; says whether it was there, for this maker where it was for one. */
const takeChallenge =
  (db: Knex, of: ChallengeFor, owner: string | null) =>
  async (challenge: string): Promise<boolean> =>
    (await db('challenges')
      .where({ secret: keptOf(challenge), of })
      .whereRaw('owner_id is not distinct from ?::uuid', [owner])
      .where('ends_at', '>', db.fn.now())
      .delete()) > 0;

/** What is asked of the browser to make a passkey. */
export async function newPasskeyOptions(db: Knex, host: string, owner: string, name: string) {
  const there = await db<PasskeyRow>('passkeys').where({ owner_id: owner, host });
  const options = await generateRegistrationOptions({
    rpName: 'Fennot',
    rpID: host,
    userName: name,
    userDisplayName: name,
    userID: new Uint8Array(Buffer.from(owner.replaceAll('-', ''), 'hex')),
    attestationType: 'none',
    excludeCredentials: there.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  await keepChallenge(db, 'add', options.challenge, owner);
  return options;
}

const registrationSchema = z.looseObject({ id: z.string().max(2000), response: z.looseObject({}) });

/** Keeps a new passkey; says whether it was one. */
export async function addPasskey(
  request: FastifyRequest,
  host: string,
  owner: string,
  name: string,
  answer: unknown,
): Promise<boolean> {
  const { db } = request.server;
  if (!registrationSchema.safeParse(answer).success) return false;
  const verified = await verifyRegistrationResponse({
    response: answer as RegistrationResponseJSON,
    expectedChallenge: takeChallenge(db, 'add', owner),
    expectedOrigin: originOf(request),
    expectedRPID: host,
    requireUserVerification: true,
  }).catch(() => undefined);
  if (!verified?.verified) return false;
  const { id, publicKey, counter, transports = [] } = verified.registrationInfo.credential;
  const made = await db('passkeys')
    .insert({
      id,
      owner_id: owner,
      name,
      public_key: Buffer.from(publicKey),
      counter,
      transports: JSON.stringify(transports),
      host,
    })
    .onConflict('id')
    .ignore()
    .returning('id');
  return made.length > 0;
}

/** What is asked of the browser to sign with a passkey: with any of this name's, or with one of a maker's. */
export async function usePasskeyOptions(db: Knex, host: string, owner: string | undefined) {
  const own = owner === undefined ? [] : await db<PasskeyRow>('passkeys').where({ owner_id: owner, host });
  const options = await generateAuthenticationOptions({
    rpID: host,
    userVerification: 'required',
    allowCredentials: own.map(({ id }) => ({ id })),
  });
  await keepChallenge(db, 'use', options.challenge, owner ?? null);
  return options;
}

const signedSchema = z.looseObject({ id: z.string().max(2000), response: z.looseObject({}) });

/**
 * Whose passkey has signed; nobody's when it has not.
 * @param owner the maker it was asked of, where it was asked of one.
 */
export async function passkeyOwner(
  request: FastifyRequest,
  host: string,
  owner: string | undefined,
  answer: unknown,
): Promise<string | undefined> {
  const { db } = request.server;
  const read = signedSchema.safeParse(answer);
  if (!read.success) return undefined;
  const own = await db<PasskeyRow>('passkeys').where({ id: read.data.id, host }).first();
  if (!own || (owner !== undefined && own.owner_id !== owner)) return undefined;
  const verified = await verifyAuthenticationResponse({
    response: answer as AuthenticationResponseJSON,
    expectedChallenge: takeChallenge(db, 'use', owner ?? null),
    expectedOrigin: originOf(request),
    expectedRPID: host,
    requireUserVerification: true,
    credential: {
      id: own.id,
      publicKey: new Uint8Array(own.public_key),
      counter: Number(own.counter),
    },
  }).catch(() => undefined);
  if (!verified?.verified) return undefined;
  await db('passkeys')
    .where({ id: own.id })
    .update({ counter: verified.authenticationInfo.newCounter, used_at: db.fn.now() });
  return own.owner_id;
}

export const passkeysOf = (db: Knex, owner: string): Promise<PasskeyRow[]> =>
  db<PasskeyRow>('passkeys').where({ owner_id: owner }).orderBy(['made_at', 'id']);
