import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify';
import type { Knex } from 'knex';
import { nameKey } from '../accounts/name-key.ts';
import { beginSession } from '../db/sessions.ts';

/** A maker with an account, on a device that is signed in. */
export interface TestMaker {
  readonly owner: string;
  readonly device: string;
  readonly cookie: string;
  inject(request: InjectOptions | string): Promise<LightMyRequestResponse>;
}

/** How the cookie of this database's installation is called. */
export async function cookieName(db: Knex): Promise<string> {
  const { id } = await db('installation').first('id');
  return `fennot-${String(id).slice(0, 8)}`;
}

/** Sends requests as a browser that has this cookie. */
export const withCookie =
  (app: FastifyInstance, cookie: string) =>
  (request: InjectOptions | string): Promise<LightMyRequestResponse> => {
    const own = typeof request === 'string' ? { url: request } : request;
    return app.inject({ ...own, headers: { ...own.headers, cookie } });
  };

/** Makes an account without a password, and signs a device in: quick, and no route is asked. */
export async function maker(
  app: FastifyInstance,
  name: string,
  {
    confirmed = true,
    first = false,
    owner: own,
  }: { confirmed?: boolean; first?: boolean; owner?: string } = {},
): Promise<TestMaker> {
  const { db } = app;
  const owner = own ?? String((await db('owners').insert({ name: null }).returning('id'))[0].id);
  await db('accounts').insert({ owner_id: owner, name, name_key: nameKey(name), first });
  return signedIn(app, owner, { confirmed });
}

/** Another device of a maker. */
export async function signedIn(
  app: FastifyInstance,
  owner: string,
  { confirmed = true } = {},
): Promise<TestMaker> {
  const { told, device } = await beginSession(app.db, { owner, name: 'Laptop', how: 'password', confirmed });
  const cookie = `${await cookieName(app.db)}=${told}`;
  return { owner, device, cookie, inject: withCookie(app, cookie) };
}
