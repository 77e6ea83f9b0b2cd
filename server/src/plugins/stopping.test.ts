import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import { PROBLEMS } from '@fennot/core';
import Fastify, { type FastifyInstance } from 'fastify';
import { describe, expect, test } from 'vitest';
import { problems } from './problems.ts';
import { stopping } from './stopping.ts';

function portOf(app: FastifyInstance): number {
  const place = app.server.address();
  if (typeof place !== 'object' || !place) throw new Error('it listens nowhere');
  return place.port;
}

/** A server whose work ends when it is told to, over real connections. */
async function serverAtWork() {
  const app = Fastify({ forceCloseConnections: 'idle', return503OnClosing: false });
  await app.register(problems);
  await app.register(stopping);
  const finish: Array<() => void> = [];
  let started = () => {};
  const begun = new Promise<void>((done) => {
    started = done;
  });
  app.get('/slow', () => {
    started();
    return new Promise((done) => {
      finish.push(() => done({ saved: true }));
    });
  });
  app.get('/quick', async () => ({ fine: true }));
  await app.listen({ port: 0, host: '127.0.0.1' });
  return { app, port: portOf(app), begun, finish: () => finish.map((one) => one()) };
}

const ask = (port: number, path: string, agent: Agent) =>
  new Promise<{ status: number; body: unknown }>((resolve, reject) => {
    request({ port, path, agent, host: '127.0.0.1' }, (answer) => {
      let text = '';
      answer.on('data', (part) => {
        text += part;
      });
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body: JSON.parse(text) }));
    })
      .on('error', reject)
      .end();
  });

describe('a server that is being stopped', () => {
  test('waits for the running request before it is closed', async () => {
    const { app, port, begun, finish } = await serverAtWork();
    const agent = new Agent({ keepAlive: true });
    const running = ask(port, '/slow', agent);
    await begun;
    let closed = false;
    const closing = app.close().then(() => {
      closed = true;
    });
    await new Promise((done) => setTimeout(done, 100));
    expect(closed).toBe(false);
    finish();
    expect(await running).toEqual({ status: 200, body: { saved: true } });
    await closing;
    agent.destroy();
  });

  test('over a connection that is open already, a new request is refused in a sentence', async () => {
    const { app, port, begun, finish } = await serverAtWork();
    // One connection with two requests on it, as browsers have them: sent by hand, so that both are on the way.
    const socket = connect(port, '127.0.0.1');
    let heard = '';
    socket.on('data', (bytes) => {
      heard += String(bytes);
    });
    const closed = new Promise((done) => socket.once('close', done));
    const ask = (path: string) => socket.write(`GET ${path} HTTP/1.1\r\nHost: localhost\r\n\r\n`);
    ask('/slow');
    await begun;
    const closing = app.close();
    await new Promise((done) => setTimeout(done, 50));
    ask('/quick');
    await new Promise((done) => setTimeout(done, 50));
    finish();
    await closing;
    await closed;
    expect(heard).toContain('{"saved":true}');
    expect(heard.toLowerCase()).toContain('connection: close');
    // It is answered with the reason, or not at all: never as if all were well.
    expect(heard).not.toContain('{"fine":true}');
  });

  test('before it is stopped, nothing is refused', async () => {
    const { app, port } = await serverAtWork();
    const agent = new Agent({ keepAlive: true });
    expect(await ask(port, '/quick', agent)).toEqual({ status: 200, body: { fine: true } });
    agent.destroy();
    await app.close();
  });

  test('refuses with the sentence, and the page is told that the connection ends', async () => {
    const app = Fastify({ return503OnClosing: false });
    await app.register(problems);
    await app.register(stopping);
    app.get('/quick', async () => ({ fine: true }));
    let release = () => {};
    // Another part of the server that takes its time to close.
    app.addHook(
      'preClose',
      () =>
        new Promise<void>((done) => {
          release = done;
        }),
    );
    await app.listen({ port: 0, host: '127.0.0.1' });
    const closing = app.close();
    await new Promise((done) => setTimeout(done, 20));
    const refused = await ask(portOf(app), '/quick', new Agent());
    expect(refused).toMatchObject({ status: 503, body: { detail: PROBLEMS.stopping.detail } });
    release();
    await closing;
  });
});
