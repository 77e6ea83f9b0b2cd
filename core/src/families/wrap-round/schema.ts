import { z } from 'zod';
import { count, idSchema } from '../../fields/index.ts';
import { MOST_ROUNDS } from '../layout/body.ts';
import { sheetSchema } from '../layout/sheet-make.ts';

export const wrapRoundSchema = z.strictObject({
  family: z.literal('wrap-round'),
  body: sheetSchema.meta({
    description:
      'What is laid out. `tube`: all columns round the bag. `folded`: one sheet, both faces end to end. `panels`: one of two equal panels.',
  }),
  laid: z.enum(['tube', 'folded', 'panels']),
  /** A tube can close along a seam, or over a row of squares that gives it depth. */
  bottom: z.enum(['seam', 'row']),
  /** Whether a tube's sides fold on joins or down the middle of a column. */
  sides: z.enum(['joins', 'columns']),
  /** What a tube stands on, instead of a seam or a row: a disc, or a panel by its rows that is worked round. */
  base: z
    .discriminatedUnion('of', [
      z.strictObject({
        of: z.literal('one'),
        motif: idSchema,
        rounds: count('Rounds of the base', MOST_ROUNDS),
      }),
      z.strictObject({ of: z.literal('rows'), panel: idSchema }),
    ])
    .optional(),
});
export type WrapRound = z.infer<typeof wrapRoundSchema>;

export type RoundBase = NonNullable<WrapRound['base']>;
