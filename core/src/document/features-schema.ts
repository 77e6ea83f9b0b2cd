import { z } from 'zod';
import { eyeletsSchema } from '../families/layout/eyelets.ts';
import { faceSchema } from '../families/layout/face.ts';
import { count, idSchema } from '../fields/index.ts';

export const edgeSchema = z
  .strictObject({
    swatch: idSchema,
    rounds: count('Edge rounds', 40),
    /** Per cent by which the last round is longer (flares) or shorter (draws in) than the rim. */
    growth: z
      .int('Growth is a whole number of per cent.')
      .min(-60, 'An edge can be drawn in by 60 % at most.')
      .max(60, 'An edge can flare by 60 % at most.'),
  })
  .meta({ description: 'Rounds of stitches along the opening.' });

const drawstringSchema = z
  .strictObject({
    eyelets: eyeletsSchema,
  })
  .meta({ description: 'A cord through eyelets along the rim.' });

/** A band sewn round a drawn waist, and how high the clasp is that it must carry, mm. */
export const waistBandSchema = z.strictObject({
  swatch: idSchema,
  /** Stitches. */
  wide: count('The width of the band', 60),
  clasp: z
    .int('The height of a clasp is a whole number of mm.')
    .min(1, 'A clasp is at least 1 mm high.')
    .max(300, 'A clasp is at most 30 cm high.')
    .optional(),
});

export const waistSchema = z
  .strictObject({
    /** Per cent of the height. */
    at: count('The height of the waist', 95, 10),
    /** Per cent of the way round that is drawn in. */
    draw: count('The drawing in', 60, 2),
    /** A band sewn round it, so many stitches wide, and how high the clasp is that it must carry, mm. */
    band: waistBandSchema.optional(),
  })
  .meta({ description: 'A waist, by stitches worked together or a cord.' });

/** What any bag may have besides its construction. */
export const featuresSchema = z.strictObject({
  edge: edgeSchema.optional(),
  flap: faceSchema.optional().meta({ description: 'Hangs from the back’s rim by its upper side.' }),
  drawstring: drawstringSchema.optional(),
  waist: waistSchema.optional(),
});
export type Features = z.infer<typeof featuresSchema>;
