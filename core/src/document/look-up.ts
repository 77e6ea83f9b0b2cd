import { must } from '../geometry/index.ts';
import type { BagDocument } from './schema.ts';
import type { Straps } from './strap-schema.ts';

/*
 * What one part of a document names, another part has: the schema lets no document through in which it is not so.
 * Whoever looks something up therefore gets it, and a name that is not there is a fault of the program.
 */

type Yarns = Pick<BagDocument, 'yarns'>;
type Swatches = Pick<BagDocument, 'swatches'>;

export const yarnOf = ({ yarns }: Yarns, id: string) =>
  must(
    yarns.find((yarn) => yarn.id === id),
    `yarn “${id}”`,
  );

export const swatchOf = ({ swatches }: Swatches, id: string) =>
  must(
    swatches.find((swatch) => swatch.id === id),
    `swatch “${id}”`,
  );

export const motifOf = ({ motifs }: Pick<BagDocument, 'motifs'>, id: string) =>
  must(
    motifs.find((motif) => motif.id === id),
    `motif “${id}”`,
  );

export const panelOf = ({ panels = [] }: Pick<BagDocument, 'panels'>, id: string) =>
  must(
    panels.find((panel) => panel.id === id),
    `panel “${id}”`,
  );

/** Every panel by its rows that some part of the bag is made of. */
export const panelsUsed = ({
  construction,
  features,
  finish,
}: Pick<BagDocument, 'construction' | 'features' | 'finish'>): string[] =>
  panelsIn([construction, features, finish]);

/** The panels by their rows that a part of a document is made of. */
export const panelsIn = (part: unknown): string[] => namedIn(part, 'panel');

/** Everything a part of a document names under a key. */
function namedIn(part: unknown, key: string): string[] {
  if (typeof part !== 'object' || part === null) return [];
  return Object.entries(part).flatMap(([own, value]) =>
    own === key && typeof value === 'string' ? [value] : namedIn(value, key),
  );
}

/** The swatches that something of a bag is worked in, or as large as. */
export const swatchesUsed = ({
  construction,
  features,
  finish,
  motifs,
  panels,
}: Pick<BagDocument, 'construction' | 'features' | 'finish' | 'motifs' | 'panels'>): string[] =>
  namedIn([construction, features, finish, motifs, panels], 'swatch');

/** The swatch that straps are worked in: that of the panel they are, or their own. */
export const strapSwatch = (document: Pick<BagDocument, 'panels'>, { panel, swatch }: Straps): string =>
  panel === undefined ? swatch : panelOf(document, panel).swatch;

/** What a part of the bag can be made of, for whoever chooses. */
export const choicesOf = ({
  motifs,
  swatches,
  panels = [],
}: Pick<BagDocument, 'motifs' | 'swatches' | 'panels'>) => ({
  motifs: motifs.map(({ id, name, kind, making }) => ({
    id,
    name,
    kind,
    ...(making?.of === 'rounds' ? { ownRounds: making.rounds.length } : {}),
  })),
  swatches,
  panels,
});

/** The yarn that a swatch is worked in. */
export const yarnOfSwatch = (document: Yarns & Swatches, swatch: string) =>
  yarnOf(document, swatchOf(document, swatch).yarn);

/** The yarn of what is worked onto the bag: its swatch's, or that of the joins where no swatch is chosen. */
export const yarnOfTrim = (document: BagDocument, swatch: string | undefined) =>
  swatch === undefined ? yarnOf(document, document.joins.yarn) : yarnOfSwatch(document, swatch);

/** The swatch that is put in first, where a fabric is wanted and none is chosen yet: every bag has one. */
export const firstSwatch = ({ swatches }: { readonly swatches: ReadonlyArray<{ readonly id: string }> }) =>
  must(swatches[0], 'swatch').id;
