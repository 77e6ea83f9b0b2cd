import { type BagGraph, edgeOf, intervalLength, pieceIndex, wholeLoops } from '../bag/index.ts';
import { edgeMeetings } from '../match/index.ts';
import { edgeNames } from '../runs/index.ts';

/** What an edge is and what it meets, in a sentence. */
export function sayEdge(graph: BagGraph, piece: string, edge: number): string {
  const own = graph.pieces.find(({ id }) => id === piece);
  if (!own) return '';
  const nameOf = edgeNames(graph);
  const loops = wholeLoops(graph);
  const meetings = edgeMeetings(graph, piece, edge);
  const taken = meetings.reduce((sum, meeting) => sum + intervalLength(meeting.own), 0);
  const open = edgeOf(own, edge).length - taken > 1;
  const parts = meetings.map(({ own: mine, other, seam }) => {
    const partner = pieceIndex(graph)(other.piece).name;
    const how = seam.kind === 'grown' ? 'grown onto' : 'meets';
    return `${how} ${partner}, ${nameOf(other.piece, other.edge)} edge, ${loops(mine)} loops with ${loops(other)}`;
  });
  const rest = open ? [parts.length === 0 ? 'part of the opening' : 'the rest is part of the opening'] : [];
  return `${own.name}, ${nameOf(piece, edge)} edge: ${[...parts, ...rest].join('; ')}.`;
}
