import { openSides } from '../cloth/common-sides.ts';

/**
 * The loops of sides that only one triangle has, in the direction of their triangles, each as the nodes along it.
 *
 * @param triangles nodes of every triangle, three numbers each.
 */
export function rimLoops(triangles: Int32Array): number[][] {
  const next = new Map<number, number[]>();
  for (const [a, b] of openSides(triangles)) next.set(a, [...(next.get(a) ?? []), b]);
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
