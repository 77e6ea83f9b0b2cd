/**
 * The loops of sides that only one triangle has, in the direction of their triangles, each as the nodes along it.
 *
 * @param triangles nodes of every triangle, three numbers each.
 */
export function rimLoops(triangles: Int32Array): number[][] {
  const once = new Map<string, readonly [number, number]>();
  for (let t = 0; t < triangles.length; t += 3) {
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k] ?? 0, triangles[t + ((k + 1) % 3)] ?? 0];
      const back = `${b}/${a}`;
      if (!once.delete(back)) once.set(`${a}/${b}`, [a, b]);
    }
  }
  const next = new Map<number, number[]>();
  for (const [a, b] of once.values()) next.set(a, [...(next.get(a) ?? []), b]);
  const loops: number[][] = [];
  for (const start of next.keys()) {
    const loop: number[] = [];
    for (let at: number | undefined = start; at !== undefined; at = next.get(at)?.pop()) {
      loop.push(at);
      if (loop.length > 1 && at === start) break;
    }
    if (loop.length > 1) loops.push(loop.slice(0, -1));
  }
  return loops;
}

/** The opening of the bag itself, round which flap and handles may hang: the longest loop of what holds. */
export function mouthOf(triangles: Int32Array, holds: (triangle: number) => boolean): readonly number[] {
  const body = triangles.filter((_, k) => holds(Math.floor(k / 3)));
  return rimLoops(body).reduce<number[]>((a, b) => (b.length > a.length ? b : a), []);
}
