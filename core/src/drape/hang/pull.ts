// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** Keeps two nodes no farther apart than a length; no step pulls them nearer by more than `most`. */
export function holdTogether(
  p: Float64Array,
  w: Float64Array,
  a: number,
  b: number,
  length: number,
  most: number,
): void {
  const x = at(p, 3 * b) - at(p, 3 * a);
  const y = at(p, 3 * b + 1) - at(p, 3 * a + 1);
  const z = at(p, 3 * b + 2) - at(p, 3 * a + 2);
  const apart = Math.hypot(x, y, z);
  const over = Math.min(most, apart - length);
  const weight = at(w, a) + at(w, b);
  if (over <= 0 || weight === 0) return;
  const share = over / (weight * apart);
  [x, y, z].forEach((way, k) => {
    p[3 * a + k] = at(p, 3 * a + k) + at(w, a) * share * way;
    p[3 * b + k] = at(p, 3 * b + k) - at(w, b) * share * way;
  });
}

/** The way round a loop of nodes. */
export function wayRound(p: Float64Array, loop: readonly number[]): number {
  return loop.reduce((sum, v, i) => {
    const next = loop[(i + 1) % loop.length] ?? v;
    return (
      sum +
      Math.hypot(
        at(p, 3 * next) - at(p, 3 * v),
        at(p, 3 * next + 1) - at(p, 3 * v + 1),
        at(p, 3 * next + 2) - at(p, 3 * v + 2),
      )
    );
  }, 0);
}

/**
 * Keeps the way round a loop no longer than a cord that runs through it: the cord slides, so all of it counts as one. Its
 * gradient at a node is the sum of the unit vectors from either neighbour.
 */
export function drawTogether(
  p: Float64Array,
  w: Float64Array,
  loop: readonly number[],
  length: number,
  most: number,
): void {
  const over = Math.min(most, wayRound(p, loop) - length);
  if (over <= 0) return;
  const ways = new Float64Array(3 * loop.length);
  loop.forEach((v, i) => {
    const n = (i + 1) % loop.length;
    const next = loop[n] ?? v;
    const x = at(p, 3 * next) - at(p, 3 * v);
    const y = at(p, 3 * next + 1) - at(p, 3 * v + 1);
    const z = at(p, 3 * next + 2) - at(p, 3 * v + 2);
    const apart = Math.hypot(x, y, z);
    if (apart < 1e-9) return;
    [x / apart, y / apart, z / apart].forEach((way, k) => {
      ways[3 * i + k] = at(ways, 3 * i + k) - way;
      ways[3 * n + k] = at(ways, 3 * n + k) + way;
    });
  });
  let weight = 0;
  loop.forEach((v, i) => {
    weight += at(w, v) * (at(ways, 3 * i) ** 2 + at(ways, 3 * i + 1) ** 2 + at(ways, 3 * i + 2) ** 2);
  });
  if (weight < 1e-12) return;
  loop.forEach((v, i) => {
    const share = (over * at(w, v)) / weight;
    for (let k = 0; k < 3; k++) p[3 * v + k] = at(p, 3 * v + k) - share * at(ways, 3 * i + k);
  });
}
