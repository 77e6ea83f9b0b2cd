// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** How stiff fabric is against bending; a square of it, one wide, bent by an angle of 1 pulls back with so much. */
const STIFF = 0.15;

/** Pairs of triangles that want to lie flat on one another's plane: k0 x0 + k1 x1 + k2 x2 + k3 x3 = 0. */
export interface Bending {
  /** Nodes: the common side, then the far corner of either triangle. */
  readonly nodes: Int32Array;
  readonly weights: Float64Array;
  /** Stiffness over the size of the pair. */
  readonly stiff: Float64Array;
}

/** The rest of one pair, as lengths in a flat plane. */
export interface Hinge {
  readonly nodes: readonly [number, number, number, number];
  /** Length of the common side. */
  readonly side: number;
  /** For each far corner: how high above the side it lies, and at which share of it. */
  readonly heights: readonly [number, number];
  readonly feet: readonly [number, number];
  readonly stiffness: number;
}

/**
 * For small bends the vector (x2 - foot2) / h2 + (x3 - foot3) / h3 is as long as the angle between the two triangles:
 * both are unit vectors at right angles to the side, against one another when flat. The energy of an angle a over a
 * side l between areas A and B is D a² 3 l² / (2 (A + B)), as for discrete shells.
 */
export function bendingOf(hinges: readonly Hinge[]): Bending {
  const nodes = new Int32Array(4 * hinges.length);
  const weights = new Float64Array(4 * hinges.length);
  const stiff = new Float64Array(hinges.length);
  hinges.forEach(({ nodes: own, side, heights: [h, g], feet: [s, t], stiffness }, k) => {
    nodes.set(own, 4 * k);
    weights.set([-(1 - s) / h - (1 - t) / g, -s / h - t / g, 1 / h, 1 / g], 4 * k);
    stiff[k] = (STIFF * stiffness * 3 * side * side) / ((side * (h + g)) / 2);
  });
  return { nodes, weights, stiff };
}

/** @param h length of the step. */
export function straighten(
  p: Float64Array,
  w: Float64Array,
  { nodes, weights, stiff }: Bending,
  h: number,
): void {
  for (let k = 0, n = stiff.length; k < n; k++) {
    const o = 4 * k;
    const a = nth(nodes, o);
    const b = nth(nodes, o + 1);
    const c = nth(nodes, o + 2);
    const d = nth(nodes, o + 3);
    const ka = at(weights, o);
    const kb = at(weights, o + 1);
    const kc = at(weights, o + 2);
    const kd = at(weights, o + 3);
    const wa = at(w, a);
    const wb = at(w, b);
    const wc = at(w, c);
    const wd = at(w, d);
    const scale =
      -1 / (wa * ka * ka + wb * kb * kb + wc * kc * kc + wd * kd * kd + 1 / (at(stiff, k) * h * h));
    const sa = scale * wa * ka;
    const sb = scale * wb * kb;
    const sc = scale * wc * kc;
    const sd = scale * wd * kd;
    for (let axis = 0; axis < 3; axis++) {
      const ia = 3 * a + axis;
      const ib = 3 * b + axis;
      const ic = 3 * c + axis;
      const id = 3 * d + axis;
      const off = ka * at(p, ia) + kb * at(p, ib) + kc * at(p, ic) + kd * at(p, id);
      p[ia] = at(p, ia) + sa * off;
      p[ib] = at(p, ib) + sb * off;
      p[ic] = at(p, ic) + sc * off;
      p[id] = at(p, id) + sd * off;
    }
  }
}
