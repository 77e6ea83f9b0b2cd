import type { BagDocument, Motif, Swatch, Weighing } from '../document/index.ts';
import { idFrom, LIMITS } from '../fields/index.ts';
import { SAME_HOOK } from '../gauge/index.ts';
import { plainWord } from '../stash/index.ts';
import { inNames, weighingKey } from './from-bag.ts';
import { type KeptItem, type LibraryItem, measuredTogether, together } from './item.ts';

/** A bag with a copy of an item, that knows where it came from. What it is worked in comes along; yarn that is there already is used. */
export function withItem(document: BagDocument, { id, version, item }: KeptItem): BagDocument {
  const origin = { id, version };
  const { document: next, names } = withYarns(document, item);
  const fabrics = next.fabrics ?? [];
  const { fabric } = item;
  const sameFabric =
    fabric &&
    fabrics.find((one) => one.name === fabric.name && one.rows === fabric.rows && one.terms === fabric.terms);
  const ownFabric =
    fabric &&
    (sameFabric ?? {
      ...fabric,
      id: idFrom(
        fabric.id,
        fabrics.map((one) => one.id),
      ),
    });
  const { fabric: _, ...bare } = item.swatch;
  const swatch: Swatch = {
    ...bare,
    id: idFrom(
      bare.id,
      next.swatches.map((one) => one.id),
    ),
    yarn: names.get(bare.yarn) ?? bare.yarn,
    ...(ownFabric && { fabric: ownFabric.id }),
    ...(item.of === 'swatch' && { origin }),
  };
  const known = item.of === 'motif' ? next.swatches.find((one) => alike(one, swatch)) : undefined;
  const worked = known ?? swatch;
  return withWeighings(
    {
      ...next,
      ...(ownFabric && !sameFabric && { fabrics: [...fabrics, ownFabric] }),
      swatches: known ? next.swatches : [...next.swatches, swatch],
      ...(item.motif && { motifs: [...next.motifs, copied(item.motif, next, worked.id, names, origin)] }),
    },
    item,
    worked.id,
    names,
  );
}

/** Whether two swatches are the same but for their names. */
function alike(a: Swatch, b: Swatch): boolean {
  const key = ({ id, name, origin, ...rest }: Swatch) => JSON.stringify(Object.entries(rest).sort());
  return key(a) === key(b);
}

const copied = (
  motif: Motif,
  { motifs }: BagDocument,
  swatch: string,
  names: ReadonlyMap<string, string>,
  origin: NonNullable<Motif['origin']>,
): Motif => ({
  ...motif,
  id: idFrom(
    motif.id,
    motifs.map((one) => one.id),
  ),
  swatch,
  colourways: motif.colourways.map((way) => ({
    ...way,
    rounds: way.rounds.map((yarn) => names.get(yarn) ?? yarn),
  })),
  origin,
});

/** A bag with the yarns of an item, and what each is called there. */
function withYarns(document: BagDocument, { yarns }: LibraryItem) {
  const names = new Map<string, string>();
  const all = [...document.yarns];
  for (const yarn of yarns) {
    const own = all.find(
      (one) =>
        plainWord(one.name) === plainWord(yarn.name) &&
        plainWord(one.colourName) === plainWord(yarn.colourName),
    );
    const id =
      own?.id ??
      idFrom(
        yarn.id,
        all.map((one) => one.id),
      );
    names.set(yarn.id, id);
    if (!own) all.push({ ...yarn, id });
  }
  return { document: all.length > document.yarns.length ? { ...document, yarns: all } : document, names };
}

/** A bag with the weighings of an item that it does not have. */
function withWeighings(
  document: BagDocument,
  { weighings }: LibraryItem,
  swatch: string,
  names: ReadonlyMap<string, string>,
): BagDocument {
  const before = document.weighings ?? [];
  const own = before.filter(({ worked }) => worked.every((part) => part.swatch === swatch));
  const added = together(
    own,
    weighings.flatMap((one) => inNames(one, swatch, names)),
    weighingKey,
  ).slice(own.length);
  if (added.length === 0) return document;
  const taken = new Set(before.map(({ id }) => id));
  const fresh = added.map((one): Weighing => {
    const id = idFrom(one.id, taken);
    taken.add(id);
    return { ...one, id };
  });
  return { ...document, weighings: [...before, ...fresh].slice(0, LIMITS.weighings) };
}

/**
 * A bag with what the library has learnt of something it has a copy of: pieces measured, counts, weighings. Colours, rounds
 * and names stay the bag's.
 */
export function withLessons(document: BagDocument, kept: KeptItem): BagDocument {
  const { item } = kept;
  const copies: ReadonlyArray<Swatch | Motif> = item.of === 'motif' ? document.motifs : document.swatches;
  return copies
    .filter(({ origin }) => origin?.id === kept.id)
    .reduce(
      (doc, copy) => taughtOne(doc, kept, 'swatch' in copy ? copy.swatch : copy.id),
      seenVersion(document, kept),
    );
}

function taughtOne(document: BagDocument, { id, item }: KeptItem, swatch: string): BagDocument {
  const own = document.swatches.find((one) => one.id === swatch);
  if (!own) return document;
  const { stitches, rows, blocked, rowEnds } = item.swatch;
  // Counted with another hook, they are told so.
  const hook = Math.abs(item.swatch.hook - own.hook) < SAME_HOOK ? undefined : item.swatch.hook;
  const marked = <T extends { readonly hook?: number | undefined }>(one: T): T =>
    hook === undefined ? one : { ...one, hook: one.hook ?? hook };
  const counts =
    item.swatch.stitch === own.stitch
      ? {
          ...(stitches && { stitches: marked(stitches) }),
          ...(rows && { rows: marked(rows) }),
          ...(blocked && { blocked: { stitches: marked(blocked.stitches), rows: marked(blocked.rows) } }),
          ...(rowEnds !== undefined && { rowEnds }),
        }
      : {};
  const measured = item.motif?.measured.map(marked) ?? [];
  const { names } = withYarns(document, item);
  const there = new Set(document.yarns.map((yarn) => yarn.id));
  const known = new Map([...names].filter(([, name]) => there.has(name)));
  return withWeighings(
    {
      ...document,
      swatches: document.swatches.map((one) => (one.id === swatch ? { ...one, ...counts } : one)),
      motifs: document.motifs.map((motif) =>
        motif.origin?.id === id
          ? { ...motif, measured: measuredTogether(motif.measured, measured).slice(0, LIMITS.measured) }
          : motif,
      ),
    },
    item,
    swatch,
    known,
  );
}

/** A bag that has seen a version of an item, and leaves what was new in it. */
export function seenVersion(
  document: BagDocument,
  { id, version }: Pick<KeptItem, 'id' | 'version'>,
): BagDocument {
  const mark = <T extends Pick<Swatch, 'origin'>>(one: T): T =>
    one.origin?.id === id ? { ...one, origin: { id, version } } : one;
  return { ...document, swatches: document.swatches.map(mark), motifs: document.motifs.map(mark) };
}
