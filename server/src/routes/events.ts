import { PROBLEMS, problemSchema, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { EventStore, NEW_EVENTS } from '../db/events.ts';
import { Hearing } from '../db/hearing.ts';
import { sendProblem } from '../plugins/problems.ts';
import { streams } from '../plugins/streams.ts';
import { ownerOf } from '../plugins/who.ts';
import { isUuid } from './ids.ts';

const params = z.object({ id: z.string() });

/** A device that comes back from a week without a network sends thousands. */
const OFTEN = { rateLimit: { max: 60, timeWindow: '1 second' } };

/** What is done on a bag: read from a place on, added, and heard of. */
export const eventRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['events'];
  const { events, addEvents } = ROUTES;
  const missing = { 404: problemSchema };
  const stream = streams(app);
  const hearing = new Hearing(app.db, NEW_EVENTS);
  app.addHook('onClose', () => hearing.close());

  app.get(
    events.path,
    {
      config: events,
      schema: { tags, params, querystring: events.query, response: { 200: events.answer, ...missing } },
    },
    async (request, reply) => {
      const { id } = request.params;
      const page = isUuid(id)
        ? await new EventStore(app.db, ownerOf(request)).after(id, request.query.after)
        : undefined;
      return page ?? sendProblem(reply, PROBLEMS.noSuchBag);
    },
  );

  app.post(
    addEvents.path,
    {
      config: { ...addEvents, ...OFTEN },
      schema: {
        tags,
        params,
        body: addEvents.body,
        response: { 200: addEvents.answer, ...missing, 422: problemSchema },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const added = isUuid(id)
        ? await new EventStore(app.db, ownerOf(request)).add(id, request.body.events)
        : 'noSuchBag';
      return typeof added === 'string' ? sendProblem(reply, PROBLEMS[added]) : added;
    },
  );

  app.get(
    '/bags/:id/events/heard',
    { config: { access: 'maker', rateLimit: false }, schema: { hide: true, params } },
    async (request, reply) => {
      const { id } = request.params;
      if (!isUuid(id) || !(await new EventStore(app.db, ownerOf(request)).has(id)))
        return sendProblem(reply, PROBLEMS.noSuchBag);
      stream(request, reply, (tell) => hearing.listen(id, () => tell('new', {})));
      return reply;
    },
  );
};
