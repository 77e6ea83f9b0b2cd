import { idFrom, idSchema } from '../../fields/index.ts';
import { withLastingLines } from './line-names.ts';
import { isRaw, mapRaw, type Raw, rawList } from './raw.ts';

const KINDS = { yarn: 'yarns', swatch: 'swatches', motif: 'motifs' } as const;
type Kind = keyof typeof KINDS;

/** New ids for those that have more than letters, digits, - and _: some of them broke the plan. */
function newIds(document: Raw, kind: Kind): ReadonlyMap<string, string> {
  const ids = rawList(document[KINDS[kind]]).flatMap(({ id }) => (typeof id === 'string' ? [id] : []));
  const taken = new Set(ids.filter((id) => idSchema.safeParse(id).success));
  const renamed = new Map<string, string>();
  for (const id of ids) {
    if (taken.has(id) || renamed.has(id)) continue;
    renamed.set(id, idFrom(id, [...taken, ...renamed.values()]));
  }
  return renamed;
}

/** Ids in plain letters, wherever they are pointed at. */
function withPlainIds(document: Raw): Raw {
  const renamed = {
    yarn: newIds(document, 'yarn'),
    swatch: newIds(document, 'swatch'),
    motif: newIds(document, 'motif'),
  };
  if (Object.values(renamed).every(({ size }) => size === 0)) return document;
  const swap = (kind: Kind, id: unknown) => (typeof id === 'string' ? (renamed[kind].get(id) ?? id) : id);
  const own = (kind: Kind) =>
    rawList(document[KINDS[kind]]).map((one) => ({ ...one, id: swap(kind, one.id) }));
  const pointed = mapRaw(
    { ...document, yarns: own('yarn'), swatches: own('swatch'), motifs: own('motif') },
    (holder) => {
      const next: Record<string, unknown> = { ...holder };
      for (const kind of ['yarn', 'swatch', 'motif'] as const)
        if (kind in next) next[kind] = swap(kind, next[kind]);
      // A colourway's rounds are yarns; a face's or a measurement's are a number.
      if (Array.isArray(next.rounds)) next.rounds = next.rounds.map((yarn) => swap('yarn', yarn));
      return next;
    },
  );
  return isRaw(pointed) ? pointed : document;
}

/** What the chain at the start of a row or round stands for was called a school, as the orders of joining are. */
function withTurnings(document: Raw): Raw {
  const renamed = (list: unknown) =>
    Array.isArray(list)
      ? list.map((one) => {
          if (!isRaw(one) || !('school' in one)) return one;
          const { school, ...rest } = one;
          return { ...rest, turning: school };
        })
      : list;
  return { ...document, swatches: renamed(document.swatches), motifs: renamed(document.motifs) };
}

/**
 * Since version 2 ids are in plain letters, lines are called by what they are, and what a turning chain stands for has
 * a name of its own.
 */
export const fromVersion1 = (document: Raw): Raw => withTurnings(withLastingLines(withPlainIds(document)));
