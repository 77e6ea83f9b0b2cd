import { PROBLEMS, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { passkeysOf } from '../accounts/passkeys.ts';
import { hashedPassword, isWeak } from '../accounts/passwords.ts';
import {
  accountOf,
  makeAnother,
  makeFirst,
  makeRecoveryCodes,
  type NoAccount,
  recoveryCodesLeft,
  renameAccount,
} from '../db/accounts.ts';
import { note } from '../db/audit.ts';
import { useCode } from '../db/codes.ts';
import { Devices } from '../db/sessions.ts';
import { codesOfAddress, ofAccount, ofAddress, Tries } from '../db/tries.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf, sessionNow, signedOf, whoOf } from '../plugins/who.ts';
import { accountNow } from './account-now.ts';
import { letIn, mayTry } from './letting-in.ts';
import { refusals } from './refusals.ts';

/** Ends the transaction that an account was to be made in. */
class NotMade extends Error {
  readonly why: NoAccount;

  constructor(why: NoAccount) {
    super(why);
    this.why = why;
  }
}

/** Accounts: made, named, given another password, and deleted. */
export const accountRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['account'];
  const tries = new Tries(app.db);
  const { makeAccount, account, rename, changePassword, recoveryCodes, deleteAccount } = ROUTES;

  app.post(
    makeAccount.path,
    {
      config: makeAccount,
      schema: {
        tags,
        body: makeAccount.body,
        response: { 200: makeAccount.answer, ...refusals(409, 422, 429) },
      },
    },
    async (request, reply) => {
      const { name, password, device, code } = request.body;
      const asks = whoOf(request);
      if (asks.is === 'in') return sendProblem(reply, PROBLEMS.signedInHere);
      if (asks.is === 'nobody' && code === undefined) return sendProblem(reply, PROBLEMS.wrongCode);
      const counted = [codesOfAddress(request.ip), ofAddress(request.ip)];
      if (!(await mayTry(request, reply, ...counted))) return reply;
      if (isWeak(password, name)) return sendProblem(reply, PROBLEMS.weakPassword);
      const fresh = { name, password: await hashedPassword(password) };
      try {
        const owner = await app.db.transaction(async (held) => {
          const made = await (async () => {
            if (code === undefined) return makeFirst(held, fresh);
            if (await useCode(held, code, 'first', name)) return makeFirst(held, fresh);
            if (await useCode(held, code, 'maker', name)) return makeAnother(held, fresh);
            return { ok: false, why: 'wrongCode' } as const;
          })();
          // The code is not used up by an account that could not be made.
          if (!made.ok) throw new NotMade(made.why);
          await note(held, made.owner, 'changed', 'The account was made.');
          return made.owner;
        });
        await tries.succeeded(undefined, ...counted);
        return await letIn(request, reply, { owner, device, how: 'new', confirmed: true });
      } catch (error) {
        if (!(error instanceof NotMade)) throw error;
        request.log.warn({ from: request.ip, why: error.why }, 'No account was made.');
        return sendProblem(reply, PROBLEMS[error.why]);
      }
    },
  );

  app.get(
    account.path,
    { config: account, schema: { tags, response: { 200: account.answer, ...refusals(409) } } },
    async (request, reply) =>
      signedOf(request) ? accountNow(request) : sendProblem(reply, PROBLEMS.noAccount),
  );

  app.put(
    rename.path,
    {
      config: rename,
      schema: { tags, body: rename.body, response: { 200: rename.answer, ...refusals(409, 422) } },
    },
    async (request, reply) => {
      const signed = signedOf(request);
      if (!signed) return sendProblem(reply, PROBLEMS.noAccount);
      const { name } = request.body;
      if (!(await renameAccount(app.db, signed.owner, name))) return sendProblem(reply, PROBLEMS.nameTaken);
      return sessionNow(request, { is: 'in', signed: { ...signed, name } });
    },
  );

  app.put(
    changePassword.path,
    {
      config: changePassword,
      schema: {
        tags,
        body: changePassword.body,
        response: { 200: changePassword.answer, ...refusals(401, 409, 422) },
      },
    },
    async (request, reply) => {
      const signed = signedOf(request);
      if (!signed) return sendProblem(reply, PROBLEMS.noAccount);
      const { owner, name, device } = signed;
      const { password, others } = request.body;
      if (password !== null && isWeak(password, name)) return sendProblem(reply, PROBLEMS.weakPassword);
      const kept = password === null ? null : await hashedPassword(password);
      const why = await app.db.transaction(async (held) => {
        await held('accounts').where({ owner_id: owner }).forUpdate().first();
        const safe =
          kept !== null ||
          ((await passkeysOf(held, owner)).length > 0 && (await recoveryCodesLeft(held, owner)) > 0);
        if (!safe) return 'lastWayIn' as const;
        await held('accounts')
          .where({ owner_id: owner })
          .update({ password: kept, ...(kept === null ? { both: false } : {}) });
        if (others) await new Devices(held, owner).endOthers(device);
        await note(held, owner, 'changed', 'The password was changed.');
        return undefined;
      });
      if (why) return sendProblem(reply, PROBLEMS[why]);
      await app.outbox.send(owner, {
        title: kept === null ? 'The password was taken out' : 'The password was changed',
        text: `It was done on this device${others ? ', and all others were signed out' : ''}. If that was not you, get in with a recovery code, and change it back.`,
      });
      return sessionNow(request);
    },
  );

  app.post(
    recoveryCodes.path,
    {
      config: recoveryCodes,
      schema: { tags, response: { 200: recoveryCodes.answer, ...refusals(401, 409) } },
    },
    async (request) => {
      const owner = ownerOf(request);
      const codes = await makeRecoveryCodes(app.db, owner);
      await note(app.db, owner, 'changed', 'New recovery codes were made.');
      await app.outbox.send(owner, {
        title: 'New recovery codes',
        text: 'The ones before do not let in any more. If that was not you, change the password, and make new ones.',
      });
      return { codes };
    },
  );

  app.delete(
    deleteAccount.path,
    {
      config: deleteAccount,
      schema: { tags, response: { 200: deleteAccount.answer, ...refusals(401, 409) } },
    },
    async (request, reply) => {
      const owner = ownerOf(request);
      const own = await accountOf(app.db, owner);
      // Everything hangs on the owner, and goes with it.
      await app.db.transaction(async (held) => {
        // A bag that is just being saved holds its row, and waits for its owner's: so bags go first.
        await held('bags').where({ owner_id: owner }).delete();
        await held('owners').where({ id: owner }).delete();
      });
      if (own) await tries.forget(ofAccount(own.name_key));
      await app.outbox.forget(owner);
      await reply.keepSecret(undefined);
      reply.header('clear-site-data', '"cache"');
      return sessionNow(request, { is: 'nobody' });
    },
  );
};
