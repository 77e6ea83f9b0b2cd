import type { Seam } from '../bag/index.ts';

/** A vertex held onto a point between two others: x = (1 - share) b0 + share b1. */
export interface VertexHold {
  readonly a: number;
  readonly b0: number;
  readonly b1: number;
  readonly share: number;
  readonly kind: Seam['kind'];
}

/** A vertex on a way, with the share of the way at which it lies. */
export interface OnWay {
  readonly vertex: number;
  readonly t: number;
}

/** Holds the vertices of two ways together: one to one where they are as many, else each onto the other way. */
export function heldAlong(a: readonly OnWay[], b: readonly OnWay[], kind: Seam['kind']): VertexHold[] {
  if (a.length === b.length)
    return a.map((v, i) => ({
      a: v.vertex,
      b0: b[i]?.vertex ?? 0,
      b1: b[i]?.vertex ?? 0,
      share: 0,
      kind,
    }));
  return [...held(a, b, kind), ...held(b, a, kind)];
}

function held(from: readonly OnWay[], to: readonly OnWay[], kind: Seam['kind']): VertexHold[] {
  return from.map((v) => {
    const next = to.findIndex(({ t }) => t >= v.t - 1e-6);
    const [b1, b0] = [to[next < 0 ? to.length - 1 : next], to[next < 1 ? 0 : next - 1]];
    if (!b0 || !b1) throw new Error('A seam without vertices.');
    const span = b1.t - b0.t;
    const at = Math.abs(span) < 1e-9 ? 0 : Math.min(1, Math.max(0, (v.t - b0.t) / span));
    return { a: v.vertex, b0: b0.vertex, b1: b1.vertex, share: at, kind };
  });
}
