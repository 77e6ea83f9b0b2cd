import { z } from 'zod';
import { count, MOST_STITCHES, multipleSchema } from '../shared/body.ts';
import { faceSchema } from '../shared/face.ts';

/** Each side of a face needs at least a row, and a hexagon has five. */
export const LEAST = 5;

export const stripSchema = z.object({
  swatch: z.string(),
  /** `across`: short rows of the depth, many rows. `along`: one long row of the way, a few rows. */
  worked: z.enum(['across', 'along']),
  /** Stitches (across) or rows (along) that make the depth. */
  depth: count('The depth', MOST_STITCHES),
  /** Rows (across) or stitches (along) that make the way round the face. */
  length: z.discriminatedUnion('by', [
    z.object({ by: z.literal('way') }),
    z.object({ by: z.literal('count'), count: count('The strip', MOST_STITCHES, LEAST) }),
  ]),
  multiple: multipleSchema,
});
export type Strip = z.infer<typeof stripSchema>;

export const facesAndStripSchema = z.object({
  family: z.literal('faces-and-strip'),
  face: faceSchema,
  strip: stripSchema,
});
export type FacesAndStrip = z.infer<typeof facesAndStripSchema>;
