import type { BagGraph } from './graph.ts';
import { inNet } from './place.ts';

/** The upright box round all pieces as they lie in the net, mm, y up. */
export interface NetBounds {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function netBounds({ pieces }: Pick<BagGraph, 'pieces'>): NetBounds {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const piece of pieces) {
    for (const corner of piece.outline) {
      const { x, y } = inNet(piece, corner);
      left = Math.min(left, x);
      right = Math.max(right, x);
      low = Math.min(low, y);
      high = Math.max(high, y);
    }
  }
  return { x: left, y: low, width: right - left, height: high - low };
}
