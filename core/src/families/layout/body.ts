import { z } from 'zod';
import { count, idSchema, LIMITS } from '../../fields/index.ts';
import type { Materials } from './materials.ts';

/** The largest sheet: beyond this no one lays a bag out on a table. */
export const MOST_CELLS = LIMITS.cells;
export const MOST_ROUNDS = LIMITS.rounds;
export const MOST_STITCHES = LIMITS.stitches;

/** No stitch pattern that a bag is worked in repeats over more stitches. */
const MOST_MULTIPLE = 100;

export const multipleSchema = z
  .strictObject({
    multiple: count('A multiple', MOST_MULTIPLE).meta({
      description: 'The stitch pattern repeats over so many.',
    }),
    extra: count('The extra', MOST_MULTIPLE, 0),
  })
  .meta({ description: 'The stitch count must be a multiple of `multiple`, plus `extra`.' });

export const motifBodySchema = z.strictObject({
  of: z.literal('motifs'),
  motif: idSchema,
  rounds: count('Rounds', MOST_ROUNDS),
  columns: count('Columns', MOST_CELLS),
  rows: count('Rows of squares', MOST_CELLS),
});

export const workedBodySchema = z.strictObject({
  of: z.literal('worked'),
  swatch: idSchema,
  stitches: count('Stitches', MOST_STITCHES),
  rows: count('Rows', MOST_STITCHES),
  multiple: multipleSchema,
  rowsRun: z.enum(['across', 'upright']),
});

/** A sheet of fabric by its counts: squares in columns and rows, or one panel worked in rows. */
export type Body = z.infer<typeof motifBodySchema> | z.infer<typeof workedBodySchema>;

/** Size of a body before joins at its outer sides, mm. */
export function sizeOf(body: Body, materials: Materials): { width: number; height: number } {
  if (body.of === 'motifs') {
    const side = materials.motifSide(body.motif, body.rounds) + materials.join();
    return { width: side * body.columns, height: side * body.rows };
  }
  const stitchWay = body.stitches * materials.pitch(body.swatch);
  const rowWay = body.rows * materials.rowHeight(body.swatch);
  return body.rowsRun === 'across'
    ? { width: stitchWay, height: rowWay }
    : { width: rowWay, height: stitchWay };
}
