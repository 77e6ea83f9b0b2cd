// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Says of two nodes whether they lie so near along the fabric that they cannot touch otherwise. */
export interface Near {
  readonly count: number;
  readonly bits: Uint32Array;
}

function put(bits: Uint32Array, count: number, a: number, b: number): void {
  const k = a * count + b;
  bits[k >> 5] = (bits[k >> 5] ?? 0) | (1 << (k & 31));
}

/** Nodes so many sides of triangles apart are near, and with them the triangles round them. */
const RINGS = 1;

/**
 * @param triangles nodes of every triangle, three numbers each.
 */
export function nearOf(count: number, triangles: Int32Array): Near {
  const neighbours = Array.from({ length: count }, () => new Set<number>());
  for (let t = 0; t < triangles.length; t += 3) {
    const own = [nth(triangles, t), nth(triangles, t + 1), nth(triangles, t + 2)];
    for (const a of own) for (const b of own) if (a !== b) neighbours[a]?.add(b);
  }
  const bits = new Uint32Array(Math.ceil((count * count) / 32));
  for (let a = 0; a < count; a++) {
    let reached = new Set([a]);
    for (let ring = 0; ring < RINGS; ring++)
      reached = new Set([...reached].flatMap((b) => [b, ...(neighbours[b] ?? [])]));
    for (const b of reached) put(bits, count, a, b);
  }
  return { count, bits };
}

/**
 * The same with what is sewn on: it keeps its own distance from its triangle.
 *
 * @param triangles nodes of every triangle, three numbers each.
 */
export function nearWithSewn(
  { count, bits }: Near,
  triangles: Int32Array,
  sewn: ReadonlyArray<{ readonly node: number; readonly triangle: number }>,
): Near {
  const more = bits.slice();
  for (const { node, triangle } of sewn)
    for (let k = 0; k < 3; k++) put(more, count, node, nth(triangles, 3 * triangle + k));
  return { count, bits: more };
}

export const isNear = ({ count, bits }: Near, a: number, b: number): boolean => {
  const k = a * count + b;
  return (((bits[k >> 5] ?? 0) >>> (k & 31)) & 1) === 1;
};
