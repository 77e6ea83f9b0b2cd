import { PROBLEMS, plainCode, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { nameKey } from '../accounts/name-key.ts';
import { beginStep, hasPasskeyHere } from '../accounts/passkey-step.ts';
import { isPassword } from '../accounts/passwords.ts';
import { accountNamed, accountOf, useRecoveryCode } from '../db/accounts.ts';
import { note } from '../db/audit.ts';
import { useCode } from '../db/codes.ts';
import { Devices } from '../db/sessions.ts';
import { codesOfAddress, ofAccount, ofAddress, Tries } from '../db/tries.ts';
import { sendProblem } from '../plugins/problems.ts';
import { isFor, sessionNow, signedOf, whoOf } from '../plugins/who.ts';
import { letIn, mayTry } from './letting-in.ts';
import { refusals } from './refusals.ts';

/** Signing in and out: with a password, a recovery code, or a code shown on another device. */
export const sessionRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['session'];
  const tries = new Tries(app.db);
  const { session, signIn, signOut, recover, join, confirm } = ROUTES;

  app.get(
    session.path,
    { config: session, schema: { tags, response: { 200: session.answer } } },
    async (request) => sessionNow(request),
  );

  app.post(
    signIn.path,
    {
      config: signIn,
      schema: { tags, body: signIn.body, response: { 200: signIn.answer, ...refusals(422, 429) } },
    },
    async (request, reply) => {
      const { name, password, device } = request.body;
      const [account, address] = [ofAccount(nameKey(name)), ofAddress(request.ip)];
      if (!(await mayTry(request, reply, account, address))) return reply;
      const found = await accountNamed(app.db, name);
      // As long for a name that is not there as for one that is.
      if (!(await isPassword(password, found?.password)) || !found) {
        request.log.warn({ from: request.ip }, 'A sign-in was refused.');
        return sendProblem(reply, PROBLEMS.wrongSignIn);
      }
      await tries.succeeded(account, address);
      if (found.both && (await hasPasskeyHere(request, found.owner_id))) {
        await beginStep(request, reply, found.owner_id);
        return { is: 'passkey' as const };
      }
      if (found.both) return sendProblem(reply, PROBLEMS.noPasskeysHere);
      return letIn(request, reply, { owner: found.owner_id, device, how: 'password', confirmed: true });
    },
  );

  app.delete(
    signOut.path,
    { config: signOut, schema: { tags, response: { 200: signOut.answer } } },
    async (request, reply) => {
      const signed = signedOf(request);
      // A page of another maker's, left open, puts out nobody else.
      if (signed && !isFor(request, signed.owner)) return sessionNow(request);
      if (signed) await new Devices(app.db, signed.owner).end(signed.device);
      await reply.keepSecret(undefined);
      // Pictures of bags that the browser keeps are this maker's; what is unsaved stays, for them alone.
      reply.header('clear-site-data', '"cache"');
      return sessionNow(request, whoOf(request).is === 'open' ? whoOf(request) : { is: 'nobody' });
    },
  );

  app.post(
    recover.path,
    {
      config: recover,
      schema: { tags, body: recover.body, response: { 200: recover.answer, ...refusals(422, 429) } },
    },
    async (request, reply) => {
      const { name, code, device } = request.body;
      const [account, address] = [ofAccount(nameKey(name)), ofAddress(request.ip)];
      if (!(await mayTry(request, reply, account, address))) return reply;
      const found = await accountNamed(app.db, name);
      const used = await useRecoveryCode(app.db, found?.owner_id, plainCode(code));
      if (!used || !found) {
        request.log.warn({ from: request.ip }, 'A recovery code was refused.');
        return sendProblem(reply, PROBLEMS.wrongRecovery);
      }
      await tries.succeeded(account, address);
      return letIn(request, reply, { owner: found.owner_id, device, how: 'recovery', confirmed: true });
    },
  );

  app.post(
    join.path,
    {
      config: join,
      schema: { tags, body: join.body, response: { 200: join.answer, ...refusals(422, 429) } },
    },
    async (request, reply) => {
      const { code, device } = request.body;
      const counted = [codesOfAddress(request.ip), ofAddress(request.ip)];
      if (!(await mayTry(request, reply, ...counted))) return reply;
      const used = await useCode(app.db, code, 'device', device);
      if (!used?.owner) {
        request.log.warn({ from: request.ip }, 'A code for a device was refused.');
        return sendProblem(reply, PROBLEMS.wrongCode);
      }
      await tries.succeeded(undefined, ...counted);
      return letIn(request, reply, { owner: used.owner, device, how: 'code', confirmed: false });
    },
  );

  app.post(
    confirm.path,
    {
      config: confirm,
      schema: { tags, body: confirm.body, response: { 200: confirm.answer, ...refusals(409, 422, 429) } },
    },
    async (request, reply) => {
      const signed = signedOf(request);
      const account = signed && (await accountOf(app.db, signed.owner));
      if (!account) return sendProblem(reply, PROBLEMS.noAccount);
      const counted = ofAccount(account.name_key);
      if (!(await mayTry(request, reply, counted))) return reply;
      if (!(await isPassword(request.body.password, account.password))) {
        await note(app.db, signed.owner, 'refused', 'The password was asked for anew, and was not given.');
        return sendProblem(reply, PROBLEMS.wrongPassword);
      }
      await tries.succeeded(counted);
      await new Devices(app.db, signed.owner).confirm(signed.device);
      return sessionNow(request, { is: 'in', signed: { ...signed, confirmed: true } });
    },
  );
};
