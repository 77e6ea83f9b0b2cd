import {
  type BagDocument,
  beginDocument,
  familyOf,
  fewestTrails,
  joiningGraph,
  materialsOf,
  pairLoops,
  planOf,
  planRuns,
  sizeTable,
  straightTrails,
} from '@fennot/core';
import { report, time } from './time.ts';

function wrapRound(columns: number, rows: number): BagDocument {
  const document = beginDocument({ name: 'Bench' });
  return {
    ...document,
    construction: {
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 4, columns, rows },
    },
  };
}

/** Figures of the computation alone. */
export function benchCore(): void {
  const two = wrapRound(20, 10);
  const build = () => familyOf(two.construction).build(materialsOf(sizeTable(two), two));
  const alone = time(build);
  report(
    'all readouts after an edit, wrap-round of 200 squares',
    time(() => planOf(two)),
    'aim 8 ms',
  );
  report('  of it: building the graph once', alone, 'the least any edit can cost');

  const four = wrapRound(40, 10);
  const graph = familyOf(four.construction).build(materialsOf(sizeTable(four), four));
  const joining = joiningGraph(graph);
  const bound = fewestTrails(joining.all);
  const runs = planRuns(graph, joining, { school: 'fewest', flatFirst: false, method: 'whip' }).runs.length;
  report(
    'runs at fewest ends, 400 squares',
    time(() => straightTrails(joining.all)),
    `aim 100 ms; ${runs} runs, Euler's bound ${bound}`,
  );
  report(
    'pairing 10 000 loops with 9 700',
    time(() => pairLoops(10_000, 9_700)),
    '',
  );
}
