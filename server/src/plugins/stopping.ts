import { PROBLEMS } from '@fennot/core';
import fp from 'fastify-plugin';
import { sendProblem } from './problems.ts';

/**
 * Once the server is being stopped, running requests are answered and their connections closed after them; requests
 * that come over connections still open are refused in a sentence.
 */
export const stopping = fp(async (app) => {
  let going = false;
  app.addHook('preClose', async () => {
    going = true;
  });
  app.addHook('onRequest', async (_, reply) => {
    if (going) return sendProblem(reply, PROBLEMS.stopping);
  });
  // Otherwise the page would keep its connection, and the server would wait for it.
  app.addHook('onSend', async (_, reply) => {
    if (going) reply.header('connection', 'close');
  });
});
