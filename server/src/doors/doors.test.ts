import { X509Certificate } from 'node:crypto';
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { type IncomingMessage, request as openRequest } from 'node:http';
import { request as closedRequest } from 'node:https';
import { connect as connectTo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API, PROBLEMS } from '@fennot/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, afterEach, beforeAll, describe, expect, test } from 'vitest';
import { buildApp } from '../app.ts';
import { type Listening, readConfig } from '../config.ts';
import { freshDatabase } from '../testing/database.ts';
import { authorityIn } from './authority.ts';
import type { Doors } from './doors.ts';
import type { OwnNames } from './names.ts';
import { openDoors } from './open-doors.ts';

const LOFT: OwnNames = {
  names: ['loft', 'loft.local'],
  addresses: ['192.168.1.5', '198.51.100.4', 'fd00::5'],
};
const folders: string[] = [];
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'fennot-doors-'));
  folders.push(made);
  return made;
};
afterAll(() => {
  for (const made of folders) rmSync(made, { recursive: true, force: true });
});

describe('an authority', () => {
  test('is made once, its keys for nobody else to read, and vouches for this machine alone', async () => {
    const own = folder();
    const authority = await authorityIn(own, LOFT);
    const { cert, key } = await authority.closing(LOFT);
    expect((await authorityIn(own, LOFT)).root).toBe(authority.root);
    expect((await authority.closing(LOFT)).cert).toBe(cert);
    for (const name of readdirSync(own).filter((file) => file.endsWith('.key')))
      expect(statSync(join(own, name)).mode & 0o777).toBe(0o600);
    const [root, leaf] = [new X509Certificate(authority.root), new X509Certificate(cert)];
    expect(authority.fingerprint).toBe(root.fingerprint256);
    expect([root.ca, leaf.ca]).toEqual([true, false]);
    expect(leaf.verify(root.publicKey)).toBe(true);
    expect(leaf.checkHost('loft.local')).toBe('loft.local');
    expect(leaf.checkHost('localhost')).toBe('localhost');
    expect(leaf.checkHost('bank.example')).toBeUndefined();
    expect([leaf.checkIP('192.168.1.5'), leaf.checkIP('fd00::5')]).not.toContain(undefined);
    // An address of the internet may be somebody else’s tomorrow.
    expect(leaf.checkIP('198.51.100.4')).toBeUndefined();
    // What a phone takes: valid for no longer than 398 days, and since before a clock that is an hour slow.
    expect(Date.parse(leaf.validTo) - Date.parse(leaf.validFrom)).toBeLessThan(400 * 86_400_000);
    expect(Date.parse(leaf.validFrom)).toBeLessThan(Date.now() - 86_400_000);
    expect(leaf.keyUsage).toContain('1.3.6.1.5.5.7.3.1');
    expect(key).toContain('PRIVATE KEY');
  });

  test('cannot be made to vouch for another site: names that it may speak for are written into it', async () => {
    const authority = await authorityIn(folder(), LOFT);
    const raw = Buffer.from(new X509Certificate(authority.root).raw).toString('latin1');
    // The extension of name constraints, 2.5.29.30, critical; and what is permitted.
    expect(raw).toContain(Buffer.from([0x06, 0x03, 0x55, 0x1d, 0x1e, 0x01, 0x01, 0xff]).toString('latin1'));
    for (const name of ['localhost', 'loft', 'loft.local']) expect(raw).toContain(name);
  });

  test('signs anew for another address, and goes on being trusted', async () => {
    const own = folder();
    const authority = await authorityIn(own, LOFT);
    const before = await authority.closing(LOFT);
    const moved = { ...LOFT, addresses: ['10.0.0.9'] };
    const after = await (await authorityIn(own, moved)).closing(moved);
    expect(after.cert).not.toBe(before.cert);
    expect(new X509Certificate(after.cert).checkIP('10.0.0.9')).toBe('10.0.0.9');
    expect(new X509Certificate(after.cert).verify(new X509Certificate(authority.root).publicKey)).toBe(true);
  });

  test('is another one for another name, after a key that others could read, and after damage', async () => {
    const own = folder();
    const roots = [(await authorityIn(own, LOFT)).root];
    roots.push((await authorityIn(own, { ...LOFT, names: ['shed', 'shed.local'] })).root);
    chmodSync(join(own, 'root.key'), 0o644);
    roots.push((await authorityIn(own, { ...LOFT, names: ['shed', 'shed.local'] })).root);
    writeFileSync(join(own, 'root.crt'), 'no certificate');
    roots.push((await authorityIn(own, { ...LOFT, names: ['shed', 'shed.local'] })).root);
    expect(new Set(roots).size).toBe(4);
  });
});

const listening = (fields: Partial<Listening> = {}): Listening => ({
  port: 4680,
  host: '0.0.0.0',
  origin: undefined,
  names: [],
  proxies: [],
  tls: true,
  given: undefined,
  authority: undefined,
  ...fields,
});
const opened = (fields: Partial<Listening> = {}) => openDoors(listening(fields), () => LOFT);

describe('doors', () => {
  test('on loopback are open to this machine, and nobody else is told an address', async () => {
    for (const host of ['127.0.0.1', 'localhost', '::1']) {
      const { doors, closing } = await opened({ host });
      expect([doors.exposed, doors.tls, closing]).toEqual([false, 'none', undefined]);
      expect(doors.network()).toEqual({ addresses: [], trust: [], tls: 'none' });
      expect([...doors.names()]).toEqual([]);
    }
  });

  test('with an authority of their own are closed; addresses that it can vouch for are told', async () => {
    const { doors, closing } = await opened({ authority: folder() });
    expect([doors.exposed, doors.tls]).toEqual([true, 'own']);
    expect(doors.network().addresses).toEqual([
      'https://192.168.1.5:4680',
      'https://loft.local:4680',
      'https://[fd00::5]:4680',
    ]);
    expect(doors.network().trust).toEqual(['http://192.168.1.5:4680/trust']);
    expect([...doors.names()]).toEqual(['loft', 'loft.local', '192.168.1.5', '198.51.100.4', '[fd00::5]']);
    expect((await closing?.())?.cert).toContain('CERTIFICATE');
  });

  test('with a given certificate are asked by its names', async () => {
    const own = folder();
    const { cert, key } = await (await authorityIn(own, LOFT)).closing(LOFT);
    const [certFile, keyFile] = [join(own, 'given.crt'), join(own, 'given.key')];
    writeFileSync(certFile, cert);
    writeFileSync(keyFile, key);
    const { doors, closing } = await opened({ given: { cert: certFile, key: keyFile } });
    expect(doors.tls).toBe('given');
    expect(doors.network().addresses).toContain('https://loft.local:4680');
    expect(doors.network().trust).toEqual([]);
    expect((await closing?.())?.cert).toBe(cert);
    // Renewed by whoever gave it, it is read anew.
    const next = await (await authorityIn(folder(), LOFT)).closing(LOFT);
    writeFileSync(certFile, next.cert);
    writeFileSync(keyFile, next.key);
    expect((await closing?.())?.cert).toBe(next.cert);
    await expect(
      opened({ given: { cert: join(own, 'none'), key: keyFile } }).then(({ closing: c }) => c?.()),
    ).rejects.toThrow('FENNOT_TLS_CERT');
  });

  test('behind a proxy are open to the proxy, and ask for signing in even on loopback', async () => {
    const { doors, closing } = await opened({ host: '127.0.0.1', origin: 'https://bags.example.org' });
    expect([doors.exposed, doors.tls, closing]).toEqual([true, 'proxy', undefined]);
    expect(doors.network().addresses).toEqual(['https://bags.example.org']);
    expect([...doors.names()]).toEqual(['bags.example.org']);
    expect(doors.proxies).toEqual(['127.0.0.1', '::1']);
  });

  test('without closing are said to be open', async () => {
    const { doors } = await opened({ tls: false, authority: folder() });
    expect([doors.tls, doors.network().addresses[0]]).toEqual(['none', 'http://192.168.1.5:4680']);
  });

  test.each([
    [{ FENNOT_HOST: 'everywhere' }, 'FENNOT_HOST is wrong'],
    [{ FENNOT_ORIGIN: 'bags.example.org' }, 'FENNOT_ORIGIN is wrong'],
    [{ FENNOT_TLS_CERT: 'a.crt' }, 'FENNOT_TLS_CERT and FENNOT_TLS_KEY go together'],
    [{ FENNOT_TLS: 'maybe' }, 'FENNOT_TLS is wrong'],
  ])('%j is told in a sentence', (environment, says) => {
    expect(() => readConfig({ DATABASE_URL: 'postgres://localhost/x', ...environment })).toThrow(says);
  });
});

describe('one port, both kinds of lines', () => {
  let db: Knex;
  let drop: () => Promise<void>;
  beforeAll(async () => {
    ({ db, drop } = await freshDatabase());
  });
  const apps: FastifyInstance[] = [];
  afterEach(async () => {
    for (const app of apps.splice(0)) await app.close();
  });
  afterAll(() => drop());

  async function served(change: Partial<Doors> = {}) {
    const own = folder();
    const authority = await authorityIn(own, LOFT);
    const { doors, closing } = await opened({ authority: own });
    const now = await authority.closing(LOFT);
    let renew: ((next: typeof now) => void) | undefined;
    const app = await buildApp({
      db,
      doors: { ...doors, ...change },
      closing: { now, onRenew: (given) => (renew = given) },
    });
    apps.push(app);
    await app.listen({ port: 0, host: '127.0.0.1' });
    const address = app.server.address();
    const port = typeof address === 'object' && address ? address.port : 0;
    return { app, port, root: authority.root, renew, closing, own };
  }
  interface Asked {
    readonly path: string;
    readonly ca?: string;
    readonly host?: string;
    readonly body?: string;
    readonly method?: string;
  }
  const ask = (port: number, { path, ca, host = 'localhost', body, method = 'GET' }: Asked) =>
    new Promise<{ status: number; text: string; headers: IncomingMessage['headers'] }>((done, fail) => {
      const options = {
        port,
        host: '127.0.0.1',
        servername: host,
        path,
        method,
        headers: { host: `${host}:${port}`, ...(body ? { 'content-type': 'application/json' } : {}) },
      };
      const asked = ca
        ? closedRequest({ ...options, ca, agent: false })
        : openRequest({ ...options, agent: false });
      asked.on('response', (answer) => {
        let text = '';
        answer.on('data', (part) => (text += String(part)));
        answer.on('end', () => done({ status: answer.statusCode ?? 0, text, headers: answer.headers }));
      });
      asked.on('error', fail);
      asked.end(body);
    });

  test('a browser that trusts the authority is answered by every name; one that does not is not', async () => {
    const { port, root } = await served();
    for (const host of ['localhost', 'loft.local', 'loft'])
      expect((await ask(port, { path: `${API}/health`, ca: root, host })).text).toBe('{"ok":true}');
    const stranger = await authorityIn(folder(), LOFT);
    await expect(ask(port, { path: `${API}/health`, ca: stranger.root })).rejects.toThrow();
    // This machine goes on by its open line.
    expect((await ask(port, { path: `${API}/health` })).text).toBe('{"ok":true}');
  });

  test('a long body comes through both', async () => {
    const { port, root } = await served();
    const body = JSON.stringify({ name: 'x'.repeat(300), password: 'y'.repeat(900_000), device: 'z' });
    for (const ca of [root, undefined]) {
      const answer = await ask(port, { path: `${API}/session`, body, method: 'POST', ...(ca ? { ca } : {}) });
      expect([answer.status, JSON.parse(answer.text).title]).toEqual([400, PROBLEMS.badInput.title]);
    }
  });

  test('what is neither is hung up on, and others are answered all the same', async () => {
    const { port, root } = await served();
    const sent = (bytes: Buffer) =>
      new Promise<void>((gone) => {
        const socket = connectTo(port, '127.0.0.1', () => socket.write(bytes));
        socket.on('error', () => {});
        socket.on('close', () => gone());
        socket.resume();
      });
    await Promise.all([
      sent(Buffer.from([0x16, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16])),
      sent(Buffer.from('nonsense\r\n\r\n')),
    ]);
    expect((await ask(port, { path: `${API}/health`, ca: root })).status).toBe(200);
  });

  test('a certificate is renewed while lines are open', async () => {
    const { port, root, renew, own } = await served();
    const moved = { ...LOFT, addresses: ['10.0.0.9'] };
    renew?.(await (await authorityIn(own, LOFT)).closing(moved));
    expect((await ask(port, { path: `${API}/health`, ca: root })).status).toBe(200);
    expect(readFileSync(join(own, 'server.crt'), 'utf8')).toContain('CERTIFICATE');
  });

  test('the cookie of a closed line is for closed lines alone', async () => {
    const { app } = await served();
    const made = await app.inject({
      method: 'DELETE',
      url: `${API}/session`,
      headers: { host: 'bags.example.org' },
    });
    expect(made.statusCode).toBe(PROBLEMS.strangeHost.status);
    const { port, root } = await served();
    const out = await ask(port, { path: `${API}/session`, method: 'DELETE', ca: root });
    const [cookie] = out.headers['set-cookie'] ?? [];
    expect(cookie).toMatch(/^__Host-fennot-[\da-f]{8}=; Max-Age=0; Path=\/; HttpOnly; Secure; SameSite=Lax$/);
  });

  test('over an open line others are told how to trust, and nothing else', async () => {
    const { app } = await served();
    const far = (url: string, method: 'GET' | 'POST' = 'GET') =>
      app.inject({ url, method, remoteAddress: '192.168.1.77', headers: { host: '192.168.1.5:4680' } });
    for (const url of ['/', '/bags/x', `${API}/bags`, `${API}/session`]) {
      const answer = await far(url);
      expect([answer.statusCode, answer.headers.location]).toEqual([307, '/trust']);
    }
    expect((await far(`${API}/session`, 'POST')).json().title).toBe(PROBLEMS.needsTls.title);
    const page = await far('/trust');
    expect(page.body).toContain('href="https://192.168.1.5:4680/"');
    expect(page.headers['content-security-policy']).not.toContain('script');
    const root = await far('/fennot-authority.crt');
    expect(root.headers['content-type']).toContain('x-x509-ca-cert');
    expect(new X509Certificate(root.body).ca).toBe(true);
    expect(root.body).not.toContain('PRIVATE');
  });

  test('with a certificate that others vouch for, an open line leads to the closed one, for ever after', async () => {
    const { app } = await served({ tls: 'given', trust: undefined });
    const far = await app.inject({
      url: '/bags/x',
      remoteAddress: '192.168.1.77',
      headers: { host: 'loft.local:4680' },
    });
    expect([far.statusCode, far.headers.location]).toEqual([307, 'https://loft.local:4680/bags/x']);
    const { port, root } = await served({ tls: 'given', trust: undefined });
    const closed = await ask(port, { path: `${API}/health`, ca: root, host: 'loft.local' });
    expect(closed.headers['strict-transport-security']).toBe('max-age=31536000');
    expect((await ask(port, { path: `${API}/health` })).headers['strict-transport-security']).toBeUndefined();
  });
});
