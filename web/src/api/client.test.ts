import { beginDocument, PROBLEMS, type StoredBag } from '@fennot/core';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { ApiProblem, AWAY, api, isMissing, wantsConfirming } from './client.ts';
import { deviceName } from './device-name.ts';
import { onSignedOut, workFor } from './maker.ts';
import { uuid } from './uuid.ts';

const ID = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';
const bag: StoredBag = {
  id: ID,
  version: 3,
  updatedAt: '2026-01-01T00:00:00.000Z',
  document: beginDocument({ name: 'Bag' }),
};

interface Asked {
  readonly path: string;
  readonly method: string;
  readonly body: unknown;
  readonly keepalive: boolean;
  readonly headers: Readonly<Record<string, string>>;
}
const asked: Asked[] = [];

/** A server that gives one answer to everything; `never` breaks the connection. */
function server(status: number, body: unknown, { refusesKeepalive = false } = {}) {
  asked.length = 0;
  vi.stubGlobal(
    'fetch',
    async (
      path: string,
      init: { method: string; body?: string; keepalive: boolean; headers: Record<string, string> },
    ) => {
      const { method, keepalive, headers } = init;
      asked.push({
        path,
        method,
        keepalive,
        headers,
        body: init.body === undefined ? undefined : JSON.parse(init.body),
      });
      if (status === AWAY || (refusesKeepalive && keepalive)) throw new TypeError('fetch failed');
      return {
        ok: status < 400,
        status,
        json: async () => {
          if (body === 'not json') throw new SyntaxError('Unexpected token');
          return body;
        },
      };
    },
  );
}
afterEach(() => vi.unstubAllGlobals());

const problemOf = async (asking: Promise<unknown>): Promise<ApiProblem> => {
  const error: unknown = await asking.then(
    () => undefined,
    (reason: unknown) => reason,
  );
  if (!(error instanceof ApiProblem)) throw new Error('no problem');
  return error;
};
const details = (problem: { status: number; title: string; detail: string }, more = {}) => ({
  type: '/problems/x',
  ...problem,
  ...more,
});

describe('asking the server', () => {
  test('goes where the contract says, with what it says', async () => {
    server(200, { version: 4, updatedAt: bag.updatedAt });
    const save = uuid();
    await api.saveBag(ID, save, 3, bag.document, false);
    expect(asked).toMatchObject([
      { path: `/api/bags/${ID}`, method: 'PUT', keepalive: false, body: { save, basedOn: 3 } },
    ]);
    server(200, bag);
    expect(await api.restoreBag(ID, 3)).toEqual(bag);
    expect(asked).toMatchObject([{ path: `/api/bags/${ID}/restore`, method: 'POST', body: { basedOn: 3 } }]);
  });

  test('an address with odd characters in it stays one address', async () => {
    server(404, details(PROBLEMS.noSuchBag));
    await problemOf(api.bag('../settings?x'));
    expect(asked[0]?.path).toBe('/api/bags/..%2Fsettings%3Fx');
  });

  test('a request that is to outlive the page is tried the common way where the browser refuses it', async () => {
    server(200, { version: 4, updatedAt: bag.updatedAt }, { refusesKeepalive: true });
    await api.saveBag(ID, uuid(), 3, bag.document, true);
    expect(asked.map(({ keepalive }) => keepalive)).toEqual([true, false]);
  });
});

describe('an answer that is not what was asked for is told in a sentence', () => {
  test('the server’s own, where it has one', async () => {
    server(507, details(PROBLEMS.diskFull));
    const problem = await problemOf(api.bags({}));
    expect([problem.status, problem.message]).toEqual([507, PROBLEMS.diskFull.detail]);
    expect(isMissing(problem)).toBe(false);
  });

  test('a clash brings what the server has', async () => {
    server(409, details(PROBLEMS.changedElsewhere, { current: bag }));
    const problem = await problemOf(api.saveBag(ID, uuid(), 2, bag.document, false));
    expect(problem.current).toEqual(bag);
  });

  test('a missing bag is known as such', async () => {
    server(404, details(PROBLEMS.noSuchBag));
    expect(isMissing(await problemOf(api.bag(ID)))).toBe(true);
  });

  test('no answer, and one from something in between that is no problem of ours', async () => {
    server(AWAY, undefined);
    expect(await problemOf(api.bags({}))).toMatchObject({
      status: AWAY,
      message: 'The Fennot server does not answer.',
    });
    server(502, 'not json');
    expect(await problemOf(api.bags({}))).toMatchObject({
      status: 502,
      message: 'The Fennot server answered 502.',
    });
  });

  test('an answer that does not keep to the contract is not taken for one that does', async () => {
    for (const wrong of [{ ...bag, version: 'three' }, { ...bag, document: {} }, 'not json', null]) {
      server(200, wrong);
      expect((await problemOf(api.bag(ID))).message).toContain('could not be read');
    }
  });
});

describe('whom a page works for', () => {
  afterEach(() => workFor(undefined));

  test('is told with every request, so that nothing of one maker is taken for another’s', async () => {
    server(200, bag);
    await api.bag(ID);
    workFor({ id: 'rowan', first: true });
    await api.bag(ID);
    expect(asked.map(({ headers }) => headers['fennot-maker'])).toEqual([undefined, 'rowan']);
  });

  test('signed out is told to the page; to be asked anew who one is, is not', async () => {
    let out = 0;
    const stop = onSignedOut(() => out++);
    server(401, details(PROBLEMS.confirmFirst));
    const problem = await problemOf(api.letIn());
    expect([wantsConfirming(problem), out]).toEqual([true, 0]);
    server(401, details(PROBLEMS.signedOut));
    expect(wantsConfirming(await problemOf(api.bags({})))).toBe(false);
    expect(out).toBe(1);
    stop();
    await problemOf(api.bags({}));
    expect(out).toBe(1);
  });
});

test.each([
  [
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Mobile/15E148 Safari/604.1',
    /^Phone, Safari on iOS$/,
  ],
  [
    'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/131.0.0.0 Safari/537.36',
    /^Computer, Chrome on Linux$/,
  ],
  ['', /^Computer, a browser$/],
  [`Mozilla/5.0 (${'x'.repeat(500)})`, /^.{1,40}$/],
])('a device is called by what it is: %#', (agent, name) => {
  expect(deviceName(agent)).toMatch(name);
});

test('ids are random, well formed, and never the same', () => {
  const many = Array.from({ length: 500 }, uuid);
  for (const id of many)
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set(many).size).toBe(500);
});
