import { z } from 'zod';
import { count } from '../fields/index.ts';
import { strapsSchema } from './strap-schema.ts';

const many = (what: string) => count(what, 12);
const diameter = z
  .number('A button’s size is a number of mm.')
  .min(5, 'A button is at least 5 mm across.')
  .max(100, 'A button is at most 10 cm across.');

/** How far apart the rims of the full bag are, where the maker says so, mm. */
const over = z
  .number('How thick the full bag is is a number of mm.')
  .min(0, 'How thick the full bag is cannot be less than nothing.')
  .max(600, 'A full bag is at most 60 cm thick.')
  .optional();

/** What can close a bag, by what it is. */
export const closures = {
  button: z.strictObject({ of: z.literal('button'), diameter, many: many('Buttons'), over }),
  /** Holes in the front's edge, buttons behind; `diameter` is a button's, mm. */
  holes: z.strictObject({ of: z.literal('holes'), diameter, many: many('Button holes') }),
  zip: z.strictObject({ of: z.literal('zip') }),
  magnet: z.strictObject({ of: z.literal('magnet') }),
  toggle: z.strictObject({
    of: z.literal('toggle'),
    length: z
      .number('A toggle’s length is a number of mm.')
      .min(10, 'A toggle is at least 1 cm long.')
      .max(150, 'A toggle is at most 15 cm long.'),
    over,
  }),
  eyelets: z.strictObject({ of: z.literal('eyelets'), perFace: count('Eyelets on each face', 30) }),
};
const closureSchema = z.discriminatedUnion('of', [
  closures.button,
  closures.holes,
  closures.zip,
  closures.magnet,
  closures.toggle,
  closures.eyelets,
]);
export type Closure = z.infer<typeof closureSchema>;

const readyMade = (what: string) =>
  z
    .number(`${what} is a number of mm.`)
    .min(20, `${what} is at least 2 cm.`)
    .max(2000, `${what} is at most 2 m.`);

/** What a bag can be lined with. */
export const linings = {
  /** Cut from cloth, with a seam allowance in mm. */
  cloth: z.strictObject({
    of: z.literal('cloth'),
    allowance: z
      .number('A seam allowance is a number of mm.')
      .min(3, 'A seam allowance is at least 3 mm.')
      .max(40, 'A seam allowance is at most 4 cm.'),
  }),
  /** A ready-made bag set in, pressed flat, mm. */
  ready: z.strictObject({
    of: z.literal('ready'),
    width: readyMade('The width of the ready-made bag'),
    height: readyMade('The height of the ready-made bag'),
  }),
};
const liningSchema = z.discriminatedUnion('of', [linings.cloth, linings.ready]);
export type Lining = z.infer<typeof liningSchema>;

/** What is put on the joined bag. */
export const finishSchema = z.strictObject({
  straps: strapsSchema.optional(),
  closure: closureSchema.optional(),
  lining: liningSchema.optional(),
});
export type Finish = z.infer<typeof finishSchema>;
