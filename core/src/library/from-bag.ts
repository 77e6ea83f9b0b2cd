import type { BagDocument, Weighing } from '../document/index.ts';
import { motifOf, swatchOf, yarnOf } from '../document/look-up.ts';
import { type KeptItem, type LibraryItem, measuredTogether, together } from './item.ts';

/** What of a bag is to be kept. */
export type Keepable = { readonly of: 'swatch' | 'motif'; readonly id: string };

/** A swatch or motif of a bag as an item that is whole on its own. */
export function itemFrom(document: BagDocument, { of, id }: Keepable): LibraryItem {
  const motif = of === 'motif' ? motifOf(document, id) : undefined;
  const { origin: _, ...swatch } = swatchOf(document, motif?.swatch ?? id);
  const weighings = (document.weighings ?? []).filter(({ worked }) =>
    worked.every((part) => part.swatch === swatch.id),
  );
  const yarns = [
    ...new Set([
      swatch.yarn,
      ...(motif?.colourways.flatMap(({ rounds }) => rounds) ?? []),
      ...weighings.flatMap(yarnsOf),
    ]),
  ].map((yarn) => yarnOf(document, yarn));
  const fabric = document.fabrics?.find((one) => one.id === swatch.fabric);
  if (!motif) return { of: 'swatch', yarns, swatch, weighings, ...(fabric && { fabric }) };
  const { origin: __, ...bare } = motif;
  return { of: 'motif', yarns, swatch, motif: bare, weighings, ...(fabric && { fabric }) };
}

const yarnsOf = ({ worked, tails, weighed }: Weighing): string[] => [
  ...[...worked, ...tails].map(({ yarn }) => yarn),
  ...(weighed.of === 'ball' ? [weighed.yarn] : []),
];

/** What two weighings are told apart by: what was weighed, and what it weighed. */
export const weighingKey = ({ what, weighed }: Weighing): string =>
  JSON.stringify([what, weighed.of === 'thing' ? weighed.grams : [weighed.before, weighed.after]]);

/**
 * An item with what a bag has learnt since it was copied: pieces measured, the swatch counted, weighings. What it is stays as
 * it is in the library.
 *
 * @returns nothing where the bag has learnt nothing that the library does not know.
 */
export function taught(document: BagDocument, { id, item }: KeptItem): LibraryItem | undefined {
  const own = item.of === 'motif' ? document.motifs : document.swatches;
  const copy = own.find(({ origin }) => origin?.id === id);
  if (!copy) return undefined;
  const now = itemFrom(document, { of: item.of, id: copy.id });
  // Another hook: what was measured says nothing of the library's.
  if (now.swatch.hook !== item.swatch.hook || now.swatch.stitch !== item.swatch.stitch) return undefined;
  const { stitches, rows, blocked, rowEnds } = now.swatch;
  const counted = {
    ...(stitches && { stitches }),
    ...(rows && { rows }),
    ...(blocked && { blocked }),
    ...(rowEnds !== undefined && { rowEnds }),
  };
  const weighings = together(item.weighings, renamed(now, item), weighingKey);
  const next: LibraryItem = {
    ...item,
    swatch: { ...item.swatch, ...counted },
    ...(item.motif &&
      now.motif && {
        motif: { ...item.motif, measured: measuredTogether(item.motif.measured, now.motif.measured) },
      }),
    weighings,
  };
  return same(next, item) ? undefined : next;
}

/** Weighings of one item in the names of another: its swatch, and its yarns by name and colour; those of others are left out. */
function renamed(from: LibraryItem, to: LibraryItem): Weighing[] {
  const names = new Map(
    from.yarns.flatMap((yarn) => {
      const own = to.yarns.find((one) => one.name === yarn.name && one.colourName === yarn.colourName);
      return own ? [[yarn.id, own.id] as const] : [];
    }),
  );
  return from.weighings.flatMap((weighing) => inNames(weighing, to.swatch.id, names));
}

/** A weighing with its swatch and yarns called otherwise; nothing where one of them has no other name. */
export function inNames(weighing: Weighing, swatch: string, names: ReadonlyMap<string, string>): Weighing[] {
  if (yarnsOf(weighing).some((yarn) => !names.has(yarn))) return [];
  const name = (yarn: string) => names.get(yarn) ?? yarn;
  const { worked, tails, weighed } = weighing;
  return [
    {
      ...weighing,
      worked: worked.map((part) => ({ ...part, swatch, yarn: name(part.yarn) })),
      tails: tails.map((part) => ({ ...part, yarn: name(part.yarn) })),
      weighed: weighed.of === 'ball' ? { ...weighed, yarn: name(weighed.yarn) } : weighed,
    },
  ];
}

/** Whether two items know the same. */
const same = (a: LibraryItem, b: LibraryItem): boolean => {
  const known = ({ swatch, motif, weighings }: LibraryItem) =>
    JSON.stringify([
      swatch.stitches,
      swatch.rows,
      swatch.blocked,
      swatch.rowEnds,
      motif?.measured,
      weighings.map(weighingKey),
    ]);
  return known(a) === known(b);
};
