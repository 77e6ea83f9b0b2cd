import type { BagGraph, Facet } from '../../bag/index.ts';

/** A point in space as three numbers. */
export type Vec = readonly [number, number, number];

/** A triangle of the made-up bag, and the facet it is of. */
export interface Tri {
  readonly corners: readonly [Vec, Vec, Vec];
  /** The same corners on the piece. */
  readonly flat: readonly [Vec, Vec, Vec];
  readonly facet: Facet;
}

/** Cuts a polygon into triangles by cutting off ears, whatever its shape; indices of its corners. */
export function ears(
  outline: ReadonlyArray<{ readonly x: number; readonly y: number }>,
): Array<[number, number, number]> {
  const left = outline.map((_, i) => i);
  const at = (i: number) => outline[i] ?? { x: 0, y: 0 };
  const turn = (a: number, b: number, c: number) =>
    (at(b).x - at(a).x) * (at(c).y - at(a).y) - (at(b).y - at(a).y) * (at(c).x - at(a).x);
  const triangles: Array<[number, number, number]> = [];
  let idle = 0;
  while (left.length > 3 && idle <= left.length) {
    const [a = 0, b = 0, c = 0] = left;
    const free = !left.some(
      (k) => k !== a && k !== b && k !== c && turn(a, b, k) > 0 && turn(b, c, k) > 0 && turn(c, a, k) > 0,
    );
    if (turn(a, b, c) >= 0 && free) {
      triangles.push([a, b, c]);
      left.splice(1, 1);
      idle = 0;
    } else {
      left.push(left.shift() ?? 0);
      idle++;
    }
  }
  const [a = 0, b = 0, c = 0] = left;
  return [...triangles, [a, b, c]];
}

/** The made-up bag as triangles in space. */
export function trianglesOf({ facets }: BagGraph): Tri[] {
  return facets.flatMap((facet) => {
    const { origin: o, u, v } = facet.motion;
    const place = (i: number): Vec => {
      const { x, y } = facet.outline[i] ?? { x: 0, y: 0 };
      return [o.x + x * u.x + y * v.x, o.y + x * u.y + y * v.y, o.z + x * u.z + y * v.z];
    };
    const flat = (i: number): Vec => {
      const { x, y } = facet.outline[i] ?? { x: 0, y: 0 };
      return [x, y, 0];
    };
    return ears(facet.outline).map(
      ([a, b, c]): Tri => ({
        corners: [place(a), place(b), place(c)],
        flat: [flat(a), flat(b), flat(c)],
        facet,
      }),
    );
  });
}

/** Whether a facet is part of the body that holds something. */
export const holds = ({ face, tucked }: Facet): boolean => face !== 'flap' && face !== 'handle' && !tucked;
