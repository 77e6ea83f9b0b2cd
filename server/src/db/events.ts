import {
  type AddedEvents,
  EVENTS_AT_ONCE,
  type EventPage,
  eventSchema,
  type MakeEvent,
  MOST_EVENTS,
} from '@fennot/core';
import type { Knex } from 'knex';
import { inPieces } from './in-pieces.ts';

interface EventRow {
  bag_id: string;
  id: string;
  owner_id: string;
  /** As the database's driver gives large numbers. */
  seq: string;
  event: unknown;
}

/** The channel on which servers of one database tell each other of bags that have new events. */
export const NEW_EVENTS = 'fennot_events';

/** Ends the transaction in which too many were added. */
class TooMany extends Error {}

/** What is done on the bags of one owner. No query here can reach another owner's rows. */
export class EventStore {
  private readonly db: Knex;
  private readonly owner: string;

  constructor(db: Knex, owner: string) {
    this.db = db;
    this.owner = owner;
  }

  /** Adds what is not there yet. */
  async add(bag: string, events: readonly MakeEvent[]): Promise<AddedEvents | 'noSuchBag' | 'tooManyEvents'> {
    const added = this.db.transaction(async (held) => {
      const mine = { bag_id: bag, owner_id: this.owner };
      // One after the other for one bag: whoever reads up to a place has missed nothing that comes to stand before it.
      await held.raw('select pg_advisory_xact_lock(hashtext(?))', [`events ${bag}`]);
      const there = await held('bags')
        .where({ id: bag, owner_id: this.owner })
        .whereNull('deleted_at')
        .forKeyShare()
        .first('id');
      if (!there) return 'noSuchBag' as const;
      let fresh = 0;
      for (const piece of inPieces(events)) {
        const rows = piece.map((event) => ({ ...mine, id: event.id, event: JSON.stringify(event) }));
        const added = await held<EventRow>('events')
          .insert(rows)
          .onConflict(['bag_id', 'id'])
          .ignore()
          .returning('id');
        fresh += added.length;
      }
      if (fresh === 0) return { fresh };
      const counted = await held('events').where({ bag_id: bag }).count('* as many').first();
      if (Number(counted?.many) > MOST_EVENTS) throw new TooMany();
      await held.raw('select pg_notify(?, ?)', [NEW_EVENTS, bag]);
      return { fresh };
    });
    return added.catch((error: unknown) => {
      if (error instanceof TooMany) return 'tooManyEvents';
      throw error;
    });
  }

  /** Whether there is such a bag. */
  async has(bag: string): Promise<boolean> {
    const there = await this.db('bags')
      .where({ id: bag, owner_id: this.owner })
      .whereNull('deleted_at')
      .first('id');
    return there !== undefined;
  }

  /** Events after a place, in the order in which they arrived; nothing where there is no such bag. */
  async after(bag: string, place: number): Promise<EventPage | undefined> {
    if (!(await this.has(bag))) return undefined;
    const rows = await this.db<EventRow>('events')
      .where({ bag_id: bag, owner_id: this.owner })
      .where('seq', '>', place)
      .orderBy('seq')
      .limit(EVENTS_AT_ONCE + 1)
      .select('seq', 'event');
    const page = rows.slice(0, EVENTS_AT_ONCE);
    const events = page.flatMap(({ event }) => {
      const read = eventSchema.safeParse(event);
      return read.success ? [read.data] : [];
    });
    return {
      events,
      at: Number(page.at(-1)?.seq ?? place),
      more: rows.length > page.length,
      unread: page.length - events.length,
    };
  }
}
