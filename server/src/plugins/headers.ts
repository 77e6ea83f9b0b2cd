import helmet from '@fastify/helmet';
import { API } from '@fennot/core';
import fp from 'fastify-plugin';
import { type Doors, protocolOf } from '../doors/doors.ts';
import { nonceOf } from './nonce.ts';

/** What a page of Fennot never asks of a browser. */
const NOT_NEEDED = ['camera', 'microphone', 'geolocation', 'payment', 'usb', 'midi', 'display-capture'];

/** What browsers are told: to load nothing from elsewhere, to ask for nothing, and to keep no answers of the API. */
export const headers = fp<Pick<Doors, 'tls'>>(async (app, { tls }) => {
  await app.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        // Compiling WebAssembly is no running of text: the solver of arrangements is one such file of our own.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        connectSrc: ["'self'"],
        fontSrc: ["'self'"],
        manifestSrc: ["'self'"],
        // And such as the page's own script makes: see `page`.
        styleSrc: ["'self'", (_, reply) => `'nonce-${nonceOf(reply)}'`],
        // Drawings are images made in the page.
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // A promise that a name is always asked by https holds for all that this name serves: see below.
    strictTransportSecurity: false,
  });
  const refused = NOT_NEEDED.map((feature) => `${feature}=()`).join(', ');
  app.addHook('onSend', async (request, reply) => {
    reply.header('permissions-policy', refused);
    // Not for names that only an authority of our own vouches for: other programs of that machine are asked by http.
    const vouched = tls === 'given' || tls === 'proxy';
    if (vouched && protocolOf(request) === 'https')
      reply.header('strict-transport-security', 'max-age=31536000');
    if (!request.url.startsWith(API)) return;
    if (!reply.hasHeader('cache-control')) reply.header('cache-control', 'no-store');
    // Opened by itself, an answer is a file, and no page.
    const json = String(reply.getHeader('content-type') ?? '').includes('json');
    if (json && !reply.hasHeader('content-disposition'))
      reply.header('content-disposition', 'attachment; filename="api.json"');
  });
});
