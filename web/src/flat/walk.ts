import { type BagGraph, edgeMeetings, extent, inNet, type Piece } from '@fennot/core';

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The middle of a piece, in the net. */
export const centreOf = (piece: Piece) => {
  const { width, height } = extent(piece.outline);
  return inNet(piece, { x: width / 2, y: height / 2 });
};

/** The nearest piece in a direction; for the arrow keys. */
function neighbour(graph: BagGraph, from: string | undefined, [dx, dy]: readonly [number, number]) {
  const here = graph.pieces.find(({ id }) => id === from);
  if (!here) return graph.pieces[0]?.id;
  const at = centreOf(here);
  let best: { id: string; cost: number } | undefined;
  for (const piece of graph.pieces) {
    const to = centreOf(piece);
    const ahead = (to.x - at.x) * dx + (to.y - at.y) * dy;
    const aside = Math.abs((to.x - at.x) * dy) + Math.abs((to.y - at.y) * dx);
    if (ahead < 1) continue;
    const cost = ahead + 2 * aside;
    if (!best || cost < best.cost) best = { id: piece.id, cost };
  }
  return best?.id ?? here.id;
}

/** A piece of the net, or one of its edges. */
export interface Walker {
  readonly piece: string | undefined;
  readonly edge: number | undefined;
}

/**
 * Where a key leads on the net: arrows to the next piece that way, with Shift to the next edge of the piece round and
 * round, `m` to the edge that meets this one. Nothing for any other key.
 */
export function walked(
  graph: BagGraph,
  { piece, edge }: Walker,
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
): Walker | undefined {
  if (key === 'm') {
    const [meeting] = piece !== undefined && edge !== undefined ? edgeMeetings(graph, piece, edge) : [];
    return meeting && { piece: meeting.other.piece, edge: meeting.other.edge };
  }
  const direction = ARROWS[key];
  if (!direction) return undefined;
  const here = graph.pieces.find(({ id }) => id === piece);
  if (!shiftKey || !here) return { piece: neighbour(graph, piece, direction), edge: undefined };
  const by = direction[0] + direction[1] < 0 ? -1 : 1;
  const many = here.edges.length;
  return { piece, edge: edge === undefined ? 0 : (edge + by + many) % many };
}
