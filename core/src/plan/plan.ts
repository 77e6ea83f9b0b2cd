import { cellsOf, type LaidCell, type Task, taskOf } from '../arrange/index.ts';
import { type BagGraph, type GraphProblem, MEASURES, type Measure } from '../bag/index.ts';
import { closurePlan, cordPlan } from '../closure/index.ts';
import { type BagDocument, choicesOf, type Features, type Target } from '../document/index.ts';
import { edgeCounts } from '../edging/index.ts';
import {
  type Construction,
  type Control,
  familyOf,
  type NetEditor,
  type Own,
  ownFromGraph,
} from '../families/index.ts';
import { featureControls } from '../features/index.ts';
import {
  type ContentFit,
  contentFits,
  materialsOf,
  type SizeVariable,
  sizeTable,
  type Tape,
  tapeOf,
} from '../fit/index.ts';
import { must } from '../geometry/index.ts';
import type { LineMatch, MarkedEdge } from '../match/index.ts';
import {
  fewestTrails,
  type HowJoined,
  type JoinOptions,
  type JoinPlan,
  type JoinStep,
  joinSteps,
  planRuns,
  type SchoolSummary,
  schoolsSideBySide,
} from '../runs/index.ts';
import { hangStraps, planBands } from '../strap/index.ts';
import { type StripesPlan, stripesPlan } from '../stripes/index.ts';
import { mm } from '../units/index.ts';
import type { Extras } from '../yarn/index.ts';
import { type BuiltBag, builtBag } from './bag.ts';
import { type Tally, tallyOf } from './tally.ts';

/** Everything that is worked out from a document. */
export interface Plan extends Extras {
  readonly document: BagDocument;
  /** The construction with every "as many as it takes" as a count. */
  readonly settled: Construction;
  readonly familyName: string;
  readonly graph: BagGraph;
  /** What lies in each place of a motif, in the bag's order; and the colourway of each of them, by piece. */
  readonly cells: readonly LaidCell[];
  readonly designs: ReadonlyMap<string, string>;
  readonly sizes: readonly SizeVariable[];
  readonly tapes: readonly Tape[];
  /** What goes in, and what binds. */
  readonly contents: readonly ContentFit[];
  readonly lines: readonly LineMatch[];
  readonly marked: readonly MarkedEdge[];
  readonly mismatches: readonly GraphProblem[];
  readonly joins: JoinPlan;
  // Worked out when first asked for: only one station shows them.
  readonly steps: () => readonly JoinStep[];
  readonly schools: () => readonly SchoolSummary[];
  /** Euler's bound on the runs of this bag in whatever order. */
  readonly fewestRuns: () => number;
  readonly tally: Tally;
  /** The colours of each panel by its rows, and how stripes meet where panels are joined. */
  readonly stripes: () => StripesPlan;
  /** Which design could go where, and what sees what. */
  readonly arranging: () => Task;
}

/** Remembers what `make` made. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/** A document worked out, or why it cannot be, in a sentence for its maker. */
export type Planned =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problem: string };

/**
 * Works everything out anew. Pure, and quick enough to run after every edit. Total: whatever the schema takes gives
 * finite figures, or a sentence that says why it cannot be a bag.
 */
export function planned(document: BagDocument): Planned {
  const building = builtBag(document);
  return building.ok ? { ok: true, plan: worked(document, building.bag) } : building;
}

/**
 * The plan of a document that is known to have one.
 * @throws with the sentence of `planned` where it has none.
 */
export function planOf(document: BagDocument): Plan {
  const answer = planned(document);
  if (!answer.ok) throw new Error(answer.problem);
  return answer.plan;
}

/** Works out everything that follows from a bag and the rest of its document. */
function worked(document: BagDocument, bag: BuiltBag): Plan {
  const { settled, lines, marked, joining, inside } = bag;
  const { sizes, rests } = bag.finished;
  const { graph, straps, drop } = hangStraps(bag.graph, document, bag.table);
  const cells = cellsOf(document, graph);
  const designs = new Map(cells.map(({ piece, design }) => [piece, design]));
  const edges = edgeCounts(graph);
  const contents = contentFits({ ...inside, opening: sizes.opening.value }, document.brief.contents ?? []);
  const extras: Extras = {
    edges,
    straps,
    bands: planBands(graph, document, bag.table),
    closure: closurePlan(document, graph, edges, contents),
    cord: cordPlan(graph, edges[0], sizes.opening.value),
  };
  const insertions = lines.reduce((sum, { a, b }) => sum + Math.min(a.loops, b.loops), 0);
  const joinOptions = joinOptionsOf(document);
  const joins = planRuns(graph, joining, joinOptions);
  return {
    document,
    settled,
    familyName: familyOf(settled).name,
    graph,
    cells,
    designs,
    sizes: rests,
    tapes: [
      ...MEASURES.map((measure) => tapeOf(measure, sizes[measure], targetOf(document, graph, measure))),
      ...(drop ? [tapeOf('strapDrop', drop, document.brief.strapDrop)] : []),
    ],
    contents,
    lines,
    marked,
    mismatches: bag.mismatches,
    joins,
    ...extras,
    steps: once(() => joinSteps(graph, joining, joins)),
    schools: once(() => schoolsSideBySide(graph, joining, joinOptions)),
    fewestRuns: once(() => fewestTrails(joining.all)),
    stripes: once(() => stripesPlan(document, graph)),
    arranging: once(() => taskOf(document, graph, cells)),
    tally: tallyOf(document, graph, designs, joins, insertions, extras),
  };
}

/** How far a cover may stay under the bag it is drawn over, as a share: so much it stretches by itself. */
const COVER_STRETCH = 0.04;

/**
 * What a measure should come to: the brief's word, or else the ready-made bag that is to be covered. A cover must
 * come out a little under, never over.
 */
function targetOf({ brief }: BagDocument, { covers }: BagGraph, measure: Measure): Target | undefined {
  const wanted = brief[measure];
  if (wanted || !covers || measure === 'opening') return wanted;
  const size = covers[measure];
  if (size < 1) return undefined;
  return { value: mm(size * (1 - COVER_STRETCH / 2)), tolerance: (size * COVER_STRETCH) / 2 };
}

/** How the document wants its joins worked. */
function joinOptionsOf({ joins }: BagDocument): JoinOptions {
  const { method, yarn, school, flatFirst, lines = {}, last, longest } = joins;
  const known = new Map<string, HowJoined>();
  return {
    school,
    flatFirst,
    last,
    longest,
    how: (line) => {
      const own = lines[line];
      const found = known.get(line) ?? { method: own?.method ?? method, yarn: own?.yarn ?? yarn };
      known.set(line, found);
      return found;
    },
  };
}

/** The family's controls for the document as it stands. */
export function controlsOf(document: BagDocument): Control<Construction>[] {
  return familyOf(document.construction).controls(
    materialsOf(sizeTable(document), document),
    choicesOf(document),
  );
}

/** The controls of what goes onto the bag. */
export const featureControlsOf = ({ document, graph }: Plan): Control<Features>[] =>
  featureControls(
    document.features ?? {},
    graph,
    materialsOf(sizeTable(document), document),
    choicesOf(document),
  );

/** The editor of the net, where the family has one. */
export const netEditorOf = (document: BagDocument): NetEditor<Construction> | undefined =>
  familyOf(document.construction).editor(materialsOf(sizeTable(document), document));

/** The bag as a net of the maker's own, where it is of one kind of square and folds across. */
export const ownOf = ({ document, graph }: Plan): Own | undefined =>
  ownFromGraph(graph, must(document.swatches[0], 'swatch').id, materialsOf(sizeTable(document), document));
