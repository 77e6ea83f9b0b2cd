import { z } from 'zod';
import { idSchema, LIMITS } from '../fields/index.ts';
import { nameSchema } from './name-schema.ts';

/** A panel by its rows, as its maker writes them. */
export const panelSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    swatch: idSchema,
    terms: z.enum(['us', 'uk']),
    rows: z.string().max(LIMITS.rowsText, `The rows of a panel have at most ${LIMITS.rowsText} letters.`),
  })
  .meta({ description: 'A panel by its rows, in shorthand.' });
export type Panel = z.infer<typeof panelSchema>;
