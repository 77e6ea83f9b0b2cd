import { z } from 'zod';
import { allotmentSchema } from '../stash/index.ts';
import { settingsSchema } from './settings.ts';

const when = z.iso.datetime();
const version = z.int().min(1).max(2_147_483_646);

const NOT_ONE = 'This is no file of everything a maker has.';

/** So much of each kind one file can bring. */
const MOST = { bags: 20_000, events: 1_000_000, lots: 20_000, allotments: 100_000, library: 2000 } as const;

/**
 * Everything a maker has, as one file: what `Settings` hands out, and an empty account takes in. What each thing holds is
 * read by its own schema; what this version cannot read goes along as it is.
 */
export const makerFileSchema = z.object(
  {
    format: z.literal('fennot.maker', NOT_ONE),
    /** 1 had no events. */
    version: z.literal(
      [1, 2],
      'This file was written by a newer Fennot. Update Fennot, and take it in then.',
    ),
    at: when,
    /** What the maker was called. */
    name: z.string().max(400),
    settings: settingsSchema,
    bags: z
      .array(
        z.object({
          id: z.uuid(),
          version,
          made: when,
          changed: when,
          /** Put away then; it can still be brought back. */
          deleted: when.optional(),
          document: z.unknown(),
        }),
      )
      .max(MOST.bags),
    /** What was done on them, in the order in which it was told. */
    events: z
      .array(z.object({ bag: z.uuid(), id: z.uuid(), event: z.unknown() }))
      .max(MOST.events)
      .default([]),
    lots: z.array(z.object({ id: z.uuid(), version, made: when, lot: z.unknown() })).max(MOST.lots),
    allotments: z.array(allotmentSchema.extend({ made: when })).max(MOST.allotments),
    library: z.array(z.object({ id: z.uuid(), version, made: when, item: z.unknown() })).max(MOST.library),
  },
  NOT_ONE,
);
export type MakerFile = z.infer<typeof makerFileSchema>;

/** A file to be taken in. Its own fields are read by hand, so that what is wrong is told by its place in the file. */
export const takeInSchema = z.strictObject({
  file: z.unknown(),
  /** What is there goes first. */
  replace: z.boolean(),
});

/** What came of it. */
export const takenInSchema = z.object({
  bags: z.int(),
  lots: z.int(),
  library: z.int(),
  /** Things that could not even be kept. */
  left: z.int(),
});
