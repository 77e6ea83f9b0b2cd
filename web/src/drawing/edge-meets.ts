import { type BagGraph, edgeNames, type Interval, intervalLength, type Seam, wholeLoops } from '@fennot/core';

/** Where part of an edge meets another. */
export interface EdgeMeeting {
  readonly seam: Seam;
  readonly own: Interval;
  readonly other: Interval;
}

/** Everything an edge of a piece meets, from its start on. */
export function edgeMeetings({ seams }: Pick<BagGraph, 'seams'>, piece: string, edge: number): EdgeMeeting[] {
  const on = (side: Interval) => side.piece === piece && side.edge === edge;
  return seams
    .flatMap((seam): EdgeMeeting[] => [
      ...(on(seam.a) ? [{ seam, own: seam.a, other: seam.b }] : []),
      ...(on(seam.b) ? [{ seam, own: seam.b, other: seam.a }] : []),
    ])
    .sort((p, q) => Math.min(p.own.from, p.own.to) - Math.min(q.own.from, q.own.to));
}

/** What an edge is and what it meets, in a sentence. */
export function sayEdge(graph: BagGraph, piece: string, edge: number): string {
  const own = graph.pieces.find(({ id }) => id === piece);
  if (!own) return '';
  const nameOf = edgeNames(graph);
  const loops = wholeLoops(graph);
  const meetings = edgeMeetings(graph, piece, edge);
  const taken = meetings.reduce((sum, meeting) => sum + intervalLength(meeting.own), 0);
  const open = (own.edges[edge]?.length ?? 0) - taken > 1;
  const parts = meetings.map(({ own: mine, other, seam }) => {
    const partner = graph.pieces.find(({ id }) => id === other.piece)?.name ?? '';
    const how = seam.kind === 'grown' ? 'grown onto' : 'meets';
    return `${how} ${partner}, ${nameOf(other.piece, other.edge)} edge, ${loops(mine)} loops with ${loops(other)}`;
  });
  const rest = open ? [parts.length === 0 ? 'part of the opening' : 'the rest is part of the opening'] : [];
  return `${own.name}, ${nameOf(piece, edge)} edge: ${[...parts, ...rest].join('; ')}.`;
}
