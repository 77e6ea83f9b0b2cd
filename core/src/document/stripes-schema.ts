import { z } from 'zod';
import { count, idSchema, LIMITS } from '../fields/index.ts';

/** Rows of one colour. */
const bandSchema = z.strictObject({
  yarn: idSchema,
  rows: count('Rows of a stripe', LIMITS.stitches),
});

/** Colours by row: bands one after another, and again from the first where the piece has more rows. */
export const stripesSchema = z
  .strictObject({
    bands: z
      .array(bandSchema)
      .min(1, 'Stripes have at least one colour.')
      .max(LIMITS.bands, `Stripes repeat over at most ${LIMITS.bands} bands.`),
    /** Colours are carried up the side to their next stripe; else they are cut at each. */
    carried: z.boolean(),
  })
  .meta({ description: 'Colours by row, repeated.' });
/** Colours by row of one panel, or of all. */
export type Stripes = z.infer<typeof stripesSchema>;

/** Stripes of all panels, and of single ones by the id of their piece. */
export const panelStripesSchema = z.strictObject({
  all: stripesSchema.optional(),
  own: z
    .record(z.string().max(60), z.union([stripesSchema, z.literal('plain')]))
    .refine((own) => Object.keys(own).length <= LIMITS.pieces, 'There are not so many panels.')
    .optional(),
});
export type PanelStripes = z.infer<typeof panelStripesSchema>;
