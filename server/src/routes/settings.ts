import { ROUTES } from '@fennot/core';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { readSettings, writeSettings } from '../db/owners.ts';
import { ownerOf } from '../plugins/who.ts';

/** The maker's settings: words, lengths, light or dark. */
export const settingsRoutes: FastifyPluginAsyncZod = async (app) => {
  const { settings, saveSettings } = ROUTES;
  const tags = ['settings'];
  app.get(
    settings.path,
    { config: settings, schema: { tags, response: { 200: settings.answer } } },
    async (request) => readSettings(app.db, ownerOf(request)),
  );
  app.put(
    saveSettings.path,
    {
      config: saveSettings,
      schema: { tags, body: saveSettings.body, response: { 200: saveSettings.answer } },
    },
    async (request) => writeSettings(app.db, ownerOf(request), request.body),
  );
};
