import { z } from 'zod';
import { idSchema, LIMITS } from '../fields/index.ts';
import { nameSchema } from './name-schema.ts';

/** Rows that are worked again and again, as their maker writes them. */
export const fabricSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    terms: z.enum(['us', 'uk']),
    rows: z.string().max(LIMITS.rowsText, `The rows of a fabric have at most ${LIMITS.rowsText} letters.`),
  })
  .meta({ description: 'A fabric: rows that are worked again and again, in shorthand.' });
/** A fabric as it is written down. */
export type WrittenFabric = z.infer<typeof fabricSchema>;
