import type { Plan } from '@fennot/core';
import { Vector3 } from 'three';

/** The camera's angle of view from bottom to top, degrees. */
export const VIEW_ANGLE = 32;
/** Room left round the bag, as a share of it. */
const ROOM = 1.06;
/** From where the bag is looked at: a little above, from the right. */
export const VIEW = new Vector3(0.5, 0.34, 0.82).normalize();
const RIGHT = new Vector3(0, 1, 0).cross(VIEW).normalize();
const UP = VIEW.clone().cross(RIGHT);

export interface Fit {
  /** What the camera looks at. */
  readonly centre: Vector3;
  /** How far from there it stands, along `VIEW`. */
  readonly far: number;
}

/**
 * From where every vertex of a frame is seen, and so much above them, mm. A vertex so far to the side is seen from
 * where it lies within the angle of view: as far behind it as it lies aside over the tangent of half the angle.
 *
 * @param aspect how many times the picture is as wide as high.
 */
export function fitView(positions: Float32Array, above: number, aspect: number): Fit {
  const low = new Vector3(Infinity, Infinity, Infinity);
  const high = new Vector3(-Infinity, -Infinity, -Infinity);
  const vertex = new Vector3();
  for (let i = 0; i < positions.length; i += 3) {
    vertex.fromArray(positions, i);
    low.min(vertex);
    high.max(vertex);
  }
  const top = high.y;
  high.y += above;
  const centre = low.clone().add(high).multiplyScalar(0.5);
  const tangent = Math.tan((VIEW_ANGLE * Math.PI) / 360);
  let far = 0;
  for (let i = 0; i < positions.length; i += 3) {
    vertex.fromArray(positions, i);
    // What hangs over the bag's highest places may reach so far above them.
    if (vertex.y > top - above / 2) vertex.y += above;
    vertex.sub(centre);
    const aside = Math.max(Math.abs(vertex.dot(RIGHT)) / aspect, Math.abs(vertex.dot(UP)));
    far = Math.max(far, vertex.dot(VIEW) + (ROOM * aside) / tangent);
  }
  return { centre, far };
}

/** How far the straps reach above the rim, mm; those that hang behind do not. */
export const strapsAbove = ({ graph }: Plan): number =>
  Math.max(
    0,
    ...(graph.trim?.straps ?? [])
      .filter(({ behind }) => !behind)
      .map(({ from, to, length }) => Math.sqrt(Math.max(0, (length / 2) ** 2 - ((to.x - from.x) / 2) ** 2))),
  );
