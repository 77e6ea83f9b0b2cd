import { PROBLEMS } from '@fennot/core';
import fp from 'fastify-plugin';
import { type Doors, isLoopback, nameOf, protocolOf } from '../doors/doors.ts';
import { trustPage } from '../doors/trust-page.ts';
import { sendProblem } from './problems.ts';

const TRUST = { page: '/trust', root: '/fennot-authority.crt' } as const;

/**
 * What is told over an open line, where there are closed ones: to this machine everything, to others only how to come by a
 * closed one. Nobody types a password that others on the network could read.
 */
export const closedLine = fp<Pick<Doors, 'tls' | 'trust'>>(async (app, { tls, trust }) => {
  const closes = tls === 'own' || tls === 'given';
  app.addHook('onRequest', async (request, reply) => {
    if (!closes || protocolOf(request) === 'https') return;
    if (isLoopback(request.socket.remoteAddress ?? '')) return;
    const { url, method, headers } = request;
    if (trust && (url === TRUST.page || url === TRUST.root)) return;
    if (method !== 'GET' && method !== 'HEAD') return sendProblem(reply, PROBLEMS.needsTls);
    return reply.redirect(trust ? TRUST.page : `https://${headers.host}${url}`, 307);
  });
  if (!trust) return;
  app.get(TRUST.page, { schema: { hide: true } }, (request, reply) => {
    const name = nameOf(request.headers.host ?? '');
    const port = request.headers.host?.slice(name.length) ?? '';
    return reply
      .type('text/html; charset=utf-8')
      .header('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'")
      .header('cache-control', 'no-store')
      .send(
        trustPage({ address: `https://${name}${port}/`, root: TRUST.root, fingerprint: trust.fingerprint }),
      );
  });
  app.get(TRUST.root, { schema: { hide: true } }, (_, reply) =>
    reply
      .type('application/x-x509-ca-cert')
      .header('content-disposition', 'attachment; filename="fennot-authority.crt"')
      .send(trust.root),
  );
});
