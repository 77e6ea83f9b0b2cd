import { z } from 'zod';
import { documentShape, fieldProblemSchema } from '../document/index.ts';
import { LIMITS, textSchema } from '../fields/index.ts';
import { summarySchema } from '../summary/index.ts';

/** What the database can count to. */
const MOST_VERSION = 2_147_483_646;

const head = {
  id: z.uuid(),
  /** Raised by every save; a save names the version it was made from. */
  version: z.int().min(1).max(MOST_VERSION),
  updatedAt: z.iso.datetime(),
};

/** A bag as the server keeps it. */
export const storedBagSchema = z.object({ ...head, document: documentShape });
export type StoredBag = z.infer<typeof storedBagSchema>;

/** A row whose document this version cannot read: named and handed out as it is, so that nothing is lost. */
export const damagedBagSchema = z.object({
  ...head,
  damaged: z.object({ name: z.string(), problems: z.array(fieldProblemSchema), raw: z.unknown() }),
});
export type DamagedBag = z.infer<typeof damagedBagSchema>;

export const keptBagSchema = z.union([storedBagSchema, damagedBagSchema]);
export type KeptBag = StoredBag | DamagedBag;

export const isDamaged = (bag: KeptBag): bag is DamagedBag => 'damaged' in bag;

/** A bag in a list: what it says of itself, without its document; `coming` while that is worked out. */
export const listedBagSchema = z.object({
  ...head,
  name: z.string(),
  summary: z.union([summarySchema, z.object({ is: z.literal('coming') })]),
});
export type ListedBag = z.infer<typeof listedBagSchema>;

export const LIST_ORDERS = ['changed', 'name'] as const;
/** Bags on one page of the list. */
const PAGE = 48;

/** Which part of the list is wanted. */
export const listQuerySchema = z.strictObject({
  order: z.enum(LIST_ORDERS).default('changed'),
  /** Part of the name. */
  search: textSchema('A search', LIMITS.name).default(''),
  /** Where the page before ended: as it was answered. */
  after: z.string().max(400).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(PAGE),
});
export type ListQuery = {
  readonly [K in keyof z.output<typeof listQuerySchema>]?: z.output<typeof listQuerySchema>[K] | undefined;
};

export const bagListSchema = z.object({
  bags: z.array(listedBagSchema),
  /** To be asked for with `after`; nothing when this is the end. */
  next: z.string().optional(),
  /** Bags that match, on all pages. */
  total: z.int(),
});
export type BagList = z.infer<typeof bagListSchema>;

/** What became of a save or a delete. */
export const savedSchema = z.object({ version: head.version, updatedAt: head.updatedAt });
export type Saved = z.infer<typeof savedSchema>;

/**
 * A new bag. Its id is made by whoever asks, so that asking again after a lost answer makes no second one. The
 * document is checked by hand: its problems are told by the core, with the path of each.
 */
export const createBagSchema = z.strictObject({
  id: z.uuid(),
  document: z.unknown(),
  /** It comes out of a file. */
  imported: z.boolean().optional(),
});

/** A save on top of a version. Its own id lets the server know a repeat, and answer it as the first time. */
export const saveBagSchema = z.strictObject({ save: z.uuid(), basedOn: head.version, document: z.unknown() });

/** Brings back a deleted bag, at the version its delete left behind. */
export const restoreBagSchema = z.strictObject({ basedOn: head.version });
