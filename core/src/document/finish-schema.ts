import { z } from 'zod';
import { count } from '../fields/index.ts';
import { strapsSchema } from './strap-schema.ts';

const closureSchema = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('button'),
    diameter: z.number().min(5).max(100),
    many: count('Buttons', 12),
  }),
  /** Holes in the front's edge, buttons behind; `diameter` is a button's, mm. */
  z.strictObject({
    of: z.literal('holes'),
    diameter: z.number().min(5).max(100),
    many: count('Button holes', 12),
  }),
  z.strictObject({ of: z.literal('zip') }),
  z.strictObject({ of: z.literal('magnet') }),
  z.strictObject({ of: z.literal('toggle'), length: z.number().min(10).max(150) }),
  z.strictObject({ of: z.literal('eyelets'), perFace: count('Eyelets on each face', 30) }),
]);
export type Closure = z.infer<typeof closureSchema>;

const liningSchema = z.discriminatedUnion('of', [
  /** Cut from cloth, with a seam allowance in mm. */
  z.strictObject({ of: z.literal('cloth'), allowance: z.number().min(3).max(40) }),
  /** A ready-made bag set in, pressed flat, mm. */
  z.strictObject({
    of: z.literal('ready'),
    width: z.number().min(20).max(2000),
    height: z.number().min(20).max(2000),
  }),
]);
export type Lining = z.infer<typeof liningSchema>;

/** What is put on the joined bag. */
export const finishSchema = z.strictObject({
  straps: strapsSchema.optional(),
  closure: closureSchema.optional(),
  lining: liningSchema.optional(),
});
export type Finish = z.infer<typeof finishSchema>;
