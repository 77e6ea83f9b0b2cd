import { halfOf } from '@fennot/core';
import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

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
 * From where every place of a frame and everything beside it is seen. A place so far to the side is seen from where it
 * lies within the angle of view: as far behind it as it lies aside over the tangent of half the angle.
 *
 * @param aspect how many times the picture is as wide as high.
 */
export function fitView(places: Float32Array, aspect: number, beside: readonly Vector3[] = []): Fit {
  const low = new Vector3(Infinity, Infinity, Infinity);
  const high = new Vector3(-Infinity, -Infinity, -Infinity);
  const all = [...beside];
  for (let i = 0; i < places.length; i += 3) all.push(new Vector3().fromArray(places, i));
  for (const point of all) {
    low.min(point);
    high.max(point);
  }
  const centre = low.clone().add(high).multiplyScalar(0.5);
  const tangent = Math.tan((VIEW_ANGLE * Math.PI) / 360);
  let far = 0;
  for (const point of all) {
    const from = point.clone().sub(centre);
    const aside = Math.max(Math.abs(from.dot(RIGHT)) / aspect, Math.abs(from.dot(UP)));
    far = Math.max(far, from.dot(VIEW) + (ROOM * aside) / tangent);
  }
  return { centre, far };
}

/** Room between the bag and what stands beside it, mm. */
const BESIDE = 40;

/** Where what does not go in stands: on the table, to the right of the bag, one after the other. */
export function ghostsBeside({ leftOut }: FillStart, places: Float32Array) {
  let right = -Infinity;
  for (let i = 0; i < places.length; i += 3) right = Math.max(right, places[i] ?? 0);
  return leftOut.map(({ id, form }) => {
    const half = new Vector3(...halfOf(form));
    const at = new Vector3(right + BESIDE + half.x, half.y, 0);
    right = at.x + half.x;
    return { id, form, at, half };
  });
}

/** The corners round everything that stands beside the bag. */
export const ghostCorners = (start: FillStart, places: Float32Array): Vector3[] =>
  ghostsBeside(start, places).flatMap(({ at, half }) =>
    [-1, 1].flatMap((x) =>
      [-1, 1].flatMap((y) => [-1, 1].map((z) => new Vector3(x, y, z).multiply(half).add(at))),
    ),
  );
