import { PROBLEMS, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { note } from '../db/audit.ts';
import { callCodeBack, makeCode, stateOfCode } from '../db/codes.ts';
import { Devices } from '../db/sessions.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf, signedOf } from '../plugins/who.ts';
import { accountNow } from './account-now.ts';
import { isUuid } from './ids.ts';
import { refusals } from './refusals.ts';

const params = z.object({ id: z.string() });

/** Devices of an account: let in, named, and signed out from anywhere; and makers who are invited. */
export const deviceRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['devices'];
  const { renameDevice, endDevice, endOthers, invite, letInState, callBack, outbox, network } = ROUTES;

  app.put(
    renameDevice.path,
    {
      config: renameDevice,
      schema: {
        tags,
        params,
        body: renameDevice.body,
        response: { 200: renameDevice.answer, ...refusals(404) },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const done = isUuid(id) && (await new Devices(app.db, ownerOf(request)).rename(id, request.body.name));
      return done ? accountNow(request) : sendProblem(reply, PROBLEMS.noSuchThing);
    },
  );

  app.delete(
    endDevice.path,
    { config: endDevice, schema: { tags, params, response: { 200: endDevice.answer, ...refusals(404) } } },
    async (request, reply) => {
      const owner = ownerOf(request);
      const { id } = request.params;
      if (!isUuid(id) || !(await new Devices(app.db, owner).end(id)))
        return sendProblem(reply, PROBLEMS.noSuchThing);
      await note(app.db, owner, 'changed', 'A device was signed out from another.');
      return accountNow(request);
    },
  );

  app.delete(
    endOthers.path,
    { config: endOthers, schema: { tags, response: { 200: endOthers.answer, ...refusals(409) } } },
    async (request, reply) => {
      const signed = signedOf(request);
      if (!signed) return sendProblem(reply, PROBLEMS.noAccount);
      await new Devices(app.db, signed.owner).endOthers(signed.device);
      await note(app.db, signed.owner, 'changed', 'All other devices were signed out.');
      return accountNow(request);
    },
  );

  for (const [route, letsIn] of [
    [ROUTES.letIn, 'device'],
    [invite, 'maker'],
  ] as const)
    app.post(
      route.path,
      { config: route, schema: { tags, response: { 200: route.answer, ...refusals(401, 404, 409) } } },
      async (request, reply) => {
        // Only who keeps this Fennot invites others.
        if (letsIn === 'maker' && !signedOf(request)?.first) return sendProblem(reply, PROBLEMS.noSuchThing);
        return makeCode(app.db, letsIn, ownerOf(request));
      },
    );

  app.get(
    letInState.path,
    { config: letInState, schema: { tags, params, response: { 200: letInState.answer, ...refusals(404) } } },
    async (request, reply) => {
      const { id } = request.params;
      const state = isUuid(id) ? await stateOfCode(app.db, ownerOf(request), id) : undefined;
      return state ?? sendProblem(reply, PROBLEMS.noSuchThing);
    },
  );

  app.delete(
    callBack.path,
    { config: callBack, schema: { tags, params, response: { 200: callBack.answer, ...refusals(404) } } },
    async (request, reply) => {
      const owner = ownerOf(request);
      const { id } = request.params;
      const state = isUuid(id) ? await stateOfCode(app.db, owner, id) : undefined;
      if (!state) return sendProblem(reply, PROBLEMS.noSuchThing);
      // Used meanwhile, it is told by what it let in.
      if (await callCodeBack(app.db, owner, id)) return { is: 'over' as const };
      return (await stateOfCode(app.db, owner, id)) ?? { is: 'over' as const };
    },
  );

  app.get(
    outbox.path,
    { config: outbox, schema: { tags, response: { 200: outbox.answer } } },
    async (request) => ({ messages: await app.outbox.read(ownerOf(request)) }),
  );

  app.get(network.path, { config: network, schema: { tags, response: { 200: network.answer } } }, async () =>
    app.doors.network(),
  );
};
