import { z } from 'zod';
import { BUNCHES } from '../fabric/index.ts';
import { LIMITS, textSchema } from '../fields/index.ts';
import { STITCHES } from '../stitches/index.ts';

const roundStitchSchema = z.enum([...STITCHES, ...BUNCHES]);
const several = (most: number, least = 1) =>
  z.int('Stitches and chains are whole.').min(least, `At least ${least}.`).max(most, `At most ${most}.`);
/** What can be said of a round in numbers, each with its bounds. */
export const roundFields = {
  groups: several(24),
  each: several(24),
  between: several(8, 0),
  many: several(3),
  spread: several(48, 0),
  ends: several(4, 0),
  long: several(120),
  arch: several(12),
  over: several(12),
  corner: several(6),
  cornerChains: several(5, 0),
  loops: several(600),
};
const cornerSchema = z.strictObject({ each: roundFields.corner, chains: roundFields.cornerChains });
const turnedIntoSchema = z.union([z.literal(4), z.literal(6)]).optional();

/** A round in the maker's own words. */
export const roundWordsSchema = textSchema('A round', 1000).regex(/^[^\r\n]*$/, 'A round is one line.');

/** One round of a motif of one's own. */
export const motifRoundSchema = z.strictObject({
  stitch: roundStitchSchema,
  hold: z.enum(['both', 'front', 'back']),
  into: z.discriminatedUnion('of', [
    z.strictObject({
      of: z.literal('ring'),
      groups: roundFields.groups,
      each: roundFields.each,
      chains: roundFields.between,
    }),
    z.strictObject({
      of: z.literal('chain'),
      each: roundFields.each,
      long: roundFields.long,
      chains: roundFields.between,
    }),
    z.strictObject({
      of: z.literal('gaps'),
      each: roundFields.each,
      chains: roundFields.between,
      corner: cornerSchema,
      turnedInto: turnedIntoSchema,
    }),
    z.strictObject({
      of: z.literal('each'),
      many: roundFields.many,
      spread: roundFields.spread,
      ends: roundFields.ends.optional(),
      corner: cornerSchema,
      turnedInto: turnedIntoSchema,
    }),
    z.strictObject({ of: z.literal('arches'), chains: roundFields.arch, over: roundFields.over }),
    z.strictObject({
      of: z.literal('petals'),
      petal: z
        .array(roundStitchSchema)
        .min(1, 'A petal has at least one stitch.')
        .max(12, 'A petal has at most 12 stitches.'),
      in: z.enum(['spaces', 'stitches']),
      over: roundFields.over,
    }),
    z.strictObject({
      of: z.literal('written'),
      words: roundWordsSchema,
      terms: z.enum(['us', 'uk']),
    }),
  ]),
});

/** How a motif of one's own is made. */
export const makingSchema = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('rounds'),
    rounds: z
      .array(motifRoundSchema)
      .min(1, 'A motif has at least one round.')
      .max(LIMITS.rounds, `A motif has at most ${LIMITS.rounds} rounds.`),
  }),
  z.strictObject({ of: z.literal('given'), loops: roundFields.loops }),
]);
