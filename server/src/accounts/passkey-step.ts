import type { FastifyReply, FastifyRequest } from 'fastify';
import { protocolOf } from '../doors/doors.ts';
import { hostOf } from './passkeys.ts';
import { freshSecret, keptOf } from './secrets.ts';

/** So long after the password the passkey is waited for, minutes. */
const PATIENCE = 5;
const COOKIE = 'fennot-step';

/** Whether an account has a passkey that works at the name this server is asked by. */
export async function hasPasskeyHere(request: FastifyRequest, owner: string): Promise<boolean> {
  const host = hostOf(request);
  if (host === undefined) return false;
  return (await request.server.db('passkeys').where({ owner_id: owner, host }).first('id')) !== undefined;
}

/** The password was right, and a passkey is asked for, too: this browser is known by a secret until then. */
export async function beginStep(request: FastifyRequest, reply: FastifyReply, owner: string): Promise<void> {
  const { told, kept } = freshSecret();
  const { db } = request.server;
  await db('challenges').insert({
    secret: kept,
    of: 'step',
    owner_id: owner,
    ends_at: db.raw(`now() + interval '${PATIENCE} minutes'`),
  });
  reply.setCookie(COOKIE, told, {
    path: '/api/session',
    httpOnly: true,
    sameSite: 'strict',
    secure: protocolOf(request) === 'https',
    maxAge: PATIENCE * 60,
  });
}

/** Whose password was right in this browser a moment ago. */
export async function stepOf(request: FastifyRequest): Promise<string | undefined> {
  const told = request.cookies[COOKIE];
  if (!told) return undefined;
  const { db } = request.server;
  const row = await db('challenges')
    .where({ secret: keptOf(told), of: 'step' })
    .where('ends_at', '>', db.fn.now())
    .first('owner_id');
  return row?.owner_id;
}

/** The step is made. */
export async function endStep(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  const told = request.cookies[COOKIE];
  if (!told) return;
  await request.server
    .db('challenges')
    .where({ secret: keptOf(told), of: 'step' })
    .delete();
  reply.clearCookie(COOKIE, { path: '/api/session' });
}
