import type { BagGraph, Face } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf } from '../document/look-up.ts';
import { area } from '../geometry/index.ts';
import type { LaidCell } from './cells.ts';

/** A one-way motif that does not hang upright on a face it is seen on. */
export interface Askew {
  readonly piece: string;
  readonly face: Face;
  readonly how: 'on its head' | 'on its side';
  /** It is seen on more faces than one: folded over, it cannot be upright on all of them. */
  readonly folded: boolean;
}

/** A part of a motif smaller than this share of it is not seen as a picture. */
const SEEN = 0.15;
/** Up by more than this is upright, and down by as much on its head. */
const UP = 0.5;
/** What lies under the bag or over its opening has no up. */
const LEVEL: ReadonlySet<Face> = new Set(['bottom']);

/**
 * Which one-way motifs do not hang upright, as they are laid.
 *
 * @param onHead pieces whose place shows them on their head unless they are laid upside down: they are, to begin with.
 */
export function askew(
  document: Pick<BagDocument, 'motifs'>,
  graph: BagGraph,
  cells: readonly LaidCell[],
  onHead: ReadonlySet<string>,
): Askew[] {
  const oneWay = new Map(
    cells.filter(({ motif }) => motifOf(document, motif).oneWay).map((cell) => [cell.piece, cell]),
  );
  const whole = new Map(graph.pieces.map(({ id, outline }) => [id, Math.abs(area(outline))]));
  const seen = graph.facets.filter(
    ({ piece, face, outline }) =>
      oneWay.has(piece) && !LEVEL.has(face) && Math.abs(area(outline)) > SEEN * (whole.get(piece) ?? 0),
  );
  const faces = new Map<string, Set<Face>>();
  for (const { piece, face } of seen) faces.set(piece, (faces.get(piece) ?? new Set()).add(face));
  const found = new Map<string, Askew>();
  for (const { piece, face, motion } of seen) {
    const { turn = 0, steps = 1 } = oneWay.get(piece) ?? {};
    const angle = 2 * Math.PI * (turn / steps + (onHead.has(piece) ? 0.5 : 0));
    // What was up in the piece is turned against the clock: its height on the bag.
    const up = -Math.sin(angle) * motion.u.y + Math.cos(angle) * motion.v.y;
    if (up > UP) continue;
    const how = up < -UP ? 'on its head' : 'on its side';
    found.set(`${piece} ${face}`, { piece, face, how, folded: (faces.get(piece)?.size ?? 0) > 1 });
  }
  return [...found.values()];
}
