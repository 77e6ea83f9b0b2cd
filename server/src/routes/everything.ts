import { fieldProblems, makerFileSchema, PROBLEMS, ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { everythingOf, takeEverythingIn } from '../db/everything.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf, signedOf } from '../plugins/who.ts';
import { refusals } from './refusals.ts';

/** Some ten thousand bags, or a stash of as many lots with a few hundred. */
const BODY_LIMIT = 64 * 1024 * 1024;

/** Nobody reads more than so many problems at once. */
const MOST_TOLD = 20;

/** Whole accounts cost: a few in a while from one address. */
const SELDOM = { max: 6, timeWindow: '10 seconds' };

/** A time or a number that no database knows, or something nested without end: nothing was taken in. */
const cannotHold = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && /^(22|54)/.test(String(error.code));

/** Everything a maker has, as one file: out, and in again. */
export const everythingRoutes: FastifyPluginAsyncZod = async (app) => {
  const tags = ['everything'];
  const { takeOut, takeIn } = ROUTES;

  app.get(
    takeOut.path,
    { config: { ...takeOut, rateLimit: SELDOM }, schema: { tags, response: { 200: takeOut.answer } } },
    async (request, reply) => {
      const file = await everythingOf(app.db, ownerOf(request), signedOf(request)?.name ?? '');
      reply.header('content-disposition', 'attachment; filename="fennot-everything.json"');
      return file;
    },
  );

  app.post(
    takeIn.path,
    {
      bodyLimit: BODY_LIMIT,
      config: { ...takeIn, rateLimit: SELDOM },
      schema: { tags, body: takeIn.body, response: { 200: takeIn.answer, ...refusals(409, 422) } },
    },
    async (request, reply) => {
      const { file, replace } = request.body;
      const read = makerFileSchema.safeParse(file);
      if (!read.success) {
        const errors = fieldProblems(read.error).slice(0, MOST_TOLD);
        return sendProblem(reply, {
          ...PROBLEMS.badFile,
          ...(errors[0] ? { detail: errors[0].message } : {}),
          errors,
        });
      }
      const taken = await takeEverythingIn(app.db, ownerOf(request), read.data, replace).catch(
        (error: unknown) => {
          if (cannotHold(error)) return 'badFile' as const;
          throw error;
        },
      );
      if (taken === 'badFile') return sendProblem(reply, PROBLEMS.badFile);
      return taken === 'notEmpty' ? sendProblem(reply, PROBLEMS.notEmpty) : taken;
    },
  );
};
