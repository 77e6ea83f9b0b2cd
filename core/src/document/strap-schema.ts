import { z } from 'zod';
import { count, idSchema } from '../fields/index.ts';

/** How a strap is made. */
export const STRAP_KINDS = ['rows', 'along', 'tube', 'doubled', 'chained', 'edge'] as const;
export type StrapKind = (typeof STRAP_KINDS)[number];

/** Where a strap lies on who carries it. */
export const CARRIED = ['shoulder', 'across', 'elbow', 'hand'] as const;
export type Carried = (typeof CARRIED)[number];

const lengthOf = (what: string, least: number) =>
  z
    .number(`${what} is a number of mm.`)
    .min(least, `${what} is at least ${least} mm.`)
    .max(3000, `${what} is at most 3 m.`);

/** The most a strap stretches and still is one: so many times as long. */
const MOST_STRETCH = 1.6;

export const hungSchema = z
  .strictObject({ before: lengthOf('The length before', 20), after: lengthOf('The length after', 20) })
  .refine(
    ({ before, after }) => after >= before,
    'Loaded it cannot be shorter than before: swap the two, or measure again.',
  )
  .refine(
    ({ before, after }) => after <= MOST_STRETCH * before,
    'That is more than 60 % longer: no strap stretches so far.',
  );

/** In two parts, a button on one and holes along the other, so many rows or stitches apart. */
export const byHoles = z.strictObject({
  by: z.literal('holes'),
  holes: count('Button holes', 12, 2),
  apart: count('From hole to hole', 60),
});

export const wornSchema = z.strictObject({
  carried: z.enum(CARRIED),
  /** mm */
  stature: z
    .number('A height is a number of mm.')
    .min(800, 'Someone at least 80 cm tall.')
    .max(2300, 'Someone at most 2.3 m tall.'),
  /** Where the strap lies, above the ground, by the maker's own tape, mm; or else by usual proportions. */
  from: lengthOf('The height of the shoulder, arm or hand', 200).optional(),
});

export const strapsSchema = z.strictObject({
  kind: z.enum(STRAP_KINDS),
  swatch: idSchema,
  /** A panel by its rows that is the strap, in short rows: then its rows decide length, width and swatch. */
  panel: idSchema.optional(),
  /** One over the shoulder from side to side, or one on each face. */
  many: z.union([z.literal(1), z.literal(2)]),
  /** From the rim to the highest point of the strap as it hangs, mm. */
  drop: z
    .number('A drop is a number of mm.')
    .min(20, 'A drop is at least 2 cm.')
    .max(1200, 'A drop is at most 1.2 m.'),
  /** Stitches of the strap's width. */
  wide: count('The width of a strap', 60),
  /** A finished strap before and after it has hung with a load, mm: the maker's own stretch, for what is usual. */
  hung: hungSchema.optional(),
  /** How its length can be changed when the bag is done. */
  adjust: z
    .discriminatedUnion('by', [
      byHoles,
      /** Through a slide and back to it. */
      z.strictObject({ by: z.literal('slide') }),
    ])
    .optional(),
  /** How it is carried, and by whom. */
  worn: wornSchema.optional(),
});
export type Straps = z.infer<typeof strapsSchema>;
