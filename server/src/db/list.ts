import {
  type BagList,
  type listQuerySchema,
  readDocument,
  SUMMARY,
  type Summary,
  type Summed,
  VERSION,
} from '@fennot/core';
import type { Knex } from 'knex';
import QuickLRU from 'quick-lru';
import { z } from 'zod';
import type { Work } from '../work/work.ts';

/** Which making of summaries, of which documents: what an older server made is made anew. */
const MAKING = SUMMARY * 1000 + VERSION;

interface ListedRow {
  readonly id: string;
  readonly version: number;
  readonly updated_at: Date;
  readonly name: string;
  readonly summed: number | null;
  readonly summary: Summary | null;
  /** What the rows are ordered by, as text. */
  readonly at: string;
}

/** The end of a page: what it was ordered by there, and the id. */
const endSchema = z.tuple([z.string(), z.uuid()]);

const written = (end: z.infer<typeof endSchema>): string =>
  Buffer.from(JSON.stringify(end)).toString('base64url');

function read(after: string): z.infer<typeof endSchema> | undefined {
  try {
    return endSchema.parse(JSON.parse(Buffer.from(after, 'base64url').toString()));
  } catch {
    return undefined;
  }
}

/** A name without its capitals, in whatever script: the database's own rules would know those of English alone. */
const NAME = 'lower(name collate "und-x-icu")';

const ORDERS = {
  changed: {
    // Microseconds and all: two rows must never seem to be at one time.
    key: `to_char(updated_at at time zone 'utc', 'YYYY-MM-DD HH24:MI:SS.US')`,
    by: 'updated_at desc, id desc',
    beyond: `(updated_at, id) < ((?::timestamp at time zone 'utc'), ?::uuid)`,
  },
  name: { key: NAME, by: `${NAME}, id`, beyond: `(${NAME}, id) > (?, ?::uuid)` },
} as const;

/** A word to look for, as `like` wants it. */
const like = (search: string): string => `%${search.toLowerCase().replaceAll(/[\\%_]/g, '\\$&')}%`;

/** So long a bag is not saved before it is summed up, ms: a maker at work saves every second. */
const QUIET = 4000;

/** So many pages of lists are remembered, some 12 kB each. */
const MADE = 500;

/** The lists of bags, with the summaries that stand in them. */
export class BagLists {
  private readonly db: Knex;
  private readonly work: Pick<Work, 'summary' | 'patience'>;
  /** Summaries that are being made, by bag and version: many who ask wait for one. */
  private readonly summing = new Map<string, Promise<Summed>>();
  private readonly waiting = new Map<string, NodeJS.Timeout>();
  private readonly made = new QuickLRU<string, { readonly changes: string; readonly json: string }>({
    maxSize: MADE,
  });

  constructor(db: Knex, work: Pick<Work, 'summary' | 'patience'>) {
    this.db = db;
    this.work = work;
  }

  /**
   * One page of an owner's bags as JSON. Made once for as long as nothing changes among the owner's bags, whichever
   * server changes it: the database counts.
   */
  async json(owner: string, query: z.output<typeof listQuerySchema>): Promise<string> {
    const row = await this.db('owners')
      .where({ id: owner })
      .first<{ changes: string } | undefined>('changes');
    const changes = row?.changes ?? '';
    const key = JSON.stringify([owner, query]);
    const known = this.made.get(key);
    if (known?.changes === changes) return known.json;
    const page = await this.page(owner, query);
    const json = JSON.stringify(page);
    // What changed while it was made has raised the count: the next one asks again. What is coming may have come by then.
    if (page.bags.every(({ summary }) => summary.is !== 'coming')) this.made.set(key, { changes, json });
    return json;
  }

  /** One page of an owner's bags. An end that cannot be read is a first page. */
  async page(owner: string, query: z.output<typeof listQuerySchema>): Promise<BagList> {
    const { order, search, limit } = query;
    const { key, by, beyond } = ORDERS[order];
    const matching = () => {
      const rows = this.db('bags').where({ owner_id: owner }).whereNull('deleted_at');
      return search === '' ? rows : rows.whereRaw(`${NAME} like ?`, [like(search)]);
    };
    const end = query.after === undefined ? undefined : read(query.after);
    const page = matching()
      .select('id', 'version', 'updated_at', 'name', 'summed', 'summary', this.db.raw(`${key} as at`))
      .modify((builder) => void (end && builder.whereRaw(beyond, end)))
      .orderByRaw(by)
      .limit(limit + 1);
    const [rows, counted]: [ListedRow[], { many?: unknown } | undefined] = await Promise.all([
      page,
      matching().count('* as many').first(),
    ]);
    const shown = rows.slice(0, limit);
    const { patience } = this.work;
    const late = new Promise<{ summary: { is: 'coming' } }>((come) => {
      if (patience === Number.POSITIVE_INFINITY) return;
      setTimeout(() => come({ summary: { is: 'coming' } }), patience).unref();
    });
    const soon = (id: string) => {
      const made = this.sum(id);
      // It goes on; what goes wrong with it then is told to whoever asks next.
      made.catch(() => {});
      return Promise.race([made, late]);
    };
    const last = rows.length > limit ? shown.at(-1) : undefined;
    const bags = await Promise.all(
      shown.map(async ({ id, version, updated_at, name, summed, summary }) => ({
        id,
        version,
        updatedAt: updated_at.toISOString(),
        name: name === '' ? 'A bag without a name' : name,
        summary: summed === MAKING && summary ? summary : (await soon(id)).summary,
      })),
    );
    return {
      bags,
      total: Number(counted?.many ?? 0),
      ...(last ? { next: written([last.at, last.id]) } : {}),
    };
  }

  /** The picture of a bag; nothing of one that is not there, or cannot be drawn. */
  async picture(owner: string, id: string): Promise<string | undefined> {
    const row = await this.db('bags')
      .where({ owner_id: owner, id })
      .whereNull('deleted_at')
      .first<{ summed: number | null; picture: string | null }>('summed', 'picture');
    if (!row) return undefined;
    return row.summed === MAKING ? (row.picture ?? undefined) : (await this.sum(id)).picture;
  }

  /** Sums a bag up once it has not been saved for a while; a list that comes before does it itself. */
  sumLater(id: string, failed: (error: unknown) => void): void {
    clearTimeout(this.waiting.get(id));
    const timer = setTimeout(() => {
      this.waiting.delete(id);
      this.sum(id).catch(failed);
    }, QUIET);
    timer.unref();
    this.waiting.set(id, timer);
  }

  /** Gives up what has not been begun. */
  close(): void {
    for (const timer of this.waiting.values()) clearTimeout(timer);
    this.waiting.clear();
  }

  /** Sums a bag up as it is now, and keeps that, unless it has been changed in the meantime. */
  async sum(id: string): Promise<Summed> {
    const row = await this.db('bags')
      .where({ id })
      .first<{ document: unknown; version: number }>('document', 'version');
    if (!row) return { summary: { is: 'damaged', why: 'It is gone.' }, picture: undefined };
    const key = `${id} ${row.version}`;
    const under = this.summing.get(key);
    if (under) return under;
    const made = this.make(id, row).finally(() => this.summing.delete(key));
    this.summing.set(key, made);
    return made;
  }

  private async make(id: string, row: { document: unknown; version: number }): Promise<Summed> {
    const document = readDocument(row.document);
    const summed: Summed = document.ok
      ? await this.work.summary(document.document)
      : {
          summary: { is: 'damaged', why: document.problems[0]?.message ?? 'It is damaged.' },
          picture: undefined,
        };
    await this.db('bags')
      .where({ id, version: row.version })
      .update({ summed: MAKING, summary: JSON.stringify(summed.summary), picture: summed.picture ?? null });
    return summed;
  }
}
