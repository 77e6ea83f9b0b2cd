import {
  annealed,
  type BagDocument,
  beginDocument,
  judged,
  leastTwins,
  planOf,
  swapped,
  taskOf,
  twinsOf,
} from '@fennot/core';
import highsLoader from 'highs';
import { report, time } from './time.ts';

/** A tube of squares in so many designs, all of one yarn. */
function bagOf(columns: number, rows: number, designs: number): BagDocument {
  const plain = beginDocument({ name: 'Bench', family: 'wrap-round' });
  const yarn = plain.yarns[0]?.id ?? '';
  const colourways = Array.from({ length: designs }, (_, i) => ({
    id: `d${i}`,
    name: `D${i}`,
    rounds: [yarn],
  }));
  return {
    ...plain,
    motifs: plain.motifs.map((motif) => ({ ...motif, colourways })),
    construction: {
      family: 'wrap-round' as const,
      laid: 'tube' as const,
      bottom: 'seam' as const,
      sides: 'joins' as const,
      body: { of: 'motifs' as const, motif: plain.motifs[0]?.id ?? '', rounds: 4, columns, rows },
    },
  };
}

/** Suggestions to the bound, beside the same squares dealt in turn; and an exchange by hand with all that follows. */
export async function benchArrange(): Promise<void> {
  console.log('Arrangements (aim 500 ms to the fewest twins, 12 x 20 cells in 6 designs; first one in 100):');
  const highs = await highsLoader();
  for (const [columns, rows, designs] of [
    [6, 4, 9],
    [20, 12, 6],
  ] as const) {
    const document = bagOf(columns, rows, designs);
    const { graph, cells } = planOf(document);
    const task = taskOf(document, graph, cells);
    const best = judged(task, annealed(task, 1)).twins.length;
    const bound = await leastTwins(task, best, async () => highs);
    report(
      `  one arrangement of ${columns} x ${rows} in ${designs} designs`,
      time(() => annealed(task, 1), 10, 3),
      `${best} twins, fewest possible ${bound.least}; dealt in turn ${judged(task, task.laid).twins.length}`,
    );
  }
  // Seven round in two designs: each row has a pair at least, and the proof is not to be had by counting.
  const odd = bagOf(7, 4, 2);
  const { graph, cells } = planOf(odd);
  const task = taskOf(odd, graph, cells);
  const began = performance.now();
  const bound = await leastTwins(task, 99, async () => highs);
  console.log(
    `  the fewest twins of 7 x 4 in 2 designs: ${bound.least}${bound.proven ? ', proven' : ''} in ${(performance.now() - began).toFixed(0)} ms`,
  );
  let document: BagDocument = bagOf(20, 10, 6);
  let k = 0;
  report(
    '  an exchange on 200 cells, planned and judged',
    time(() => {
      const plan = planOf(document);
      const [a, b] = [plan.cells[k % 100], plan.cells[199 - (k++ % 100)]];
      if (a && b) document = swapped(document, plan.cells, a, b);
      return twinsOf(plan);
    }),
    'aim a frame, 16',
  );
}
