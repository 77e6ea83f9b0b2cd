import type { Account } from '@fennot/core';
import type { FastifyRequest } from 'fastify';
import { passkeysOf } from '../accounts/passkeys.ts';
import { accountOf, recoveryCodesLeft } from '../db/accounts.ts';
import { Devices } from '../db/sessions.ts';
import { signedOf } from '../plugins/who.ts';

/** The account of whoever asks, as it is now. Throws where there is none: its routes let nobody else ask. */
export async function accountNow(request: FastifyRequest): Promise<Account> {
  const signed = signedOf(request);
  const { db } = request.server;
  const account = signed && (await accountOf(db, signed.owner));
  if (!account) throw new Error('A route of accounts was asked by nobody who has one.');
  const [passkeys, codesLeft, devices] = await Promise.all([
    passkeysOf(db, signed.owner),
    recoveryCodesLeft(db, signed.owner),
    new Devices(db, signed.owner).all(signed.device),
  ]);
  return {
    name: account.name,
    since: account.made_at.toISOString(),
    first: account.first,
    password: account.password !== null,
    both: account.both,
    passkeys: passkeys.map(({ id, name, made_at, used_at, host }) => ({
      id,
      name,
      since: made_at.toISOString(),
      used: used_at?.toISOString() ?? null,
      host,
    })),
    codesLeft,
    devices,
  };
}
