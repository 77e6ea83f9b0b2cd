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
