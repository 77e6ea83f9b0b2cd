import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { stillIn } from './who.ts';

/** So often a stream says that it is there, ms: whoever lies between would cut a silent one. */
const BEAT = 15_000;

/** Tells one thing to whoever listens. */
export type Tell = (event: string, data: unknown) => void;

/**
 * Streams of server-sent events. Each goes on until its page leaves, its device is signed out, or the server goes.
 *
 * @returns opens one: `begin` tells what there is to tell, now and later, and answers how it stops.
 */
export function streams(app: FastifyInstance) {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => {
    for (const end of open) end();
  });
  return (request: FastifyRequest, reply: FastifyReply, begin: (tell: Tell) => () => void): void => {
    const { raw } = reply;
    reply.hijack();
    raw.writeHead(200, {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      connection: 'keep-alive',
    });
    // A stream that is cut is asked for again after a second.
    raw.write('retry: 1000\n\n');
    const stop = begin((event, data) => void raw.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
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
  };
}
