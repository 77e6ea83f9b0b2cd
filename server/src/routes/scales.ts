import type { FastifyPluginAsync } from 'fastify';
import { streams } from '../plugins/streams.ts';

/**
 * What the scales show, as server-sent events: one `scale` event each at first, then one with every change.
 */
export const scaleRoutes: FastifyPluginAsync = async (app) => {
  const stream = streams(app);
  app.get(
    '/scales',
    { config: { access: 'maker', rateLimit: false }, schema: { hide: true } },
    (request, reply) =>
      stream(request, reply, (tell) => {
        tell('all', app.scales.now());
        return app.scales.listen((scale) => tell('scale', scale));
      }),
  );
};
