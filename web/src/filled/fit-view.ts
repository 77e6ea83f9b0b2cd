import type { Plan } from '@fennot/core';
import { Vector3 } from 'three';

/** The camera's angle of view from bottom to top, degrees. */
export const VIEW_ANGLE = 32;
/** Room left round the bag, as a share of it. */
const ROOM = 1.08;

/** A ball that holds every vertex of a frame, and so much above them, mm. */
export function ballRound(positions: Float32Array, above: number): { centre: Vector3; radius: number } {
  const low = new Vector3(Infinity, Infinity, Infinity);
  const high = new Vector3(-Infinity, -Infinity, -Infinity);
  const vertex = new Vector3();
  for (let i = 0; i < positions.length; i += 3) {
    vertex.fromArray(positions, i);
    low.min(vertex);
    high.max(vertex);
  }
  high.y += above;
  const centre = low.clone().add(high).multiplyScalar(0.5);
  return { centre, radius: high.distanceTo(low) / 2 };
}

/** How far away a ball must be to be seen whole, in a frame so many times as wide as high. */
export function distanceToSee(radius: number, aspect: number): number {
  const half = (VIEW_ANGLE * Math.PI) / 360;
  const narrow = Math.min(half, Math.atan(Math.tan(half) * aspect));
  return (ROOM * radius) / Math.sin(narrow);
}

/** How far the straps reach above the rim, mm; those that hang behind do not. */
export const strapsAbove = ({ graph }: Plan): number =>
  Math.max(
    0,
    ...(graph.trim?.straps ?? [])
      .filter(({ behind }) => !behind)
      .map(({ from, to, length }) => Math.sqrt(Math.max(0, (length / 2) ** 2 - ((to.x - from.x) / 2) ** 2))),
  );
