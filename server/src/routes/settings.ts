import { ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { readSettings, writeSettings } from '../db/owners.ts';

/** The maker's settings: words, lengths, light or dark. */
export const settingsRoutes: FastifyPluginAsyncZod = async (app) => {
  const { settings, saveSettings } = ROUTES;
  const tags = ['settings'];
  app.get(settings.path, { schema: { tags, response: { 200: settings.answer } } }, async () =>
    readSettings(app.db, app.owner),
  );
  app.put(
    saveSettings.path,
    { schema: { tags, body: saveSettings.body, response: { 200: saveSettings.answer } } },
    async ({ body }) => writeSettings(app.db, app.owner, body),
  );
};
