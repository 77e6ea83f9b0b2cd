import { PROBLEMS, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { endStep, stepOf } from '../accounts/passkey-step.ts';
import {
  addPasskey,
  hostOf,
  MOST_PASSKEYS,
  newPasskeyOptions,
  passkeyOwner,
  passkeysOf,
  usePasskeyOptions,
} from '../accounts/passkeys.ts';
import { accountOf, recoveryCodesLeft } from '../db/accounts.ts';
import { note } from '../db/audit.ts';
import { Devices } from '../db/sessions.ts';
import { ofAddress, Tries } from '../db/tries.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf, sessionNow, signedOf } from '../plugins/who.ts';
import { accountNow } from './account-now.ts';
import { letIn, mayTry } from './letting-in.ts';
import { refusals } from './refusals.ts';

const params = z.object({ id: z.string() });

/** Passkeys: made, used to sign in or to say that it is oneself, and taken out. */
export const passkeyRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['passkeys'];
  const { askPasskey, usePasskey, newPasskey, addPasskey: add, dropPasskey } = ROUTES;

  app.post(
    askPasskey.path,
    { config: askPasskey, schema: { tags, response: { 200: askPasskey.answer, ...refusals(422, 429) } } },
    async (request, reply) => {
      const host = hostOf(request);
      if (host === undefined) return sendProblem(reply, PROBLEMS.noPasskeysHere);
      const owner = signedOf(request)?.owner ?? (await stepOf(request));
      return { options: { ...(await usePasskeyOptions(app.db, host, owner)) } };
    },
  );

  app.post(
    usePasskey.path,
    {
      config: usePasskey,
      schema: { tags, body: usePasskey.body, response: { 200: usePasskey.answer, ...refusals(422, 429) } },
    },
    async (request, reply) => {
      const host = hostOf(request);
      if (host === undefined) return sendProblem(reply, PROBLEMS.noPasskeysHere);
      const address = ofAddress(request.ip);
      if (!(await mayTry(request, reply, address))) return reply;
      const signed = signedOf(request);
      const step = signed ? undefined : await stepOf(request);
      const owner = await passkeyOwner(request, host, signed?.owner ?? step, request.body.answer);
      const account = owner === undefined ? undefined : await accountOf(app.db, owner);
      // Where both are asked for, the password comes first.
      if (owner === undefined || !account || (!signed && account.both && step !== owner)) {
        request.log.warn({ from: request.ip }, 'A passkey was refused.');
        return sendProblem(reply, PROBLEMS.wrongPasskey);
      }
      await new Tries(app.db).succeeded(undefined, address);
      if (signed) {
        await new Devices(app.db, owner).confirm(signed.device);
        return sessionNow(request, { is: 'in', signed: { ...signed, confirmed: true } });
      }
      await endStep(request, reply);
      const device = request.body.device ?? 'A device';
      return letIn(request, reply, { owner, device, how: step ? 'both' : 'passkey', confirmed: true });
    },
  );

  app.post(
    newPasskey.path,
    {
      config: newPasskey,
      schema: { tags, response: { 200: newPasskey.answer, ...refusals(401, 409, 422) } },
    },
    async (request, reply) => {
      const host = hostOf(request);
      const signed = signedOf(request);
      if (host === undefined || !signed) return sendProblem(reply, PROBLEMS.noPasskeysHere);
      return { options: { ...(await newPasskeyOptions(app.db, host, signed.owner, signed.name)) } };
    },
  );

  app.post(
    add.path,
    {
      config: add,
      schema: { tags, body: add.body, response: { 200: add.answer, ...refusals(401, 409, 422) } },
    },
    async (request, reply) => {
      const host = hostOf(request);
      const owner = ownerOf(request);
      if (host === undefined) return sendProblem(reply, PROBLEMS.noPasskeysHere);
      const { answer, device = 'Passkey' } = request.body;
      const full = (await passkeysOf(app.db, owner)).length >= MOST_PASSKEYS;
      if (full || !(await addPasskey(request, host, owner, device, answer)))
        return sendProblem(reply, PROBLEMS.wrongPasskey);
      await note(app.db, owner, 'changed', `A passkey was added: ${device}`);
      await app.outbox.send(owner, {
        title: `A passkey was added: ${device}`,
        text: 'It lets into your account from now on. If that was not you, take it out in the settings, and change the password.',
      });
      return accountNow(request);
    },
  );

  app.delete(
    dropPasskey.path,
    {
      config: dropPasskey,
      schema: { tags, params, response: { 200: dropPasskey.answer, ...refusals(401, 404, 409, 422) } },
    },
    async (request, reply) => {
      const owner = ownerOf(request);
      const { id } = request.params;
      const why = await app.db.transaction(async (held) => {
        // One after the other: of two windows that each take one out, the second sees what is left.
        const account = await held('accounts').where({ owner_id: owner }).forUpdate().first();
        const all = await passkeysOf(held, owner);
        if (!all.some((one) => one.id === id)) return 'noSuchThing' as const;
        const last = all.length === 1;
        if (last && account.password === null) return 'lastWayIn' as const;
        await held('passkeys').where({ owner_id: owner, id }).delete();
        if (last) await held('accounts').where({ owner_id: owner }).update({ both: false });
        await note(held, owner, 'changed', 'A passkey was taken out.');
        return undefined;
      });
      if (why) return sendProblem(reply, PROBLEMS[why]);
      await app.outbox.send(owner, {
        title: 'A passkey was taken out',
        text: 'It does not let in any more. If that was not you, change the password.',
      });
      return accountNow(request);
    },
  );

  app.put(
    ROUTES.setBoth.path,
    {
      config: ROUTES.setBoth,
      schema: {
        tags,
        body: ROUTES.setBoth.body,
        response: { 200: ROUTES.setBoth.answer, ...refusals(401, 409, 422) },
      },
    },
    async (request, reply) => {
      const owner = ownerOf(request);
      const { both } = request.body;
      const ready =
        (await passkeysOf(app.db, owner)).length > 0 && (await recoveryCodesLeft(app.db, owner)) > 0;
      if (both && !ready) return sendProblem(reply, PROBLEMS.lastWayIn);
      await app.db('accounts').where({ owner_id: owner }).update({ both });
      await note(
        app.db,
        owner,
        'changed',
        both ? 'A passkey is asked for, too.' : 'No passkey is asked for.',
      );
      return accountNow(request);
    },
  );
};
