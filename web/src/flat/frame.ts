import { extent, netBounds, type Plan } from '@fennot/core';

/** The net's frame on the screen: which mm are shown, and how large a pixel is. */
export interface Frame {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** mm of one CSS pixel. */
  readonly px: number;
}

/** Room round the net in pixels, for rulers and grips. */
const ROOM = { left: 44, right: 34, top: 40, bottom: 34 };

/**
 * Fits the whole net into the drawing, y down as on the screen.
 *
 * @param beside room for so many more pieces like the first on every side.
 * @param motifs only the motifs must be seen, as large as they can be.
 */
export function frameOf(
  plan: Plan,
  size: { width: number; height: number },
  { beside = 0, motifs = false }: { readonly beside?: number; readonly motifs?: boolean } = {},
): Frame {
  const squares = plan.graph.pieces.filter(({ make }) => make.of === 'motif');
  const bounds = netBounds(motifs && squares.length > 0 ? { pieces: squares } : plan.graph);
  const [first] = plan.graph.pieces;
  const more = first ? beside * extent(first.outline).width * (first.turn === 0 ? 1.1 : 1.5) : 0;
  const [left, right] = [bounds.x - more, bounds.x + bounds.width + more];
  const [low, high] = [bounds.y - more, bounds.y + bounds.height + more];
  const room = {
    width: Math.max(80, size.width - ROOM.left - ROOM.right),
    height: Math.max(80, size.height - ROOM.top - ROOM.bottom),
  };
  const px = Math.max((right - left) / room.width, (high - low) / room.height);
  const width = size.width * px;
  const height = size.height * px;
  const spareX = width - (right - left) - (ROOM.left + ROOM.right) * px;
  const spareY = height - (high - low) - (ROOM.top + ROOM.bottom) * px;
  return {
    left: left - ROOM.left * px - spareX / 2,
    top: -high - ROOM.top * px - spareY / 2,
    width,
    height,
    px,
  };
}
