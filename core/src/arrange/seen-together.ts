import type { BagGraph } from '../bag/index.ts';
import { type Neighbour, neighboursOf } from './neighbours.ts';
import { frontAgainstBack, type Line, linesOfThree, secondNeighbours } from './sight.ts';

/** All that is seen together on a bag, whatever lies where. */
export interface SeenTogether {
  readonly neighbours: readonly Neighbour[];
  readonly lines: readonly Line[];
  readonly seconds: ReadonlyArray<readonly [string, string]>;
  readonly facing: ReadonlyArray<readonly [string, string]>;
}

/** Worked out once for each made-up bag: what is laid in its cells changes far more often than its seams. */
const known = new WeakMap<
  BagGraph['facets'],
  { readonly seams: BagGraph['seams']; readonly together: SeenTogether }
>();

export function seenTogether(graph: BagGraph): SeenTogether {
  const before = known.get(graph.facets);
  if (before && before.seams === graph.seams) return before.together;
  const neighbours = neighboursOf(graph);
  const together = {
    neighbours,
    lines: linesOfThree(graph),
    seconds: secondNeighbours(neighbours),
    facing: frontAgainstBack(graph),
  };
  known.set(graph.facets, { seams: graph.seams, together });
  return together;
}
