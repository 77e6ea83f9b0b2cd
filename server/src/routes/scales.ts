import type { FastifyPluginAsync } from 'fastify';
import { stillIn } from '../plugins/who.ts';

/** So often a stream says that it is there, ms: whoever lies between would cut a silent one. */
const BEAT = 15_000;

/**
 * What the scales show, as server-sent events: one `scale` event each at first, then one with every change.
 */
export const scaleRoutes: FastifyPluginAsync = async (app) => {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => {
    for (const end of open) end();
  });
  app.get(
    '/scales',
    { config: { access: 'maker', rateLimit: false }, schema: { hide: true } },
    (request, reply) => {
      const { raw } = reply;
      reply.hijack();
      raw.writeHead(200, {
        'content-type': 'text/event-stream; charset=utf-8',
        'cache-control': 'no-store',
        'x-content-type-options': 'nosniff',
        connection: 'keep-alive',
      });
      const send = (scale: unknown) => raw.write(`event: scale\ndata: ${JSON.stringify(scale)}\n\n`);
      // A stream that is cut is asked for again after a second.
      raw.write('retry: 1000\n\n');
      raw.write(`event: all\ndata: ${JSON.stringify(app.scales.now())}\n\n`);
      const stop = app.scales.listen(send);
      const beat = setInterval(() => {
        raw.write(': there\n\n');
        // A device that is signed out hears no more.
        void stillIn(request).then((still) => still || end());
      }, BEAT);
      const end = () => {
        clearInterval(beat);
        stop();
        open.delete(end);
        raw.end();
      };
      open.add(end);
      request.raw.once('close', end);
    },
  );
};
