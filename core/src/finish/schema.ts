import { z } from 'zod';
import { count } from '../families/shared/body.ts';

/** How a strap is made. */
export const STRAP_KINDS = ['rows', 'along', 'tube', 'doubled', 'chained', 'edge'] as const;
export type StrapKind = (typeof STRAP_KINDS)[number];

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
  /** How much longer it gets under load, per cent; the maker's own hang test, or what is usual. */
  stretch: z.number().min(0, 'Straps do not shrink.').max(60, 'More than 60 % is no strap.').optional(),
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
