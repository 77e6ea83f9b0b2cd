import { PROBLEMS, problemSchema, ROUTES } from '@fennot/core';
import type { FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { HoldingStore } from '../db/holdings.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf } from '../plugins/who.ts';

/** A stash of 10,000 lots, imported at once, is some 4 MB. */
const BODY_LIMIT = 16 * 1024 * 1024;

/** What a maker has beside bags: the stash, the library, and all changes to them. */
export const holdingRoutes: FastifyPluginAsyncZod = async (app) => {
  const store = (request: FastifyRequest) => new HoldingStore(app.db, ownerOf(request));
  const tags = ['holdings'];
  const { stash, library, changeHoldings } = ROUTES;
  app.get(stash.path, { config: stash, schema: { tags, response: { 200: stash.answer } } }, async (request) =>
    store(request).stash(),
  );
  app.get(
    library.path,
    { config: library, schema: { tags, response: { 200: library.answer } } },
    async (request) => store(request).library(),
  );
  app.post(
    changeHoldings.path,
    {
      bodyLimit: BODY_LIMIT,
      config: { ...changeHoldings, rateLimit: { max: 100, timeWindow: '1 second' } },
      schema: {
        tags,
        body: changeHoldings.body,
        response: { 200: changeHoldings.answer, 404: problemSchema, 409: problemSchema, 422: problemSchema },
      },
    },
    async (request, reply) => {
      const { id, changes } = request.body;
      const done = await store(request).change(id, changes);
      return typeof done === 'string' ? sendProblem(reply, PROBLEMS[done]) : done;
    },
  );
};
