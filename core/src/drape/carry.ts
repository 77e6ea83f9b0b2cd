import { at } from './cloth/at.ts';
import type { StrapNodes } from './hang/strap-fabric.ts';
import type { LaidOut } from './laid-out.ts';
import { ontoMesh } from './mesh/onto-mesh.ts';

/** Carries a strap: every place along it lies where the same share of the other's way lies. */
function carryStrap({ rows }: StrapNodes, p: Float64Array, onto: StrapNodes, into: Float64Array): void {
  onto.rows.forEach((row, i) => {
    const along = (i / (onto.rows.length - 1)) * (rows.length - 1);
    const first = Math.min(rows.length - 2, Math.floor(along));
    const share = along - first;
    row.forEach((node, side) => {
      const [a, b] = [rows[first]?.[side] ?? 0, rows[first + 1]?.[side] ?? 0];
      for (let axis = 0; axis < 3; axis++)
        into[3 * node + axis] = (1 - share) * at(p, 3 * a + axis) + share * at(p, 3 * b + axis);
    });
  });
}

/**
 * Carries the form of a bag onto another mesh of it: what was found on a coarse one is where a fine one begins.
 *
 * @returns what does it, again and again as the coarse one moves.
 */
export function carrying(from: LaidOut, onto: LaidOut): () => void {
  const bag = ontoMesh(from.mesh, onto.mesh);
  const [p, into] = [from.cloth.position, onto.cloth.position];
  return () => {
    bag(p, into);
    from.straps.forEach((strap, k) => {
      const other = onto.straps[k];
      if (other) carryStrap(strap, p, other, into);
    });
  };
}
