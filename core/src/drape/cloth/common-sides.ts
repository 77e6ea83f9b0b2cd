/** A side of a triangle: which triangle, and which of its corners the side begins at. */
export interface Side {
  readonly triangle: number;
  readonly corner: 0 | 1 | 2;
}

const CORNERS = [0, 1, 2] as const;

/**
 * Every two triangles with a common side, which the one has one way round and the other the other way.
 *
 * @param triangles nodes of every triangle.
 */
export function commonSides(
  triangles: Iterable<readonly [number, number, number]>,
): Array<readonly [Side, Side]> {
  const open = new Map<string, Side>();
  const found: Array<readonly [Side, Side]> = [];
  let triangle = 0;
  for (const nodes of triangles) {
    for (const corner of CORNERS) {
      const [a, b] = [nodes[corner], nodes[CORNERS[(corner + 1) % 3] ?? 0]];
      const other = open.get(`${b}/${a}`);
      if (other) found.push([{ triangle, corner }, other]);
      else open.set(`${a}/${b}`, { triangle, corner });
    }
    triangle++;
  }
  return found;
}

/**
 * The sides that only one triangle has, in the direction of that triangle, each as its two nodes.
 *
 * @param triangles nodes of every triangle, three numbers each.
 */
export function openSides(triangles: Int32Array): Array<readonly [number, number]> {
  const once = new Map<string, readonly [number, number]>();
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k] ?? 0, triangles[t + ((k + 1) % 3)] ?? 0];
      if (!once.delete(`${b}/${a}`)) once.set(`${a}/${b}`, [a, b]);
    }
  return [...once.values()];
}
