import type { Device, WayIn } from '@fennot/core';
import type { Knex } from 'knex';
import { freshSecret, keptOf } from '../accounts/secrets.ts';

/**
 * How long a device stays signed in: unused, and at all, days. A phone lies beside the work for a winter; what must not be
 * done at an open screen asks anew who is there, see `CONFIRMED`.
 */
export const LIMITS = { idle: 30, whole: 180 } as const;
/** So long after one was known anew the account itself may be changed, minutes. */
const CONFIRMED = 10;
/** When a device was last seen is written down so often, s. */
const SEEN = 60;

/** Who asks: a maker on a device, or the maker at this machine before there are accounts. */
export interface Signed {
  readonly owner: string;
  readonly name: string;
  readonly first: boolean;
  readonly device: string;
  readonly confirmed: boolean;
}

interface SessionRow {
  id: string;
  secret: Buffer;
  owner_id: string;
  name: string;
  how: WayIn;
  made_at: Date;
  seen_at: Date;
  ends_at: Date;
  confirmed_at: Date | null;
}

/** Condition of a session that still holds. */
const HOLDS = `s.ends_at > now() and s.seen_at > now() - interval '${LIMITS.idle} days'`;

/** Who asks with this secret; nobody when it is none, or its time is over. */
export async function signedBy(db: Knex, told: string): Promise<Signed | undefined> {
  const { rows } = await db.raw(
    `select s.id as device, s.owner_id as owner, a.name, a.first,
            coalesce(s.confirmed_at > now() - interval '${CONFIRMED} minutes', false) as confirmed,
            s.seen_at < now() - interval '${SEEN} seconds' as unseen
       from sessions s join accounts a using (owner_id)
      where s.secret = ? and ${HOLDS}`,
    [keptOf(told)],
  );
  const [row] = rows as (Signed & { unseen: boolean })[];
  if (!row) return undefined;
  const { unseen, ...signed } = row;
  if (unseen) await db('sessions').where({ id: row.device }).update({ seen_at: db.fn.now() });
  return signed;
}

interface NewDevice {
  readonly owner: string;
  readonly name: string;
  readonly how: WayIn;
  /** Whoever came in knew something that only the maker knows. */
  readonly confirmed: boolean;
}

/** Signs a device in. Answers its secret: it is told once. */
export async function beginSession(
  db: Knex,
  { owner, name, how, confirmed }: NewDevice,
): Promise<{ readonly told: string; readonly device: string }> {
  const { told, kept } = freshSecret();
  const [row] = await db('sessions')
    .insert({
      secret: kept,
      owner_id: owner,
      name,
      how,
      ends_at: db.raw(`now() + interval '${LIMITS.whole} days'`),
      confirmed_at: confirmed ? db.fn.now() : null,
    })
    .returning('id');
  return { told, device: String(row.id) };
}

/** The devices of one maker. */
export class Devices {
  private readonly db: Knex;
  private readonly owner: string;

  constructor(db: Knex, owner: string) {
    this.db = db;
    this.owner = owner;
  }

  private mine() {
    return this.db<SessionRow>('sessions').where({ owner_id: this.owner });
  }

  /** Those that are signed in, the one seen last first. */
  async all(here: string): Promise<Device[]> {
    const rows = await this.db<SessionRow>('sessions as s')
      .where({ owner_id: this.owner })
      .whereRaw(HOLDS)
      .orderBy([{ column: 'seen_at', order: 'desc' }, 'made_at', 'id']);
    return rows.map(({ id, name, how, made_at, seen_at, ends_at }) => {
      const unused = new Date(seen_at.getTime() + LIMITS.idle * 86_400_000);
      return {
        id,
        name,
        how,
        since: made_at.toISOString(),
        seen: seen_at.toISOString(),
        until: (unused < ends_at ? unused : ends_at).toISOString(),
        here: id === here,
      };
    });
  }

  async confirm(device: string): Promise<void> {
    await this.mine().where({ id: device }).update({ confirmed_at: this.db.fn.now() });
  }

  /** Says whether there was one. */
  async rename(device: string, name: string): Promise<boolean> {
    return (await this.mine().where({ id: device }).update({ name })) > 0;
  }

  async end(device: string): Promise<boolean> {
    return (await this.mine().where({ id: device }).delete()) > 0;
  }

  /** Signs all others out; answers how many. */
  async endOthers(here: string): Promise<number> {
    return this.mine().whereNot({ id: here }).delete();
  }
}

/** Forgets devices whose time is over. */
export async function purgeSessions(db: Knex): Promise<void> {
  await db('sessions as s').whereRaw(`not (${HOLDS})`).delete();
}
