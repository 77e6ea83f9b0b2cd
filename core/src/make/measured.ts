import { z } from 'zod';
import { idSchema } from '../fields/index.ts';

const count = z.int().min(1).max(100_000);

/** What a length under the tape is of. */
export const MEASURED = z.discriminatedUnion('of', [
  /** A motif of so many rounds, along a side or across, before or after blocking. */
  z.strictObject({
    of: z.literal('motif'),
    motif: idSchema,
    rounds: count,
    blocked: z.boolean(),
  }),
  /** So many rows of a piece by its rows, or so many stitches of one of them. */
  z.strictObject({ of: z.literal('rows'), task: z.string().max(200), swatch: idSchema, count }),
  z.strictObject({ of: z.literal('stitches'), task: z.string().max(200), swatch: idSchema, count }),
  /** Squares joined in a row. */
  z.strictObject({ of: z.literal('joined'), motif: idSchema, rounds: count, motifs: count }),
  /** A tape of the finished bag; again after use, with what was in it. */
  z.strictObject({
    of: z.literal('tape'),
    measure: z.enum(['width', 'height', 'depth', 'opening', 'strapDrop']),
    /** g */
    load: z.number().min(0).max(100_000).optional(),
  }),
]);
export type Measured = z.infer<typeof MEASURED>;
