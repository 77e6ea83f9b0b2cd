import { z } from 'zod';
import { count, idSchema } from '../../fields/index.ts';
import { MOST_ROUNDS } from '../layout/body.ts';

/** Pieces that are laid one by one. */
export const MOST_PIECES = 400;

/** Farthest cell from the middle of the table. */
const FAR = 60;
const place = z.int('A place on the grid is whole.').min(-FAR).max(FAR);

const cellSchema = z.strictObject({ x: place, y: place, of: z.enum(['square', 'panel']) });
export type Cell = z.infer<typeof cellSchema>;

/** One edge of a cell, numbered counter-clockwise from its lower one. */
const cellEdgeSchema = z.strictObject({ x: place, y: place, side: z.int().min(0).max(3) });
export type CellEdge = z.infer<typeof cellEdgeSchema>;

const foldSchema = z.strictObject({
  lies: z.enum(['upright', 'level']),
  /** In halves of a cell's width on the table. */
  at: z
    .int()
    .min(-4 * FAR)
    .max(4 * FAR),
  /** Folded over (180) or up into a wall (90 degrees). */
  angle: z.union([z.literal(180), z.literal(90)]),
});
export type NetFold = z.infer<typeof foldSchema>;

export const ownSchema = z.strictObject({
  family: z.literal('own'),
  motif: idSchema,
  rounds: count('Rounds', MOST_ROUNDS),
  /** What panels are worked in, each as near to a square's size as whole stitches and rows come. */
  swatch: idSchema,
  /** Squares with level sides, or standing on a corner. */
  grid: z.enum(['straight', 'point']),
  cells: z
    .array(cellSchema)
    .min(1, 'A net has at least one piece.')
    .max(MOST_PIECES, `At most ${MOST_PIECES} pieces.`),
  folds: z.array(foldSchema).max(40, 'At most 40 folds.'),
  pairs: z.array(z.strictObject({ a: cellEdgeSchema, b: cellEdgeSchema })).max(800),
});
export type Own = z.infer<typeof ownSchema>;

/** Edges of a cell by the way they face on the table. */
export const SIDES: Readonly<Record<Own['grid'], readonly [string, string, string, string]>> = {
  straight: ['lower', 'right', 'upper', 'left'],
  point: ['lower right', 'upper right', 'upper left', 'lower left'],
};

export const cellKey = ({ x, y }: { x: number; y: number }): string => `${x},${y}`;
export const edgeKey = ({ x, y, side }: CellEdge): string => `${x},${y}/${side}`;
