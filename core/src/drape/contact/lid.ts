// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** The mouth as a plane, and what lies over it: what is in the bag fills it up to there, and nothing falls in. */
export interface Lid {
  /** A place of the plane, and its way out of the bag. */
  readonly middle: readonly [number, number, number];
  readonly out: readonly [number, number, number];
  readonly over: readonly number[];
}

/** No step lifts by more than this. */
const GENTLE = 4e-3;

/**
 * Looks which nodes lie over the mouth, or have sunk into it.
 *
 * @param mouth nodes round the opening, in the direction of their triangles.
 * @param hanging nodes that could fall in.
 */
export function lidOf(p: Float64Array, mouth: readonly number[], hanging: readonly number[]): Lid {
  const middle: [number, number, number] = [0, 0, 0];
  for (const v of mouth) for (const k of [0, 1, 2] as const) middle[k] += at(p, 3 * v + k) / mouth.length;
  const [mx, my, mz] = middle;
  let [nx, ny, nz] = [0, 0, 0];
  mouth.forEach((v, i) => {
    const w = mouth[(i + 1) % mouth.length] ?? v;
    const [ax, ay, az] = [at(p, 3 * v) - mx, at(p, 3 * v + 1) - my, at(p, 3 * v + 2) - mz];
    const [bx, by, bz] = [at(p, 3 * w) - mx, at(p, 3 * w + 1) - my, at(p, 3 * w + 2) - mz];
    // The mouth runs along its triangles: seen from outside, the other way round.
    nx += by * az - bz * ay;
    ny += bz * ax - bx * az;
    nz += bx * ay - by * ax;
  });
  const long = Math.max(1e-12, Math.hypot(nx, ny, nz));
  const out = [nx / long, ny / long, nz / long] as const;
  // Seen along the way out: across whichever axis lies most across it.
  const [e, f] = axesAcross(out);
  const seen = (v: number): readonly [number, number] => {
    const [x, y, z] = [at(p, 3 * v) - mx, at(p, 3 * v + 1) - my, at(p, 3 * v + 2) - mz];
    return [x * e[0] + y * e[1] + z * e[2], x * f[0] + y * f[1] + z * f[2]];
  };
  const outline = mouth.map(seen);
  return { middle, out, over: hanging.filter((v) => isWithin(outline, seen(v))) };
}

/** Lifts what has sunk into the mouth. What is in the bag carries it: the fabric feels nothing of it. */
export function holdUp(
  p: Float64Array,
  { middle: [mx, my, mz], out: [nx, ny, nz], over }: Lid,
  height: number,
): void {
  for (const v of over) {
    const [x, y, z] = [at(p, 3 * v), at(p, 3 * v + 1), at(p, 3 * v + 2)];
    const below = height - ((x - mx) * nx + (y - my) * ny + (z - mz) * nz);
    if (below <= 0) continue;
    const by = Math.min(GENTLE, below);
    p[3 * v] = x + by * nx;
    p[3 * v + 1] = y + by * ny;
    p[3 * v + 2] = z + by * nz;
  }
}

type Way = readonly [number, number, number];

function axesAcross([x, y, z]: Way): readonly [Way, Way] {
  const aside: Way = Math.abs(x) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const cross = (a: Way, b: Way): Way => [
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ];
  const raw = cross([x, y, z], aside);
  const long = Math.hypot(...raw);
  const e: Way = [raw[0] / long, raw[1] / long, raw[2] / long];
  return [e, cross([x, y, z], e)];
}

/** Whether a point lies within an outline: by how often a ray from it crosses. */
function isWithin(
  outline: ReadonlyArray<readonly [number, number]>,
  [x, y]: readonly [number, number],
): boolean {
  let within = false;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
    if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) within = !within;
  });
  return within;
}
