import { z } from 'zod';

/** A hook by its thickness, mm. */
export const hookSchema = z
  .number('A hook size is a number of mm.')
  .min(0.5, 'Hooks begin at 0.5 mm.')
  .max(40, 'Hooks end at 40 mm.');
