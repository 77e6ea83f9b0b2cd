import { createHash } from 'node:crypto';
import type { Knex } from 'knex';

/** What is counted: tries at one thing. */
export interface Counted {
  /** Whose tries: kept as a hash only. */
  readonly key: string;
  /** So many are free; every further one has to wait, twice as long each time. */
  readonly free: number;
}

/** The first wait, and the longest, s. After so long without a try all is forgotten, s. */
const [FIRST_WAIT, LONGEST_WAIT, FORGOTTEN] = [10, 900, 3600];

/** A password or recovery code of one account, from anywhere; and anything, from one address. */
export const ofAccount = (nameKey: string): Counted => ({ key: `account ${nameKey}`, free: 5 });
export const ofAddress = (ip: string): Counted => ({ key: `address ${networkOf(ip)}`, free: 20 });
/** Codes good once, from one address: five wrong ones, and one waits. */
export const codesOfAddress = (ip: string): Counted => ({ key: `codes ${networkOf(ip)}`, free: 5 });

/** Whoever has one IPv6 address has a whole network of them. */
const networkOf = (ip: string): string => (ip.includes(':') ? ip.split(':').slice(0, 4).join(':') : ip);

const kept = (key: string): Buffer => createHash('sha256').update(key).digest();

/**
 * Tries that are counted in the database, so that all servers of it count together. A try is counted before it is made: a
 * hundred at once are a hundred tries.
 */
export class Tries {
  private readonly db: Knex;

  constructor(db: Knex) {
    this.db = db;
  }

  /** Counts one try. Answers how long to wait, s, where it must not be made; 0 where it may. */
  async begin(...all: readonly Counted[]): Promise<number> {
    return this.db.transaction(async (held) => {
      let wait = 0;
      // In one order, whoever asks: no two wait for each other.
      for (const { key, free } of [...all].sort((a, b) => (a.key < b.key ? -1 : 1)))
        wait = Math.max(wait, await this.count(held, kept(key), free));
      return wait;
    });
  }

  private async count(held: Knex, key: Buffer, free: number): Promise<number> {
    const { rows } = await held.raw(
      `insert into tries as t (key, many, free_at, last_at)
       values (:key, 1, clock_timestamp(), clock_timestamp())
       on conflict (key) do update set
         many = case
           when t.free_at > clock_timestamp() then t.many
           when t.last_at < clock_timestamp() - :forgotten * interval '1 second' then 1
           else t.many + 1 end,
         last_at = case when t.free_at > clock_timestamp() then t.last_at else clock_timestamp() end
       returning many, extract(epoch from free_at - clock_timestamp())::float as wait`,
      { key, forgotten: FORGOTTEN },
    );
    const { many, wait } = rows[0] as { many: number; wait: number };
    if (wait > 0) return Math.ceil(wait);
    if (many >= free)
      await held('tries')
        .where({ key })
        .update({
          free_at: held.raw(`clock_timestamp() + ? * interval '1 second'`, [
            Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** Math.min(20, many - free)),
          ]),
        });
    return 0;
  }

  /** It was right: that account's tries are forgotten. What came from the address is taken off by one. */
  async succeeded(account: Counted | undefined, ...addresses: readonly Counted[]): Promise<void> {
    if (account) await this.forget(account);
    for (const { key, free } of addresses)
      await this.db('tries')
        .where({ key: kept(key) })
        .update({
          many: this.db.raw('greatest(many - 1, 0)'),
          free_at: this.db.raw('case when many <= ? then clock_timestamp() else free_at end', [free]),
        });
  }

  async forget({ key }: Counted): Promise<void> {
    await this.db('tries')
      .where({ key: kept(key) })
      .delete();
  }

  /** Forgets what nobody has tried for long. */
  static async purge(db: Knex): Promise<void> {
    await db('tries')
      .where('last_at', '<', db.raw(`now() - ${FORGOTTEN} * interval '1 second'`))
      .delete();
  }
}
