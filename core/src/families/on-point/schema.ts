import { z } from 'zod';
import { count, idSchema } from '../../fields/index.ts';
import { MOST_ROUNDS } from '../layout/body.ts';

export const MOST_ACROSS = 6;
export const MOST_ROWS = 8;

export const onPointSchema = z.strictObject({
  family: z.literal('on-point'),
  motif: idSchema,
  rounds: count('Rounds', MOST_ROUNDS),
  /** Diamonds across the bag. */
  across: count('Diamonds across', MOST_ACROSS),
  /** Rows of diamonds above the bottom row; each lies half a diamond higher than the one below. */
  rows: count('Rows above the bottom', MOST_ROWS),
  /** `tapered`: one diamond fewer in the bottom row, the lower corners cut off. `straight`: a full one. */
  bottom: z.enum(['tapered', 'straight']),
});
export type OnPoint = z.infer<typeof onPointSchema>;
