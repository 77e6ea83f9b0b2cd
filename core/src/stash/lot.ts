import { z } from 'zod';
import { amountSchema, ballSchema, currencySchema, gramsSchema, nameSchema } from '../document/index.ts';
import { LIMITS, textSchema } from '../fields/index.ts';

/** So many lots a stash has at most: more than a wool shop. */
export const MOST_LOTS = 20_000;

const short = (what: string) => textSchema(what, LIMITS.name);

/** What a ball holds, without what it costs: that is the lot's. */
const heldSchema = ballSchema.omit({ price: true });

/**
 * Yarn of one name, colour and dye lot that lies somewhere: full balls, and what is left of begun ones.
 */
export const lotSchema = z
  .strictObject({
    yarn: nameSchema,
    colourName: nameSchema,
    colour: z.string().regex(/^#[0-9a-f]{6}$/i, 'A colour is written as # and six hex digits.'),
    weight: z.int('A weight class is a whole number.').min(0).max(7, 'Weight classes run from 0 to 7.'),
    fibre: short('A fibre'),
    /** As the band says; empty where it is lost. */
    dyeLot: short('A dye lot'),
    /** A ball as it is sold; without it, grams say nothing of metres. */
    ball: heldSchema.optional(),
    /** Balls nobody has begun. */
    full: z
      .int('Balls are whole; what is left of one is a part ball.')
      .min(0, 'Not fewer than no ball.')
      .max(1000, 'At most 1000 balls.'),
    /** What is left of begun balls, g each. */
    parts: z.array(gramsSchema).max(60, 'At most 60 part balls in one lot.'),
    /** What one ball cost. */
    price: z.strictObject({ amount: amountSchema, currency: currencySchema }).optional(),
    /** Where it lies. */
    place: short('A place'),
    note: textSchema('A note', LIMITS.note),
  })
  .superRefine(({ ball, full, parts }, context) => {
    if (full > 0 && !ball)
      context.addIssue({
        code: 'custom',
        path: ['full'],
        message: 'What does a full ball weigh? Say it, or give what is left in grams.',
      });
    parts.forEach((grams, i) => {
      if (ball && grams > HEAVIEST * ball.grams)
        context.addIssue({
          code: 'custom',
          path: ['parts', i],
          message: `A part ball of ${grams} g is heavier than a full one of ${ball.grams} g.`,
        });
    });
  });
export type Lot = z.infer<typeof lotSchema>;

/** Balls are wound a little heavier than their band says, and are weighed with it. */
const HEAVIEST = 1.15;

/** What is left of a lot, g. */
export const gramsLeft = ({ ball, full, parts }: Pick<Lot, 'ball' | 'full' | 'parts'>): number =>
  full * (ball?.grams ?? 0) + parts.reduce((sum, grams) => sum + grams, 0);

/** How long so many grams of a lot are, mm; nothing where it is not known what a ball holds. */
export const lengthOfGrams = ({ ball }: Pick<Lot, 'ball'>, grams: number): number | undefined =>
  ball && (1000 * grams * ball.metres) / ball.grams;

/** Two lots of one key are the same yarn from the same bath: how a stash is merged. Neither case nor spaces matter. */
export const lotKey = ({ yarn, colourName, dyeLot }: Pick<Lot, 'yarn' | 'colourName' | 'dyeLot'>): string =>
  [yarn, colourName, dyeLot].map(plainWord).join('\n');

/** A name as it is compared. */
export const plainWord = (text: string): string =>
  text.normalize('NFC').trim().replaceAll(/\s+/g, ' ').toLocaleLowerCase('en');

/** A lot as it is kept. */
export const keptLotSchema = z.strictObject({ id: z.uuid(), version: z.int().min(1), lot: lotSchema });
export type KeptLot = z.infer<typeof keptLotSchema>;
