import { z } from 'zod';
import { count } from '../../fields/index.ts';

/** The largest sheet: beyond this no one lays a bag out on a table. */
export const MOST_CELLS = 40;
export const MOST_ROUNDS = 30;
export const MOST_STITCHES = 2000;

export const multipleSchema = z
  .object({
    multiple: count('A multiple', 100).meta({ description: 'The stitch pattern repeats over so many.' }),
    extra: z.int().min(0, 'The extra cannot be negative.').max(100),
  })
  .meta({ description: 'The stitch count must be a multiple of `multiple`, plus `extra`.' });

export const motifBodySchema = z.object({
  of: z.literal('motifs'),
  motif: z.string(),
  rounds: count('Rounds', MOST_ROUNDS),
  columns: count('Columns', MOST_CELLS),
  rows: count('Rows of squares', MOST_CELLS),
});

export const workedBodySchema = z.object({
  of: z.literal('worked'),
  swatch: z.string(),
  stitches: count('Stitches', MOST_STITCHES),
  rows: count('Rows', MOST_STITCHES),
  multiple: multipleSchema,
  rowsRun: z.enum(['across', 'upright']),
});

/** A sheet of fabric: squares in columns and rows, or one panel worked in rows. */
export const bodySchema = z.discriminatedUnion('of', [motifBodySchema, workedBodySchema]);
export type Body = z.infer<typeof bodySchema>;
