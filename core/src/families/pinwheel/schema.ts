import { z } from 'zod';
import { idSchema } from '../../fields/index.ts';
import { MOST_ROUNDS } from '../layout/body.ts';

export const MOST_WING = 10;

const wing = z
  .int('A wing has a whole number of squares.')
  .min(1, 'A wing counts its centre square: at least 1.')
  .max(MOST_WING, `A wing cannot have more than ${MOST_WING} squares.`);

export const pinwheelSchema = z.strictObject({
  family: z.literal('pinwheel'),
  motif: idSchema,
  rounds: z
    .int('Rounds must be a whole number.')
    .min(1, 'Rounds must be at least 1.')
    .max(MOST_ROUNDS, `Rounds cannot be more than ${MOST_ROUNDS}.`),
  /** Squares of each wing with its centre square, in turning order. */
  wings: z.tuple([wing, wing, wing, wing]),
});
export type Pinwheel = z.infer<typeof pinwheelSchema>;
