import { z } from 'zod';
import { count } from '../families/shared/body.ts';

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

const strapsSchema = z.object({
  kind: z.enum(STRAP_KINDS),
  swatch: z.string(),
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
  hung: z
    .object({ before: lengthOf('The length before', 20), after: lengthOf('The length after', 20) })
    .refine(
      ({ before, after }) => after >= before,
      'Straps do not shrink: the length after is the longer one.',
    )
    .refine(({ before, after }) => after <= 1.6 * before, 'More than 60 % longer is no strap any more.')
    .optional(),
  /** How its length can be changed when the bag is done. */
  adjust: z
    .discriminatedUnion('by', [
      /** In two parts, a button on one and holes along the other, so many rows or stitches apart. */
      z.object({
        by: z.literal('holes'),
        holes: count('Button holes', 12, 2),
        apart: count('From hole to hole', 60),
      }),
      /** Through a slide and back to it. */
      z.object({ by: z.literal('slide') }),
    ])
    .optional(),
  /** How it is carried, and by whom. */
  worn: z
    .object({
      carried: z.enum(CARRIED),
      /** mm */
      stature: z
        .number('A height is a number of mm.')
        .min(800, 'Someone at least 80 cm tall.')
        .max(2300, 'Someone at most 2.3 m tall.'),
      /** Where the strap lies, above the ground, by the maker's own tape, mm; or else by usual proportions. */
      from: lengthOf('The height of the shoulder, arm or hand', 200).optional(),
    })
    .optional(),
});
export type Straps = z.infer<typeof strapsSchema>;

const closureSchema = z.discriminatedUnion('of', [
  z.object({ of: z.literal('button'), diameter: z.number().min(5).max(100), many: count('Buttons', 12) }),
  z.object({ of: z.literal('zip') }),
  z.object({ of: z.literal('magnet') }),
  z.object({ of: z.literal('toggle'), length: z.number().min(10).max(150) }),
  z.object({ of: z.literal('eyelets'), perFace: count('Eyelets on each face', 30) }),
]);
export type Closure = z.infer<typeof closureSchema>;

const liningSchema = z.discriminatedUnion('of', [
  /** Cut from cloth, with a seam allowance in mm. */
  z.object({ of: z.literal('cloth'), allowance: z.number().min(3).max(40) }),
  /** A ready-made bag set in, pressed flat, mm. */
  z.object({
    of: z.literal('ready'),
    width: z.number().min(20).max(2000),
    height: z.number().min(20).max(2000),
  }),
]);
export type Lining = z.infer<typeof liningSchema>;

/** What is put on the joined bag. */
export const finishSchema = z.object({
  straps: strapsSchema.optional(),
  closure: closureSchema.optional(),
  lining: liningSchema.optional(),
});
export type Finish = z.infer<typeof finishSchema>;
