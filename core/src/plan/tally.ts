import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import type { JoinPlan } from '../runs/index.ts';

/** What there is to make and to hide. */
export interface Tally {
  readonly motifs: number;
  readonly panels: number;
  /** Yarn ends of the pieces: two for every colour begun in a motif, two a panel. */
  readonly pieceEnds: number;
  readonly joinEnds: number;
  /** Yarn for the joins, mm, tails included. */
  readonly joinYarn: number;
}

export function tallyOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  joins: JoinPlan,
): Tally {
  let motifs = 0;
  let panels = 0;
  let pieceEnds = 0;
  for (const { id, make } of graph.pieces) {
    if (make.of === 'panel') {
      panels++;
      pieceEnds += 2;
      continue;
    }
    motifs++;
    const way = document.motifs
      .find((motif) => motif.id === make.motif)
      ?.colourways.find((colourway) => colourway.id === designs.get(id));
    pieceEnds += 2 * coloursBegun(way?.rounds ?? [], make.rounds);
  }
  const joinYarn = joins.runs.reduce((sum, run) => sum + run.yarn, 0);
  return { motifs, panels, pieceEnds, joinEnds: joins.ends, joinYarn };
}

/** How often a yarn is joined on: at the first round and at each round of another colour. */
function coloursBegun(yarns: readonly string[], rounds: number): number {
  let begun = 1;
  for (let round = 1; round < Math.min(rounds, yarns.length); round++) {
    if (yarns[round] !== yarns[round - 1]) begun++;
  }
  return begun;
}
