import type { BagDocument, Yarn } from '../document/index.ts';
import { swatchOf, yarnOf } from '../document/look-up.ts';
import { freeId, LIMITS } from '../fields/index.ts';

/** What of a bag can be tried in other colours by itself. */
export const TRIED = ['joins', 'edge', 'straps'] as const;
export type Tried = (typeof TRIED)[number];

/** The swatch a part is worked in; nothing of a part that is not there, or that rows of their own make. */
function swatchIn({ features, finish }: BagDocument, part: Exclude<Tried, 'joins'>): string | undefined {
  if (part === 'edge') return features?.edge?.swatch;
  return finish?.straps?.panel === undefined ? finish?.straps?.swatch : undefined;
}

/** The yarn a part is worked in; nothing where the part is not there. */
export function triedYarn(document: BagDocument, part: Tried): string | undefined {
  if (part === 'joins') return document.joins.yarn;
  const swatch = swatchIn(document, part);
  return swatch === undefined ? undefined : swatchOf(document, swatch).yarn;
}

/**
 * Yarns a part can be tried in. A join may be of any; what is worked in a swatch keeps its gauge only in another colour of
 * the same yarn.
 */
export function triedYarns(document: BagDocument, part: Tried): Yarn[] {
  const own = triedYarn(document, part);
  if (own === undefined) return [];
  const { name, weight } = yarnOf(document, own);
  return document.yarns.filter((yarn) => part === 'joins' || (yarn.name === name && yarn.weight === weight));
}

/**
 * The document with one part in another colour, and nothing else: a part that is worked in a swatch gets that swatch in
 * the colour, a copy of it where there is none.
 */
export function triedIn(document: BagDocument, part: Tried, yarn: string): BagDocument {
  if (part === 'joins') return { ...document, joins: { ...document.joins, yarn } };
  const id = swatchIn(document, part);
  if (id === undefined) return document;
  const { id: _, name, yarn: before, ...rest } = swatchOf(document, id);
  if (before === yarn) return document;
  const same = document.swatches.find(({ id: other, name: __, yarn: own, ...more }) => {
    return other !== id && own === yarn && JSON.stringify(more) === JSON.stringify(rest);
  });
  const [plain] = name.split(', in ');
  const fresh = same ?? {
    ...rest,
    id: freeId(
      id,
      document.swatches.map((swatch) => swatch.id),
    ),
    name: `${plain}, in ${yarnOf(document, yarn).colourName}`.slice(0, LIMITS.name).trim(),
    yarn,
  };
  const swatches = same ? document.swatches : [...document.swatches, fresh];
  const { features, finish } = document;
  return part === 'edge'
    ? {
        ...document,
        swatches,
        features: { ...features, ...(features?.edge && { edge: { ...features.edge, swatch: fresh.id } }) },
      }
    : {
        ...document,
        swatches,
        finish: { ...finish, ...(finish?.straps && { straps: { ...finish.straps, swatch: fresh.id } }) },
      };
}
