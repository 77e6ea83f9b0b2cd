import {
  type BagGraph,
  type GraphProblem,
  type Inside,
  insideOf,
  MEASURES,
  mismatches,
} from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type Construction, familyOf } from '../families/index.ts';
import { withFeatures } from '../features/index.ts';
import {
  type Asked,
  type FinishedSizes,
  finishedSizes,
  isMixed,
  joinMix,
  type Lengths,
  lengthsOf,
  type MaterialOptions,
  type SizeTable,
  sizeTable,
} from '../fit/index.ts';
import { type LineMatch, lineMatches, type MarkedEdge, markedEdges } from '../match/index.ts';
import { type JoiningGraph, joiningGraph } from '../runs/index.ts';
import { standingRows } from './standing-rows.ts';
import { graphTrouble, sizeTrouble } from './trouble.ts';

/** A bag as it is built, before anything is hung on it, with what follows from its shape alone. */
export interface BuiltBag {
  readonly table: SizeTable;
  /** The construction with every "as many as it takes" as a count. */
  readonly settled: Construction;
  readonly graph: BagGraph;
  readonly finished: FinishedSizes;
  /** What it has room for. */
  readonly inside: Inside;
  readonly lines: readonly LineMatch[];
  readonly marked: readonly MarkedEdge[];
  readonly mismatches: readonly GraphProblem[];
  readonly joining: JoiningGraph;
}

/** A built bag, or why it cannot be built, in a sentence. */
export type Building =
  | { readonly ok: true; readonly bag: BuiltBag }
  | { readonly ok: false; readonly problem: string };

/** The parts of a document that shape the bag: whoever edits anything else gets the same bag back. */
type Shaping = readonly [
  features: BagDocument['features'],
  motifs: BagDocument['motifs'],
  panels: BagDocument['panels'],
  fabrics: BagDocument['fabrics'],
  swatches: BagDocument['swatches'],
  weights: string,
  methods: string,
  strip: BagDocument['joins']['measuredStrip'],
  strap: string | undefined,
];

const shapingOf = ({
  features,
  motifs,
  panels,
  fabrics,
  swatches,
  yarns,
  joins,
  finish,
}: BagDocument): Shaping => [
  features,
  motifs,
  panels,
  fabrics,
  swatches,
  yarns.map(({ id, weight }) => `${id} ${weight}`).join(','),
  `${joins.method} ${Object.entries(joins.lines ?? {}).map(([line, { method = '' }]) => `${line} ${method}`)}`,
  joins.measuredStrip,
  // Whether a panel can be a strap is looked at before anything is built.
  finish?.straps?.panel,
];

/** The last bag built of each construction. Edits keep the parts they do not touch as the same objects. */
const known = new WeakMap<Construction, { readonly shaping: Shaping; readonly building: Building }>();

/** Builds the bag of a document, or gives the one that was built from the same parts before. */
export function builtBag(document: BagDocument): Building {
  const { construction } = document;
  const shaping = shapingOf(document);
  const before = known.get(construction);
  if (before?.shaping.every((part, i) => part === shaping[i])) return before.building;
  const building = build(document);
  known.set(construction, { shaping, building });
  return building;
}

const UNTOLD =
  'The parts of this bag are so small against what its joins take that its size cannot be told. Look at its counts, and at what was measured under Swatch.';

/** The lengths of a bag whose lines are joined by more than one method: which they are shows only once it is built. */
function mixedLengths(document: BagDocument, table: SizeTable): Lengths | undefined {
  if (!isMixed(document)) return undefined;
  const named = new Set<string>();
  const materials = lengthsOf(table, document).materials({ named });
  const family = familyOf(familyOf(document.construction).settle(materials));
  const graph = withFeatures(family.build(materials), document.features ?? {}, materials);
  return lengthsOf(table, document, joinMix(document, table, graph, named));
}

function build(document: BagDocument): Building {
  const table = sizeTable(document);
  const problem = sizeTrouble(document, table);
  if (problem) return { ok: false, problem };
  const lengths = mixedLengths(document, table) ?? lengthsOf(table, document);
  const settled = familyOf(document.construction).settle(lengths.materials({ coarse: true }));
  const family = familyOf(settled);
  const make = (options: MaterialOptions) => {
    const materials = lengths.materials(options);
    return withFeatures(family.build(materials), document.features ?? {}, materials);
  };
  const used = new Set<Asked>();
  const graph = make({ used });
  const trouble = graphTrouble(graph, table.join().value);
  if (trouble) return { ok: false, problem: trouble };
  const finished = finishedSizes(graph, used, make);
  // Parts of a mm can be folded to nothing by the error of a join alone.
  const told = MEASURES.every((what) =>
    Number.isFinite(finished.sizes[what].value + finished.sizes[what].sd),
  );
  if (!told) return { ok: false, problem: UNTOLD };
  return {
    ok: true,
    bag: {
      table,
      settled,
      graph,
      finished,
      inside: insideOf(graph),
      lines: lineMatches(graph),
      marked: markedEdges(graph, standingRows(document)),
      mismatches: mismatches(graph),
      joining: joiningGraph(graph),
    },
  };
}
