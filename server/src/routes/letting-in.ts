import { PROBLEMS, type SessionNow, type WayIn } from '@fennot/core';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { accountOf } from '../db/accounts.ts';
import { note } from '../db/audit.ts';
import { beginSession, Devices } from '../db/sessions.ts';
import { type Counted, Tries } from '../db/tries.ts';
import { sendProblem } from '../plugins/problems.ts';
import { sessionNow, signedOf } from '../plugins/who.ts';

/**
 * Whether a try may be made; if not, the answer is sent. It is counted before it is made.
 */
export async function mayTry(
  request: FastifyRequest,
  reply: FastifyReply,
  ...counted: readonly Counted[]
): Promise<boolean> {
  const wait = await new Tries(request.server.db).begin(...counted);
  if (wait === 0) return true;
  request.log.warn({ from: request.ip, wait }, 'Too many tries to get in.');
  reply.header('retry-after', String(wait));
  sendProblem(reply, {
    ...PROBLEMS.tooManyTries,
    detail: `Too many tries. Wait ${waitText(wait)}, and try then.`,
  });
  return false;
}

const waitText = (seconds: number): string => {
  const minutes = Math.ceil(seconds / 60);
  if (seconds <= 90) return seconds === 1 ? 'a second' : `${seconds} seconds`;
  return `${minutes} minutes`;
};

interface LetIn {
  readonly owner: string;
  readonly device: string;
  readonly how: WayIn;
  readonly confirmed: boolean;
}

const HOW: Readonly<Record<WayIn, string>> = {
  password: 'with the password',
  passkey: 'with a passkey',
  both: 'with the password and a passkey',
  code: 'with a code shown on another device',
  recovery: 'with a recovery code',
  new: 'when the account was made',
};

/** Signs a device in under a new secret, whatever it had before; the maker is told. */
export async function letIn(
  request: FastifyRequest,
  reply: FastifyReply,
  { owner, device, how, confirmed }: LetIn,
): Promise<SessionNow> {
  const { db, outbox } = request.server;
  const before = signedOf(request);
  const { told, session } = await db.transaction(async (held) => {
    // A secret that somebody may have planted, or read, is worth nothing any more.
    if (before) await new Devices(held, before.owner).end(before.device);
    const begun = await beginSession(held, { owner, name: device, how, confirmed });
    await note(held, owner, 'signed in', `${device}, ${HOW[how]}`);
    return { told: begun.told, session: begun.device };
  });
  await reply.keepSecret(told);
  await outbox.send(owner, {
    title: `A device signed in: ${device}`,
    text: `“${device}” was signed in ${HOW[how]}. If that was not you, sign it out in the settings, and change the password.`,
  });
  const account = await accountOf(db, owner);
  return sessionNow(request, {
    is: 'in',
    signed: {
      owner,
      name: account?.name ?? '',
      first: account?.first ?? false,
      device: session,
      confirmed,
    },
  });
}
