import { z } from 'zod';
import { keptItemSchema, libraryItemSchema } from '../library/index.ts';
import { allotmentSchema, keptLotSchema, lotSchema, MOST_LOTS } from '../stash/index.ts';

const version = z.int().min(1).max(2_147_483_646);

/** All yarn that lies anywhere, what of it is set aside for which bag, and what those bags are called. */
export const stashSchema = z.object({
  lots: z.array(keptLotSchema),
  /** In the order they were made: who asked first stands first. */
  allotments: z.array(allotmentSchema),
  /** Names of the bags that something is set aside for. */
  bags: z.record(z.string(), z.string()),
  /** Lots that this version cannot read: they are kept as they are. */
  damaged: z.int(),
});
export type Stash = z.infer<typeof stashSchema>;

/** The maker's swatches and motifs. */
export const librarySchema = z.object({ items: z.array(keptItemSchema), damaged: z.int() });
export type Library = z.infer<typeof librarySchema>;

/**
 * One change of what a maker has. What changes or goes names the version it was read at; what comes back after it was taken
 * out goes on after the version it had, so that nobody mistakes it for the one before.
 */
export const holdingChangeSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('add'), id: z.uuid(), after: version.optional(), lot: lotSchema }),
  z.strictObject({ of: z.literal('change'), id: z.uuid(), basedOn: version, lot: lotSchema }),
  z.strictObject({ of: z.literal('remove'), id: z.uuid(), basedOn: version }),
  /** Sets yarn aside, or more or less of it than before. */
  z.strictObject({ of: z.literal('allot'), allotment: allotmentSchema }),
  z.strictObject({ of: z.literal('free'), id: z.uuid() }),
  /** Keeps a swatch or motif in the library: a new one, or in place of the version it was read at. */
  z.strictObject({
    of: z.literal('keep'),
    id: z.uuid(),
    /** Nothing for a new one. */
    basedOn: version.optional(),
    /** The version a new one goes on after. */
    after: version.optional(),
    item: libraryItemSchema,
  }),
  z.strictObject({ of: z.literal('drop'), id: z.uuid(), basedOn: version }),
]);
export type HoldingChange = z.infer<typeof holdingChangeSchema>;

/** Changes that are made together or not at all. Their own id lets the server know a repeat, and answer it as before. */
export const changeHoldingsSchema = z.strictObject({
  id: z.uuid(),
  changes: z
    .array(holdingChangeSchema)
    .min(1, 'Nothing is to be changed.')
    .max(MOST_LOTS, `At most ${MOST_LOTS} changes at once.`),
});

/** What each thing that is still there has come to be. */
export const changedHoldingsSchema = z.object({ versions: z.record(z.string(), version) });
export type ChangedHoldings = z.infer<typeof changedHoldingsSchema>;
