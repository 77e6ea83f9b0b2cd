import { z } from 'zod';

/** What is added to the yarn of the stitches. */
export const allowancesSchema = z.strictObject({
  /** Share of what is worked that is ripped back and cannot be used again, per cent. */
  ripping: z
    .number('A share is a number.')
    .min(0, 'A share is at least 0 %.')
    .max(30, 'Ripping back takes at most 30 %.')
    .optional(),
  /** Whether swatches are worked from the yarn of the bag: they are, unless it is said that they are not. */
  swatches: z.literal(false).optional(),
});
export type Allowances = z.infer<typeof allowancesSchema>;
