import { z } from 'zod';
import {
  fabricSchema,
  type Motif,
  motifSchema,
  swatchSchema,
  weighingSchema,
  yarnSchema,
} from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';

/** So many swatches and motifs a library has at most. */
export const MOST_ITEMS = 2000;

/**
 * A swatch or a motif of the maker's, whole on its own: with the yarn it is worked in, its fabric, and what was weighed of
 * it. Ids are those of the bag it was kept from; they point at each other only.
 */
export const libraryItemSchema = z
  .strictObject({
    of: z.enum(['swatch', 'motif']),
    yarns: z.array(yarnSchema).min(1).max(LIMITS.yarns),
    fabric: fabricSchema.optional(),
    swatch: swatchSchema,
    motif: motifSchema.optional(),
    weighings: z.array(weighingSchema).max(LIMITS.weighings),
  })
  .superRefine(({ of, yarns, fabric, swatch, motif, weighings }, context) => {
    const has = new Set(yarns.map(({ id }) => id));
    const named = [
      swatch.yarn,
      ...(motif?.colourways.flatMap(({ rounds }) => rounds) ?? []),
      ...weighings.flatMap(({ worked, tails, weighed }) => [
        ...[...worked, ...tails].map(({ yarn }) => yarn),
        ...(weighed.of === 'ball' ? [weighed.yarn] : []),
      ]),
    ];
    const wrong = (message: string) => context.addIssue({ code: 'custom', path: [], message });
    if (has.size < yarns.length) wrong('A yarn is there twice.');
    for (const yarn of new Set(named)) if (!has.has(yarn)) wrong(`Its yarn “${yarn}” is not in it.`);
    if (swatch.fabric !== fabric?.id) wrong('Its fabric is not in it.');
    if ((of === 'motif') !== (motif !== undefined)) wrong('It is a motif without one, or a swatch with one.');
    if (motif && motif.swatch !== swatch.id) wrong('The motif is worked in another swatch.');
    for (const { worked } of weighings)
      if (worked.some((part) => part.swatch !== swatch.id)) wrong('What was weighed is of another swatch.');
  });
export type LibraryItem = z.infer<typeof libraryItemSchema>;

/** An item as it is kept. */
export const keptItemSchema = z.strictObject({
  id: z.uuid(),
  version: z.int().min(1),
  item: libraryItemSchema,
});
export type KeptItem = z.infer<typeof keptItemSchema>;

/** What an item is called. */
export const itemName = ({ swatch, motif }: LibraryItem): string => motif?.name ?? swatch.name;

/** Sizes of finished pieces, each as often as either list has it. */
export function measuredTogether(a: Motif['measured'], b: Motif['measured']): Motif['measured'] {
  return together(a, b, ({ rounds, size, blocked, hook }) => JSON.stringify([rounds, size, blocked, hook]));
}

/** Two lists together: what both have as often as the one that has it oftener. In the order of the first. */
export function together<T>(a: readonly T[], b: readonly T[], key: (one: T) => string): T[] {
  const had = new Map<string, number>();
  for (const one of a) had.set(key(one), (had.get(key(one)) ?? 0) + 1);
  return [
    ...a,
    ...b.filter((one) => {
      const left = had.get(key(one)) ?? 0;
      if (left > 0) had.set(key(one), left - 1);
      return left === 0;
    }),
  ];
}
