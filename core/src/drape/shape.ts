import type { Cloth } from './cloth.ts';

/** What a filled bag measures, and how well it came together. */
export interface FilledShape {
  /** Litres up to the rim. */
  readonly volume: number;
  /** mm round the mouth. */
  readonly opening: number;
  /** Largest gap left in a seam, mm. */
  readonly gap: number;
  /** Largest change of length of any thread of the fabric, as a share. */
  readonly strain: number;
}

/** Measures a filled bag. The opening is closed by a fan round its middle for the volume. */
export function shapeOf({
  position: p,
  triangles,
  rims,
  unit,
  closing,
  flat,
  stretch,
}: Pick<Cloth, 'position' | 'triangles' | 'rims' | 'unit' | 'closing' | 'flat' | 'stretch'>): FilledShape {
  const at = (v: number, axis: number) => p[3 * v + axis] ?? 0;
  const point = (v: number) => [at(v, 0), at(v, 1), at(v, 2)] as const;
  type P = readonly [number, number, number];
  const six = (a: P, b: P, c: P) =>
    a[0] * (b[1] * c[2] - b[2] * c[1]) +
    a[1] * (b[2] * c[0] - b[0] * c[2]) +
    a[2] * (b[0] * c[1] - b[1] * c[0]);
  let volume = 0;
  for (let t = 0; t < triangles.length; t += 3)
    volume += six(point(triangles[t] ?? 0), point(triangles[t + 1] ?? 0), point(triangles[t + 2] ?? 0));
  let opening = 0;
  for (const [k, rim] of rims.entries()) {
    const n = rim.length || 1;
    const sum = rim.reduce((s, v) => [s[0] + at(v, 0) / n, s[1] + at(v, 1) / n, s[2] + at(v, 2) / n] as P, [
      0, 0, 0,
    ] as P);
    rim.forEach((v, i) => {
      const next = rim[(i + 1) % rim.length] ?? v;
      // The rim runs along the outlines, so the lid must run against it.
      volume += six(sum, point(next), point(v));
      if (k === 0)
        opening += Math.hypot(at(next, 0) - at(v, 0), at(next, 1) - at(v, 1), at(next, 2) - at(v, 2));
    });
  }
  let gap = 0;
  for (const { ends, share } of [closing, flat]) {
    for (let k = 0; k < share.length; k++) {
      const [a, b0, b1] = [ends[3 * k] ?? 0, ends[3 * k + 1] ?? 0, ends[3 * k + 2] ?? 0];
      const t = share[k] ?? 0;
      const off = (axis: number) => at(a, axis) - (1 - t) * at(b0, axis) - t * at(b1, axis);
      gap = Math.max(gap, Math.hypot(off(0), off(1), off(2)));
    }
  }
  let strain = 0;
  for (let k = 0; k < stretch.rest.length; k++) {
    const [a, b] = [stretch.ends[2 * k] ?? 0, stretch.ends[2 * k + 1] ?? 0];
    const length = Math.hypot(at(a, 0) - at(b, 0), at(a, 1) - at(b, 1), at(a, 2) - at(b, 2));
    strain = Math.max(strain, Math.abs(length / (stretch.rest[k] ?? 1) - 1));
  }
  return {
    volume: ((volume / 6) * unit ** 3) / 1e6,
    opening: opening * unit,
    gap: gap * unit,
    strain,
  };
}
