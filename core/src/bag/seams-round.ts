import { cornersOf } from './corners.ts';
import { type EdgePlace, goRound, type Round } from './fabric-at.ts';
import type { BagGraph } from './graph.ts';

/**
 * How the seams of the made-up bag lie round its corners: flat and closing ones alike, as the fabric lies between them.
 * Corners at which a seam turns a piece over are left out.
 */
export function seamsRound(graph: BagGraph): Round[] {
  const walk = goRound(graph);
  const seen = new Set<string>();
  const corners: Round[] = [];
  const visit = (start: EdgePlace, closed: boolean) => {
    const round = walk(start);
    if (!round || round.closed !== closed) return;
    if (round.ends.every(({ seam, end }) => seen.has(`${seam.id} ${end}`))) return;
    for (const { seam, end } of round.ends) seen.add(`${seam.id} ${end}`);
    corners.push(round);
  };
  // From the rim the whole of a corner is gone through; what is left closes.
  for (const { interval } of cornersOf(graph).rims().flat())
    visit({ piece: interval.piece, edge: interval.edge, at: interval.to }, false);
  for (const { id, a } of graph.seams)
    for (const [end, at] of [
      ['from', a.from],
      ['to', a.to],
    ] as const)
      if (!seen.has(`${id} ${end}`)) visit({ piece: a.piece, edge: a.edge, at }, true);
  return corners;
}

/** How far two ends are from lying straight across a corner from one another, radians. */
export function bendBetween(
  { all, closed }: Round,
  a: Round['ends'][number],
  b: Round['ends'][number],
): number {
  const between = Math.abs(a.at - b.at);
  // Where the fabric closes, straight on has as much of it on either side; on the rim there is half a turn between.
  return closed ? Math.abs(between - all / 2) : Math.abs(between - Math.PI);
}
