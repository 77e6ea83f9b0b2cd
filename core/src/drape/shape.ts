import { type Body, back, outside, turned, type Vec } from './body/body.ts';
import type { Cloth } from './cloth/cloth.ts';
import { crossings, sidesOf } from './contact/crossings.ts';
import type { Filling } from './fill.ts';
import { wayRound } from './hang/pull.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** What a filled bag measures, and how well it came together. */
export interface FilledShape {
  /** Litres up to the mouth. */
  readonly volume: number;
  /** mm round the mouth. */
  readonly opening: number;
  /** How far the bag itself reaches from back to front, without flap and handles, mm; whichever way it lies. */
  readonly bulge: number;
  /** Extents of the bag without its straps, mm. */
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  /** How much its fabric is pulled longer, as shares: what 95 of 100 parts stay under, and the most. */
  readonly strain: number;
  readonly mostStrain: number;
  /** How far what is inside stands out of the fabric, mm. */
  readonly sticksOut: number;
  /** Sides of triangles that go through fabric: none, where the form can be trusted. */
  readonly passesThrough: number;
}

/** About how long sides of triangles are, in the solver's unit. */
const SIDE = 1 / 6;

/** Measures a filled bag. The opening is closed by a fan round its middle for the volume. */
export function shapeOf({
  cloth,
  world,
  mesh,
  pose,
}: Pick<Filling, 'cloth' | 'world' | 'mesh' | 'pose'>): FilledShape {
  const { position: p, unit } = cloth;
  const strains = strainsOf(cloth).sort((a, b) => a - b);
  const reach = (nodes: Iterable<number>, axis: number) => {
    let [low, high] = [Infinity, -Infinity];
    for (const i of nodes) {
      low = Math.min(low, at(p, 3 * i + axis));
      high = Math.max(high, at(p, 3 * i + axis));
    }
    return (high - low) * unit;
  };
  const all = Array.from({ length: mesh.count }, (_, i) => i);
  const body = cloth.membrane.triangles.filter((_, k) => cloth.holding[Math.floor(k / 3)] === 1);
  return {
    volume: (volumeOf(cloth, world.mouth) * unit ** 3) / 1e6,
    opening: wayRound(p, world.mouth) * unit,
    bulge: reach(body, pose === 'lie' ? 1 : 2),
    width: reach(all, 0),
    height: reach(all, 1),
    depth: reach(all, 2),
    strain: strains[Math.floor(0.95 * strains.length)] ?? 0,
    mostStrain: strains.at(-1) ?? 0,
    sticksOut: Math.max(0, ...world.bodies.map((body) => sticksOut(cloth, body))) * unit,
    passesThrough: crossings(sidesOf(cloth.membrane.triangles, SIDE), p).length,
  };
}

/** Volume by the divergence theorem: every triangle with the origin, and a lid over the mouth. */
function volumeOf(
  { position: p, membrane: { triangles }, holding }: Cloth,
  mouth: readonly number[],
): number {
  const point = (v: number): Vec => [at(p, 3 * v), at(p, 3 * v + 1), at(p, 3 * v + 2)];
  const six = (a: Vec, b: Vec, c: Vec) =>
    a[0] * (b[1] * c[2] - b[2] * c[1]) +
    a[1] * (b[2] * c[0] - b[0] * c[2]) +
    a[2] * (b[0] * c[1] - b[1] * c[0]);
  let volume = 0;
  for (let t = 0; t < holding.length; t++)
    if (nth(holding, t) === 1)
      volume += six(
        point(nth(triangles, 3 * t)),
        point(nth(triangles, 3 * t + 1)),
        point(nth(triangles, 3 * t + 2)),
      );
  const middle: Vec = [0, 0, 0];
  for (const v of mouth) for (const k of [0, 1, 2] as const) middle[k] += at(p, 3 * v + k) / mouth.length;
  // The mouth runs along its triangles, so the lid must run against it.
  mouth.forEach((v, i) => {
    volume += six(middle, point(mouth[(i + 1) % mouth.length] ?? v), point(v));
  });
  return volume / 6;
}

/** The largest principal stretch of every triangle, less 1. */
export function strainsOf({ position: p, membrane: { triangles, inverse, area } }: Cloth): number[] {
  return Array.from(area, (_, t) => {
    const [a, b, c] = [
      3 * nth(triangles, 3 * t),
      3 * nth(triangles, 3 * t + 1),
      3 * nth(triangles, 3 * t + 2),
    ];
    let [uu, vv, uv] = [0, 0, 0];
    for (let k = 0; k < 3; k++) {
      const [e, f] = [at(p, b + k) - at(p, a + k), at(p, c + k) - at(p, a + k)];
      const u = e * at(inverse, 4 * t) + f * at(inverse, 4 * t + 2);
      const v = e * at(inverse, 4 * t + 1) + f * at(inverse, 4 * t + 3);
      uu += u * u;
      vv += v * v;
      uv += u * v;
    }
    return Math.sqrt((uu + vv) / 2 + Math.hypot((uu - vv) / 2, uv)) - 1;
  });
}

/** How deep a node of the fabric lies in a body. */
function sticksOut({ position: p, count }: Cloth, body: Body): number {
  let most = 0;
  for (let v = 0; v < count; v++) {
    const arm: Vec = [
      at(p, 3 * v) - body.at[0],
      at(p, 3 * v + 1) - body.at[1],
      at(p, 3 * v + 2) - body.at[2],
    ];
    most = Math.max(most, -outside(body.form, turned(back(body.turn), arm)).off);
  }
  return most;
}
