import { z } from 'zod';
import { count } from '../../fields/index.ts';
import { MOST_STITCHES } from '../layout/body.ts';
import { rowsBodySchema } from '../layout/rows-sheet.ts';
import { sheetSchema } from '../layout/sheet-make.ts';
import { stripSchema } from '../strip/strip.ts';

export const foldOverSchema = z.strictObject({
  family: z.literal('fold-over'),
  /** The whole panel: front, back and flap end to end. */
  body: sheetSchema,
  /** How much of its rows hangs over as the flap. */
  flap: z
    .int('The flap is a whole number of rows.')
    .min(0, 'The flap cannot be less than no row.')
    .max(MOST_STITCHES, `The flap cannot have more than ${MOST_STITCHES} rows.`),
  /**
   * A front of its own, of so many rows like the panel's or by its own rows, with a strip between it and the back.
   * Without it the panel itself folds up as the front.
   */
  apart: z
    .strictObject({ front: z.union([count('The front', MOST_STITCHES), rowsBodySchema]), strip: stripSchema })
    .optional(),
});
export type FoldOver = z.infer<typeof foldOverSchema>;
export type Apart = NonNullable<FoldOver['apart']>;
