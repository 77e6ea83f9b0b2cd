import type { ClosurePlan } from '../../closure/index.ts';
import type { BagDocument } from '../../document/index.ts';
import { edgeCounts } from '../../edging/index.ts';
import { finishOf } from '../../finish/index.ts';
import { type Plan, planned } from '../../plan/index.ts';
import type { Check } from './check.ts';

/** So little that no tape shows it, so much that no sum comes out quite the same. */
const NOISE = 3e-12;

/** The same bag with everything that was measured a breath larger. */
function breathed(document: BagDocument): BagDocument {
  const grow = <T extends { readonly length: number }>(one: T): T => ({
    ...one,
    length: one.length * (1 + NOISE),
  });
  return {
    ...document,
    swatches: document.swatches.map((one) => ({
      ...one,
      stitches: one.stitches && grow(one.stitches),
      rows: one.rows && grow(one.rows),
    })),
    motifs: document.motifs.map((one) => ({
      ...one,
      measured: one.measured.map((own) => Object.assign({}, own, { size: own.size * (1 + NOISE) })),
    })),
    construction: { ...document.construction },
  };
}

/** Everything of a plan that is counted, by name. */
function countsOf(plan: Plan): Map<string, string> {
  const { joins, lines, marked, graph, tally, straps } = plan;
  const finish = finishOf(plan);
  return new Map(
    Object.entries({
      'the runs': joins.runs.map(({ passes }) => passes.map(({ link }) => link.id)),
      'the steps': plan.steps().map((step) => step.does),
      'the lines': lines.map(({ line, a, b }) => [line, a.loops, b.loops]),
      'the marks': marked.map(({ piece, edge, total, marks }) => [
        piece,
        edge,
        total,
        marks.map(({ count }) => count),
      ]),
      'the edge': edgeCounts(graph),
      'the pieces': graph.pieces.map(({ id, make }) => [id, { ...make, placed: undefined }]),
      'the ends': [tally.pieceEnds, tally.joinEnds],
      'the straps': straps && [straps.count, straps.front, straps.back],
      'what closes it': finish.closure && counts(finish.closure),
      'the order of work': finish.operations.map(({ id }) => id),
    }).map(([name, value]) => [name, JSON.stringify(value) ?? '']),
  );
}

/** What closes a bag without its lengths. */
const counts = (closure: ClosurePlan) => ({
  ...closure,
  over: undefined,
  places: closure.of === 'zip' ? undefined : { ...closure.places, below: undefined },
});

/** Counts must not turn on rounding. */
export const noise: Check = {
  name: 'Counts and rounding noise',
  how: 'the bag planned again with every measure larger by three parts in a million million: all counts, runs, marks and steps must be the same',
  of(plan) {
    const again = planned(breathed(plan.document));
    if (!again.ok) return [`A breath larger it cannot be planned: ${again.problem}`];
    const [before, after] = [countsOf(plan), countsOf(again.plan)];
    return [...before].flatMap(([name, value]) =>
      after.get(name) === value ? [] : [`A breath larger, ${name} change`],
    );
  },
};
