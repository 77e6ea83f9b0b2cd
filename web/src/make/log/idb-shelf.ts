import { eventSchema, type MakeEvent } from '@fennot/core';
import type { DBSchema } from 'idb';
import { z } from 'zod';
import { browserDatabase } from '../../api/browser-database.ts';
import type { Kept, Shelf } from './logbook.ts';

/** Whose, of which bag, and which. */
type Key = [maker: string, bag: string, id: string];

interface Events extends DBSchema {
  /** `sent` is 1 once the server is known to have it. */
  events: { key: Key; value: { maker: string; bag: string; id: string; event: unknown; sent: 0 | 1 } };
  places: { key: [maker: string, bag: string]; value: { maker: string; bag: string; place: number } };
}

const rowSchema = z.object({ event: eventSchema, sent: z.union([z.literal(0), z.literal(1)]) });

const database = browserDatabase<Events>({
  name: 'fennot-make',
  version: 1,
  upgrade: (db) => {
    db.createObjectStore('events', { keyPath: ['maker', 'bag', 'id'] });
    db.createObjectStore('places', { keyPath: ['maker', 'bag'] });
  },
});

/**
 * Forgets of a maker's logs what the server has: whoever opens this browser next finds nothing of it. What it has not stays, for
 * the same maker.
 */
export async function forgetSent(maker: string): Promise<void> {
  const work = (await database()).transaction(['events', 'places'], 'readwrite');
  let row = await work.objectStore('events').openCursor(IDBKeyRange.bound([maker], [maker, []]));
  for (; row; row = await row.continue()) if (row.value.sent === 1) await row.delete();
  await work.objectStore('places').delete(IDBKeyRange.bound([maker], [maker, []]));
  await work.done;
}

/** What this browser keeps of one bag's events, for one maker: another one who signs in here sees none of it. */
export class IdbShelf implements Shelf {
  private readonly maker: string;
  private readonly bag: string;

  constructor(maker: string, bag: string) {
    this.maker = maker;
    this.bag = bag;
  }

  async load(): Promise<Kept> {
    const { maker, bag } = this;
    const db = await database();
    const rows = await db.getAll('events', IDBKeyRange.bound([maker, bag, ''], [maker, bag, '\uffff']));
    const place = await db.get('places', [maker, bag]);
    const events: MakeEvent[] = [];
    const unsent = new Set<string>();
    for (const row of rows) {
      // What a newer Fennot wrote stays where it is until there is one again.
      const read = rowSchema.safeParse(row);
      if (!read.success) continue;
      events.push(read.data.event);
      if (read.data.sent === 0) unsent.add(read.data.event.id);
    }
    return { events, unsent, place: place?.place ?? 0 };
  }

  async put(events: readonly MakeEvent[], unsent: boolean, place?: number): Promise<void> {
    const { maker, bag } = this;
    const work = (await database()).transaction(['events', 'places'], 'readwrite', { durability: 'strict' });
    for (const event of events)
      void work.objectStore('events').put({ maker, bag, id: event.id, event, sent: unsent ? 0 : 1 });
    if (place !== undefined) void work.objectStore('places').put({ maker, bag, place });
    await work.done;
  }

  async sent(ids: readonly string[]): Promise<void> {
    const { maker, bag } = this;
    const work = (await database()).transaction('events', 'readwrite');
    for (const id of ids) {
      const row = await work.store.get([maker, bag, id]);
      if (row) await work.store.put({ ...row, sent: 1 });
    }
    await work.done;
  }
}
