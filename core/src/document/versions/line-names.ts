import { type Construction, constructionSchema, familyOf, type Materials } from '../../families/index.ts';
import { LIMITS } from '../../fields/index.ts';
import {
  isSquare,
  MOTIF_KINDS,
  type MotifDefinition,
  type MotifKind,
  motifShape,
  sideLoops,
} from '../../motif/index.ts';
import { mm } from '../../units/index.ts';
import { isRaw, type Raw, rawList } from './raw.ts';

/** Any size will do: which edges meet does not hang on how long they are. */
const SIDE = 100;
const STITCH = 5;

/** Sizes to build a bag by whose lines alone are wanted. */
function plainMaterials(document: Raw): Materials {
  const motifs = rawList(document.motifs);
  const swatches = rawList(document.swatches);
  const kindOf = (id: string): MotifKind =>
    MOTIF_KINDS.find((kind) => motifs.some((motif) => motif.id === id && motif.kind === kind)) ?? 'cluster';
  const definition = (id: string): MotifDefinition => ({ kind: kindOf(id), cornerChains: 2, gapChains: 0 });
  const firstOf = (list: readonly Raw[]) => list.map(({ id }) => String(id))[0];
  const materials: Materials = {
    coarse: false,
    get nominal() {
      return materials;
    },
    motifSide: () => mm(SIDE),
    joinedSide: () => mm(SIDE),
    motifLoops: (motif, rounds) => sideLoops(definition(motif), rounds),
    motifShape: (motif, rounds) => motifShape(definition(motif), rounds, SIDE, 2 * rounds),
    motifKind: kindOf,
    motifRounds: () => ({ from: 1, to: LIMITS.rounds }),
    hasRows: () => false,
    panel: () => {
      throw new Error('A bag of version 1 has no panels by their rows.');
    },
    join: () => mm(0),
    pitch: () => mm(STITCH),
    rowHeight: () => mm(STITCH),
    rowEndRate: () => 1,
    fabric: () => undefined,
    stripSwatch: () => firstOf(swatches) ?? '',
    anyMotif: () => motifs.map(({ id }) => String(id)).find((id) => isSquare(kindOf(id))),
  };
  return materials;
}

/** Lines of version 1 that were named by counting, by what they are called since, and how they were counted. */
const COUNTED: ReadonlyArray<{ readonly now: RegExp; readonly before: (n: number) => string }> = [
  { now: /^(?:level|upright|rising|falling|x|y)\/-?\d+$/, before: (n) => `flat-${n}` },
  { now: /^pair\//, before: (n) => `pair-${n + 1}` },
  { now: /^seam\//, before: (n) => `seam-${n}` },
  { now: /^front\/(?!column|row)/, before: (n) => `front-${n}` },
  { now: /^back\/(?!column|row)/, before: (n) => `back-${n}` },
];

/** What each line of a bag was called in version 1, and what it is called since. */
function renamedLines(construction: Construction, materials: Materials): ReadonlyMap<string, string> {
  const settled = familyOf(construction).settle(materials);
  const { lines } = familyOf(settled).build(materials);
  return new Map(
    COUNTED.flatMap(({ now, before }) =>
      lines.filter(({ id }) => now.test(id)).map(({ id }, n): [string, string] => [before(n), id]),
    ),
  );
}

/**
 * Choices for single lines by the names that lines have since version 2: what they are, and no longer by counting.
 */
export function withLastingLines(document: Raw): Raw {
  const { joins } = document;
  if (!isRaw(joins) || (!('lines' in joins) && !('last' in joins))) return document;
  const construction = constructionSchema.safeParse(document.construction);
  if (!construction.success) return document;
  const renamed = renamedLines(construction.data, plainMaterials(document));
  const nameOf = (line: string) => renamed.get(line) ?? line;
  const lines = isRaw(joins.lines)
    ? Object.fromEntries(Object.entries(joins.lines).map(([line, how]) => [nameOf(line), how]))
    : joins.lines;
  const last =
    isRaw(joins.last) && typeof joins.last.line === 'string'
      ? { ...joins.last, line: nameOf(joins.last.line) }
      : joins.last;
  return {
    ...document,
    joins: {
      ...joins,
      ...(lines === undefined ? {} : { lines }),
      ...(last === undefined ? {} : { last }),
    },
  };
}
