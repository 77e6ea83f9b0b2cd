import { z } from 'zod';
import { idSchema, LIMITS } from '../fields/index.ts';
import { nameSchema } from './name-schema.ts';

/** The lasting name of a piece: `body/2/0`, `front/0/1`. */
const pieceSchema = z
  .string()
  .regex(/^[A-Za-z0-9_./~,-]{1,60}$/, 'A piece is named by letters, digits and / . ~ , - _ only.');

export const cellSchema = z
  .strictObject({
    /** Colourway of the motif that lies here. Without one it is dealt in turn. */
    design: idSchema.optional(),
    /** Steps against the clock, from one way its shape can lie to the next: a square's are quarters, a hexagon's sixths. */
    turn: z
      .int('Turns are whole steps.')
      .min(1, 'At least one step.')
      .max(5, 'At most five steps.')
      .optional(),
    /** No suggestion moves it. */
    locked: z.literal(true).optional(),
  })
  .meta({ description: 'What lies in one place of the net.' });
/** What lies in one place of the net. */
export type Cell = z.infer<typeof cellSchema>;

/** Places that are no longer in the bag are kept: when it grows again, they are as they were. */
const cellsSchema = z
  .record(pieceSchema, cellSchema)
  .refine(
    (cells) => Object.keys(cells).length <= LIMITS.cellsKept,
    `At most ${LIMITS.cellsKept} places are laid by hand.`,
  );
export type Cells = z.infer<typeof cellsSchema>;

/** How much each wish counts, from not at all to most. */
const weight = z.int('A weight is whole.').min(0, 'A weight is at least 0.').max(4, 'A weight is at most 4.');
export const weightsSchema = z.strictObject({
  /** The same design side by side. */
  like: weight,
  /** The same last round side by side. */
  outer: weight,
  /** Nearly the same colour, all in all, side by side. */
  near: weight,
  /** Three alike in a line. */
  lines: weight,
  /** The same before and behind. */
  faces: weight,
  /** The same with only one between. */
  apart: weight,
});
export type Weights = z.infer<typeof weightsSchema>;

/** Longest yarn that is left of anything, mm. */
const MOST_LEFT = 10_000_000;

/** Most of one design that anyone has lying ready. */
const MOST_STOCK = 999;

export const stockSchema = z.strictObject({
  motif: idSchema,
  design: idSchema,
  /** As many as there are, or are to be. */
  many: z
    .int('Motifs are whole.')
    .min(0, 'There cannot be fewer than none.')
    .max(MOST_STOCK, `At most ${MOST_STOCK} of one design.`),
  /** How many of them are finished. */
  made: z
    .int('Motifs are whole.')
    .min(0, 'There cannot be fewer than none.')
    .max(MOST_STOCK, `At most ${MOST_STOCK} of one design.`)
    .optional(),
});
export type Stock = z.infer<typeof stockSchema>;

export const arrangementSchema = z
  .strictObject({
    cells: cellsSchema.optional(),
    weights: weightsSchema.optional(),
    stock: z
      .array(stockSchema)
      .max(LIMITS.motifs * LIMITS.colourways, 'There is one number for each design.')
      .optional(),
    /** What is left of yarns, mm, to make squares of. */
    scraps: z
      .array(
        z.strictObject({
          yarn: idSchema,
          length: z
            .number()
            .min(0, 'A length cannot be negative.')
            .max(MOST_LEFT, 'At most 10 km of a yarn.'),
        }),
      )
      .max(LIMITS.yarns, 'There is one length for each yarn.')
      .optional(),
    /** Arrangements kept beside the one on the table. */
    kept: z
      .array(z.strictObject({ id: idSchema, name: nameSchema, cells: cellsSchema }))
      .max(
        LIMITS.arrangements,
        `At most ${LIMITS.arrangements} arrangements are kept beside the one on the table.`,
      )
      .optional(),
  })
  .meta({ description: 'Which design lies where.' });
/** Which design lies where. */
export type Arrangement = z.infer<typeof arrangementSchema>;
