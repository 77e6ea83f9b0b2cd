import { z } from 'zod';
import { count } from '../../fields/index.ts';
import { type Body, bodySchema, MOST_STITCHES } from '../layout/body.ts';
import { stripSchema } from '../strip/strip.ts';

export const foldOverSchema = z.strictObject({
  family: z.literal('fold-over'),
  /** The whole panel: front, back and flap end to end. */
  body: bodySchema,
  /** How much of its rows hangs over as the flap. */
  flap: z
    .int('The flap is a whole number of rows.')
    .min(0, 'The flap cannot be less than no row.')
    .max(MOST_STITCHES, `The flap cannot have more than ${MOST_STITCHES} rows.`),
  /**
   * A front of its own, of so many of the panel's rows, with a strip between it and the back. Without it the
   * panel itself folds up as the front.
   */
  apart: z.strictObject({ front: count('The front', MOST_STITCHES), strip: stripSchema }).optional(),
});
export type FoldOver = z.infer<typeof foldOverSchema>;

/** Steps along the panel's length: rows of squares, or rows or stitches of a worked panel. */
export const stepsUp = (body: Body): number =>
  body.of === 'motifs' || body.rowsRun === 'across' ? body.rows : body.stitches;

/** Rows of the panel changed, whichever way they run. */
export const withSteps = (body: Body, steps: number): Body =>
  body.of === 'motifs' || body.rowsRun === 'across' ? { ...body, rows: steps } : { ...body, stitches: steps };
