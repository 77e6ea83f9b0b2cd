import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { readSettings, settingsSchema, writeSettings } from '../db/owners.ts';

/** The maker's settings: words, lengths, light or dark. */
export const settingsRoutes: FastifyPluginAsyncZod = async (app) => {
  const response = { 200: settingsSchema };
  app.get('/settings', { schema: { tags: ['settings'], response } }, async () =>
    readSettings(app.db, app.owner),
  );
  app.put('/settings', { schema: { tags: ['settings'], body: settingsSchema, response } }, async ({ body }) =>
    writeSettings(app.db, app.owner, body),
  );
};
