import { type BagGraph, type GraphProblem, MEASURES, mismatches } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type Construction, type Control, familyOf } from '../families/index.ts';
import { finishedSizes, materialsOf, type SizeVariable, sizeTable, type Tape, tapeOf } from '../fit/index.ts';
import { type LineMatch, lineMatches, type MarkedEdge, markedEdges } from '../match/index.ts';
import {
  type JoiningGraph,
  type JoinPlan,
  type JoinStep,
  joiningGraph,
  joinSteps,
  planRuns,
  SCHOOLS,
  type School,
} from '../runs/index.ts';
import { designsOf } from './designs.ts';
import { type Tally, tallyOf } from './tally.ts';

/** Runs of one school, for setting schools side by side. */
export interface SchoolSummary {
  readonly school: School;
  readonly flatFirst: boolean;
  readonly runs: number;
  readonly ends: number;
  readonly yarn: number;
}

/** Everything that is worked out from a document. */
export interface Plan {
  readonly document: BagDocument;
  /** The construction with every "as many as it takes" as a count. */
  readonly settled: Construction;
  readonly familyName: string;
  readonly graph: BagGraph;
  readonly designs: ReadonlyMap<string, string>;
  readonly sizes: readonly SizeVariable[];
  readonly tapes: readonly Tape[];
  readonly lines: readonly LineMatch[];
  readonly marked: readonly MarkedEdge[];
  readonly mismatches: readonly GraphProblem[];
  readonly joins: JoinPlan;
  readonly steps: readonly JoinStep[];
  readonly schools: readonly SchoolSummary[];
  readonly tally: Tally;
}

/** Works everything out anew. Pure, and quick enough to run after every edit. */
export function planOf(document: BagDocument): Plan {
  const table = sizeTable(document);
  const settled = familyOf(document.construction).settle(materialsOf(table, document));
  const family = familyOf(settled);
  const keys = new Set<string>();
  const { graph, sizes } = finishedSizes((nudge, used) => {
    const built = family.build(materialsOf(table, document, nudge, used));
    for (const key of used) keys.add(key);
    return built;
  }, table.find);
  const designs = designsOf(document, graph);
  const { method, school, flatFirst } = document.joins;
  const joining = joiningGraph(graph);
  const joins = planRuns(graph, joining, { school, flatFirst, method });
  return {
    document,
    settled,
    familyName: family.name,
    graph,
    designs,
    sizes: [...keys].map(table.find),
    tapes: MEASURES.map((measure) => tapeOf(measure, sizes[measure], document.brief[measure])),
    lines: lineMatches(graph),
    marked: markedEdges(graph),
    mismatches: mismatches(graph),
    joins,
    steps: joinSteps(graph, joining, joins, method),
    schools: schoolsSideBySide(graph, joining, joins, document),
    tally: tallyOf(document, graph, designs, joins),
  };
}

function schoolsSideBySide(
  graph: BagGraph,
  joining: JoiningGraph,
  chosen: JoinPlan,
  { joins }: BagDocument,
): SchoolSummary[] {
  const ways = [
    ...SCHOOLS.map((school) => ({ school, flatFirst: true })),
    { school: 'fewest', flatFirst: false },
  ] as const;
  return ways.map(({ school, flatFirst }) => {
    const same = school === chosen.school && flatFirst === chosen.flatFirst;
    const plan = same ? chosen : planRuns(graph, joining, { school, flatFirst, method: joins.method });
    const yarn = plan.runs.reduce((sum, run) => sum + run.yarn, 0);
    return { school, flatFirst, runs: plan.runs.length, ends: plan.ends, yarn };
  });
}

/** The family's controls for the document as it stands. */
export function controlsOf(document: BagDocument): Control<Construction>[] {
  return familyOf(document.construction).controls(materialsOf(sizeTable(document), document), {
    motifs: document.motifs,
    swatches: document.swatches,
  });
}
