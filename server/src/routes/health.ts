import { documentJsonSchema } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';

/** Whether the server and its database are there, and the published schema of the file format. */
export const healthRoutes: FastifyPluginAsyncZod = async (app) => {
  app.get(
    '/health',
    {
      schema: { tags: ['server'], response: { 200: z.object({ ok: z.literal(true) }) } },
      config: { access: 'anyone', rateLimit: false },
    },
    async () => {
      await app.db.raw('select 1');
      return { ok: true as const };
    },
  );
  app.get(
    '/bag-schema.json',
    {
      config: { access: 'anyone' },
      schema: { tags: ['server'], response: { 200: z.record(z.string(), z.unknown()) } },
    },
    async () => ({ ...documentJsonSchema() }),
  );
};
