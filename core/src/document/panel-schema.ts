import { z } from 'zod';
import { count, idSchema, LIMITS } from '../fields/index.ts';
import { nameSchema } from './name-schema.ts';

/** Blocks of a row side by side: so many stitches of what the panel begins on, as large as in a swatch. */
export const sectionSchema = z.strictObject({
  stitches: count('The stitches of a section', LIMITS.worked),
  swatch: idSchema,
});
export type PanelSection = z.infer<typeof sectionSchema>;

/** More sections than this nobody keeps apart. */
export const MOST_SECTIONS = 9;

/** A panel by its rows, as its maker writes them. */
export const panelSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    swatch: idSchema,
    terms: z.enum(['us', 'uk']),
    rows: z.string().max(LIMITS.rowsText, `The rows of a panel have at most ${LIMITS.rowsText} letters.`),
    /** From left to right as its first row is seen from in front; what is over belongs to the last. */
    sections: z
      .array(sectionSchema)
      .min(2, 'A panel has one section, which is all of it, or at least two.')
      .max(MOST_SECTIONS, `A panel has at most ${MOST_SECTIONS} sections.`)
      .optional(),
  })
  .meta({ description: 'A panel by its rows, in shorthand.' });
export type Panel = z.infer<typeof panelSchema>;
