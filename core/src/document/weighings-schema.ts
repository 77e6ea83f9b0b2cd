import { z } from 'zod';
import { idSchema, LIMITS } from '../fields/index.ts';
import { hookSchema } from './hook-schema.ts';
import { nameSchema } from './name-schema.ts';

/** What the scale says, g. */
export const gramsSchema = z
  .number('A weight is a number of grams.')
  .min(0.1, 'A weight must be more than zero.')
  .max(20_000, 'A weight cannot be more than 20 kg.');

/** Yarn that has no weight of its own worth the name: so much of it hangs on what is weighed, mm. */
const hanging = z.number().min(0).max(10_000_000);

/**
 * Something laid on the scale. It is described by the counts that it was worked in, not by the piece it was meant for, so
 * that it goes on saying what it says when the bag is planned anew.
 */
export const weighingSchema = z.strictObject({
  id: idSchema,
  /** What it was: `3 × Marigold heart`. */
  what: nameSchema,
  /** Its stitches: so many pitches of a swatch's yarn, in one yarn; with the hook, where the swatch's has been changed since. */
  worked: z
    .array(
      z.strictObject({
        swatch: idSchema,
        yarn: idSchema,
        pitches: z.number().min(0).max(100_000_000),
        hook: hookSchema.optional(),
      }),
    )
    .min(1, 'Something must be worked to be weighed.')
    .max(400),
  /** Ends that hang on it or are hidden in it, by yarn, mm. */
  tails: z.array(z.strictObject({ yarn: idSchema, length: hanging })).max(LIMITS.yarns),
  /** The thing itself; or one ball before and after, which tells of its own yarn alone. */
  weighed: z.discriminatedUnion('of', [
    z.strictObject({ of: z.literal('thing'), grams: gramsSchema }),
    z
      .strictObject({ of: z.literal('ball'), yarn: idSchema, before: gramsSchema, after: z.number().min(0) })
      .refine(({ before, after }) => before > after, {
        path: ['after'],
        message: 'After the work a ball weighs less than before.',
      }),
  ]),
});
export type Weighing = z.infer<typeof weighingSchema>;
