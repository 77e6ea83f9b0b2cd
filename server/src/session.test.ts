import { type Account, API, type LetIn, PROBLEMS, type SessionNow, shownCode } from '@fennot/core';
import type { LightMyRequestResponse } from 'fastify';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { buildApp } from './app.ts';
import { makeCode } from './db/codes.ts';
import { LOOPBACK_ONLY } from './doors/doors.ts';
import type { Outbox } from './outbox.ts';
import { cookieName, withCookie } from './testing/makers.ts';
import { testServer } from './testing/server.ts';

const EXPOSED = { ...LOOPBACK_ONLY, exposed: true };
const STRONG = 'seven herons on the weir';
const OTHER = 'nine eels under the lode';

const sent: { owner: string; title: string }[] = [];
const outbox: Outbox = {
  send: async (owner, { title }) => void sent.push({ owner, title }),
  read: async () => [],
  forget: async () => {},
};
const server = testServer({ outbox });

const post = (path: string, payload: object = {}, cookie = '') =>
  server.app.inject({ method: 'POST', url: `${API}${path}`, payload, headers: cookie ? { cookie } : {} });
/** The cookie that an answer leaves in the browser. */
const cookieOf = (answer: LightMyRequestResponse): string => {
  const [own] = answer.cookies.filter(({ name }) => name.includes('fennot-') && !name.includes('step'));
  return `${own?.name}=${own?.value}`;
};
const account = (name = 'Rowan', password = STRONG) => post('/account', { name, password, device: 'Laptop' });
const signIn = (name: string, password: string) => post('/session', { name, password, device: 'Laptop' });
const sessionFrom = async (cookie: string) =>
  (await withCookie(server.app, cookie)(`${API}/session`)).json<SessionNow>();

/** The first account, and the cookie of its first device. */
async function rowan(): Promise<string> {
  const made = await account();
  expect(made.statusCode).toBe(200);
  return cookieOf(made);
}

describe('the local maker', () => {
  test('needs no account, and becomes one with everything there is', async () => {
    expect((await server.app.inject(`${API}/session`)).json()).toEqual({ is: 'open', maker: server.owner });
    const before = await server.db('owners').first('id');
    const cookie = await rowan();
    expect(await sessionFrom(cookie)).toMatchObject({
      is: 'in',
      maker: before.id,
      name: 'Rowan',
      first: true,
      confirmed: true,
    });
    // From now on nobody else at this machine is let in.
    expect((await server.app.inject(`${API}/session`)).json()).toEqual({ is: 'out' });
    expect((await server.app.inject(`${API}/bags`)).statusCode).toBe(401);
  });

  test('of two windows that make it an account at once, one does, and the other is told', async () => {
    const made = await Promise.all(['Rowan', 'Sedge', 'Reed'].map((name) => account(name)));
    expect(made.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409, 409]);
    expect(await server.db('accounts')).toHaveLength(1);
    expect(await server.db('owners')).toHaveLength(1);
  });

  test('is not asked by a proxy that was put before it unawares', async () => {
    for (const name of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'])
      expect(
        (await server.app.inject({ url: `${API}/bags`, headers: { [name]: '198.51.100.7' } })).statusCode,
      ).toBe(401);
    const far = await server.app.inject({ url: `${API}/bags`, remoteAddress: '198.51.100.7' });
    expect(far.statusCode).toBe(401);
  });

  test('where others can ask, too, the code of the terminal makes the first account, once', async () => {
    const app = await buildApp({ db: server.db, doors: EXPOSED });
    const claim = (code: string | undefined, name: string) =>
      app.inject({
        method: 'POST',
        url: `${API}/account`,
        payload: { name, password: STRONG, device: 'Laptop', ...(code ? { code } : {}) },
      });
    try {
      expect((await app.inject(`${API}/session`)).json()).toEqual({ is: 'unclaimed' });
      expect((await app.inject(`${API}/bags`)).statusCode).toBe(401);
      const { code } = await makeCode(server.db, 'first', null);
      expect((await claim(undefined, 'Sedge')).json().title).toBe(PROBLEMS.wrongCode.title);
      expect((await claim('ABCDE-ABCDE', 'Sedge')).json().title).toBe(PROBLEMS.wrongCode.title);
      // A password that will not do does not use it up.
      const weak = await app.inject({
        method: 'POST',
        url: `${API}/account`,
        payload: { name: 'Rowan', password: 'password1234', device: 'Laptop', code },
      });
      expect(weak.json().title).toBe(PROBLEMS.weakPassword.title);
      const [a, b] = await Promise.all([claim(shownCode(code).toLowerCase(), 'Rowan'), claim(code, 'Sedge')]);
      expect([a.statusCode, b.statusCode].sort()).toEqual([200, 422]);
      expect((await claim(code, 'Reed')).json().title).toBe(PROBLEMS.wrongCode.title);
      expect(await server.db('accounts').pluck('owner_id')).toEqual([server.owner]);
    } finally {
      await app.close();
    }
  });
});

describe('signing in', () => {
  test('with the name as anyone would type it; a new secret each time, and the one before is nothing', async () => {
    const first = await rowan();
    const again = await post('/session', { name: ' ROWAN ', password: STRONG, device: 'Laptop' }, first);
    const second = cookieOf(again);
    expect(second).not.toBe(first);
    expect(await sessionFrom(first)).toEqual({ is: 'out' });
    expect(await sessionFrom(second)).toMatchObject({ is: 'in', name: 'Rowan' });
    // What is kept of it cannot be sent.
    const rows = await server.db('sessions');
    expect(rows).toHaveLength(1);
    expect(second).not.toContain(rows[0].secret.toString('base64url'));
  });

  test('the cookie is for this server’s pages alone, and is no script’s', async () => {
    const answer = await account();
    const [own] = answer.cookies;
    expect(own).toMatchObject({ httpOnly: true, sameSite: 'Lax', path: '/' });
    expect(own?.name).toBe(await cookieName(server.db));
    expect(own?.value).toMatch(/^[\w-]{43}$/);
    expect(answer.body).not.toContain(own?.value);
  });

  test('nobody learns whether there is such a name', async () => {
    await rowan();
    const [wrong, none] = [await signIn('Rowan', OTHER), await signIn('Sedge', OTHER)];
    expect(wrong.statusCode).toBe(none.statusCode);
    expect(wrong.json()).toEqual(none.json());
    const recover = (name: string) =>
      post('/session/recovery', { name, code: 'ABCDE-ABCDE-ABCDE-ABCDE-ABCDE', device: 'Laptop' });
    expect((await recover('Rowan')).json()).toEqual((await recover('Sedge')).json());
    // Nor by how often one may try.
    for (let i = 0; i < 4; i++) await Promise.all([signIn('Rowan', OTHER), signIn('Sedge', OTHER)]);
    const [held, too] = [await signIn('Rowan', OTHER), await signIn('Sedge', OTHER)];
    expect([held.statusCode, too.statusCode]).toEqual([429, 429]);
  });

  test('two at once are two devices', async () => {
    await rowan();
    const both = await Promise.all([signIn('Rowan', STRONG), signIn('Rowan', STRONG)]);
    const [a, b] = both.map(cookieOf);
    expect(a).not.toBe(b);
    expect(await sessionFrom(a ?? '')).toMatchObject({ is: 'in' });
    expect(await sessionFrom(b ?? '')).toMatchObject({ is: 'in' });
  });

  test.each(['', 'x', 'x'.repeat(1000)])(
    'a password that is none is refused like any other: %#',
    async (typed) => {
      await rowan();
      expect((await signIn('Rowan', typed)).json().title).toBe(PROBLEMS.wrongSignIn.title);
    },
  );

  test('one of ten thousand characters is not worked on', async () => {
    await rowan();
    expect((await signIn('Rowan', 'x'.repeat(10_000))).json()).toMatchObject({ status: 400 });
    expect((await account('Sedge', 'x'.repeat(10_000))).json().detail).toContain('at most 128 characters');
  });

  test('out, the device is out, and others are not', async () => {
    const first = await rowan();
    const second = cookieOf(await signIn('Rowan', STRONG));
    const out = await withCookie(server.app, first)({ method: 'DELETE', url: `${API}/session` });
    expect(out.json()).toEqual({ is: 'out' });
    expect(out.cookies[0]).toMatchObject({ value: '', maxAge: 0 });
    expect(await sessionFrom(first)).toEqual({ is: 'out' });
    expect(await sessionFrom(second)).toMatchObject({ is: 'in' });
  });

  test('a page that another maker left open puts nobody out', async () => {
    const laptop = await rowan();
    const out = await server.app.inject({
      method: 'DELETE',
      url: `${API}/session`,
      headers: { cookie: laptop, 'fennot-maker': '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10' },
    });
    expect(out.json()).toMatchObject({ is: 'in', name: 'Rowan' });
    expect(await sessionFrom(laptop)).toMatchObject({ is: 'in' });
  });

  test('where somebody is signed in, no account is made beside them', async () => {
    const laptop = await rowan();
    const { code } = (await post('/account/invitations', {}, laptop)).json<LetIn>();
    const made = await post('/account', { name: 'Sedge', password: OTHER, device: 'x', code }, laptop);
    expect(made.json().title).toBe(PROBLEMS.signedInHere.title);
    expect((await post('/account', { name: 'Sedge', password: OTHER, device: 'x', code })).statusCode).toBe(
      200,
    );
  });

  test('a maker is told of each device', async () => {
    sent.length = 0;
    await rowan();
    await signIn('Rowan', STRONG);
    expect(sent.map(({ title }) => title)).toEqual([
      'A device signed in: Laptop',
      'A device signed in: Laptop',
    ]);
    expect(new Set(sent.map(({ owner }) => owner))).toEqual(new Set([server.owner]));
  });
});

describe('a clock that is an hour wrong', () => {
  afterEach(() => {
    vi.useRealTimers();
  });

  test.each([-1, 1])(
    'of the server by %s h: nobody is put out, and codes are as good as ever',
    async (hours) => {
      const laptop = await rowan();
      vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + hours * 3_600_000 });
      expect(await sessionFrom(laptop)).toMatchObject({ is: 'in', confirmed: true });
      const shown = (await post('/account/devices', {}, laptop)).json<LetIn>();
      const state = await withCookie(server.app, laptop)(`${API}/account/codes/${shown.id}`);
      expect(state.json().seconds).toBeGreaterThan(100);
      expect(state.json().seconds).toBeLessThanOrEqual(120);
      const joined = await post('/session/join', { code: shown.code, device: 'Phone' });
      expect(joined.statusCode).toBe(200);
      for (let i = 0; i < 5; i++) await signIn('Rowan', OTHER);
      const held = await signIn('Rowan', STRONG);
      expect(Number(held.headers['retry-after'])).toBeLessThanOrEqual(10);
    },
  );
});

describe('a device that joins by a code', () => {
  const join = (code: string, cookie = '') => post('/session/join', { code, device: 'Phone' }, cookie);
  const show = async (cookie: string) => (await post('/account/devices', {}, cookie)).json<LetIn>();
  const stateOf = async (cookie: string, { id }: LetIn) =>
    (await withCookie(server.app, cookie)(`${API}/account/codes/${id}`)).json();

  test('is one of the account, named, and ended from the other; the code is good once', async () => {
    const laptop = await rowan();
    const shown = await show(laptop);
    expect(shown.seconds).toBe(120);
    expect(await stateOf(laptop, shown)).toMatchObject({ is: 'waiting' });
    const phone = cookieOf(await join(shownCode(shown.code)));
    expect(await sessionFrom(phone)).toMatchObject({ is: 'in', name: 'Rowan', confirmed: false });
    expect(await stateOf(laptop, shown)).toEqual({ is: 'used', device: 'Phone' });
    expect((await join(shown.code)).json().title).toBe(PROBLEMS.wrongCode.title);
    // What changes the account asks the phone who is there.
    const codes = await withCookie(
      server.app,
      phone,
    )({ method: 'POST', url: `${API}/account/recovery-codes` });
    expect(codes.json().title).toBe(PROBLEMS.confirmFirst.title);
    const { devices } = (await withCookie(server.app, laptop)(`${API}/account`)).json<Account>();
    expect(devices.map(({ name, how, here }) => [name, how, here]).sort()).toEqual([
      ['Laptop', 'new', true],
      ['Phone', 'code', false],
    ]);
    const own = devices.find(({ name }) => name === 'Phone');
    const ended = await withCookie(
      server.app,
      laptop,
    )({
      method: 'DELETE',
      url: `${API}/account/devices/${own?.id}`,
    });
    expect(ended.json<Account>().devices).toHaveLength(1);
    expect(await sessionFrom(phone)).toEqual({ is: 'out' });
  });

  test('of two that use it at once, one is in', async () => {
    const { code } = await show(await rowan());
    const both = await Promise.all([join(code), join(code)]);
    expect(both.map(({ statusCode }) => statusCode).sort()).toEqual([200, 422]);
  });

  test('too late, or called back, it lets nobody in', async () => {
    const laptop = await rowan();
    const late = await show(laptop);
    await server.db('codes').update({ ends_at: server.db.raw(`now() - interval '1 second'`) });
    expect((await join(late.code)).statusCode).toBe(422);
    expect(await stateOf(laptop, late)).toEqual({ is: 'over' });
    const back = await show(laptop);
    await withCookie(server.app, laptop)({ method: 'DELETE', url: `${API}/account/codes/${back.id}` });
    expect((await join(back.code)).statusCode).toBe(422);
  });

  test('a new one takes the place of the one before', async () => {
    const laptop = await rowan();
    const [first, second] = [await show(laptop), await show(laptop)];
    expect((await join(first.code)).statusCode).toBe(422);
    expect((await join(second.code)).statusCode).toBe(200);
  });

  test('five times wrong, one waits, and even the right one does not let in before', async () => {
    const laptop = await rowan();
    for (let i = 0; i < 5; i++) expect((await join(`ABCDE-ABCD${i}`)).statusCode).toBe(422);
    const { code } = await show(laptop);
    const held = await join(code);
    expect(held.statusCode).toBe(429);
    expect(held.json().detail).toMatch(/^Too many tries\. Wait \d+ seconds, and try then\.$/);
    expect(Number(held.headers['retry-after'])).toBeGreaterThan(0);
    // The wait over, it does.
    await server.db('tries').update({ free_at: server.db.fn.now() });
    expect((await join(code)).statusCode).toBe(200);
  });

  test('an invitation is no code for a device, and the other way round', async () => {
    const laptop = await rowan();
    const invited = (await post('/account/invitations', {}, laptop)).json<LetIn>();
    const { code } = await show(laptop);
    expect((await join(invited.code)).statusCode).toBe(422);
    const sedge = (own: string) =>
      post('/account', { name: 'Sedge', password: OTHER, device: 'Laptop', code: own });
    expect((await sedge(code)).json().title).toBe(PROBLEMS.wrongCode.title);
    expect((await sedge(invited.code)).json()).toMatchObject({ is: 'in', name: 'Sedge', first: false });
    // Whoever is invited has nothing, and invites nobody.
    expect(await server.db('bags').count('* as many').first()).toEqual({ many: '0' });
  });
});

describe('an account', () => {
  test('of a name that looks like another’s cannot be had, and the invitation is not used up', async () => {
    const laptop = await rowan();
    const { code } = (await post('/account/invitations', {}, laptop)).json<LetIn>();
    const make = (name: string) => post('/account', { name, password: OTHER, device: 'Laptop', code });
    for (const name of ['ROWAN', 'Ｒｏｗａｎ', 'Rοwan', 'rowаn'])
      expect((await make(name)).json().title).toBe(PROBLEMS.nameTaken.title);
    await server.db('tries').delete();
    expect((await make('Sedge')).statusCode).toBe(200);
    const renamed = await withCookie(
      server.app,
      laptop,
    )({
      method: 'PUT',
      url: `${API}/account/name`,
      payload: { name: 'SEDGE' },
    });
    expect(renamed.json().title).toBe(PROBLEMS.nameTaken.title);
  });

  test('changes its password: the old one is nothing, other devices are out, this one stays', async () => {
    const laptop = await rowan();
    const other = cookieOf(await signIn('Rowan', STRONG));
    const put = (payload: object) =>
      withCookie(server.app, laptop)({ method: 'PUT', url: `${API}/account/password`, payload });
    expect((await put({ password: 'rowan rowan rowan', others: true })).json().title).toBe(
      PROBLEMS.weakPassword.title,
    );
    expect((await put({ password: OTHER, others: true })).json()).toMatchObject({ is: 'in' });
    expect(await sessionFrom(other)).toEqual({ is: 'out' });
    expect(await sessionFrom(laptop)).toMatchObject({ is: 'in' });
    expect((await signIn('Rowan', STRONG)).statusCode).toBe(422);
    expect((await signIn('Rowan', OTHER)).statusCode).toBe(200);
    // Without a passkey and codes nothing would let in any more.
    expect((await put({ password: null, others: false })).json().title).toBe(PROBLEMS.lastWayIn.title);
  });

  test('says who is there before it is changed, and five wrong answers are enough for a while', async () => {
    const laptop = await rowan();
    await server.db('sessions').update({ confirmed_at: server.db.raw(`now() - interval '11 minutes'`) });
    const codes = () => post('/account/recovery-codes', {}, laptop);
    const confirm = (password: string) => post('/session/confirm', { password }, laptop);
    expect((await codes()).json().title).toBe(PROBLEMS.confirmFirst.title);
    expect((await confirm(OTHER)).json().title).toBe(PROBLEMS.wrongPassword.title);
    expect((await confirm(STRONG)).json()).toMatchObject({ is: 'in', confirmed: true });
    expect((await codes()).statusCode).toBe(200);
    for (let i = 0; i < 5; i++) await confirm(OTHER);
    expect((await confirm(STRONG)).statusCode).toBe(429);
  });

  test('is got into by each recovery code once; new ones take the place of all before', async () => {
    const laptop = await rowan();
    const make = async () =>
      (await post('/account/recovery-codes', {}, laptop)).json<{ codes: string[] }>().codes;
    const recover = (code: string | undefined, name = 'Rowan') =>
      post('/session/recovery', { name, code: shownCode(code ?? ''), device: 'Borrowed' });
    const before = await make();
    expect(new Set(before).size).toBe(10);
    const [first, second, third] = before;
    const in1 = cookieOf(await recover(first));
    expect(await sessionFrom(in1)).toMatchObject({ is: 'in', confirmed: true });
    expect((await recover(first)).statusCode).toBe(422);
    // Another's name has no use of it.
    expect((await recover(second, 'Sedge')).statusCode).toBe(422);
    const own = (await withCookie(server.app, in1)(`${API}/account`)).json<Account>();
    expect(own.codesLeft).toBe(9);
    await make();
    expect((await recover(third)).statusCode).toBe(422);
    expect(await server.db('recovery_codes').count('* as many').first()).toEqual({ many: '10' });
  });

  test('of two uses of one recovery code at once, one is in', async () => {
    const laptop = await rowan();
    const [code] = (await post('/account/recovery-codes', {}, laptop)).json<{ codes: string[] }>().codes;
    const use = () => post('/session/recovery', { name: 'Rowan', code, device: 'Borrowed' });
    const both = await Promise.all([use(), use()]);
    expect(both.map(({ statusCode }) => statusCode).sort()).toEqual([200, 422]);
  });
});
