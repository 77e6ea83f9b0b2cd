import { must, type Plan, placeContents } from '@fennot/core';
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
 * From where every vertex of a frame and everything beside them is seen, and so much above the vertices, mm. A vertex so far to the side is seen from
 * where it lies within the angle of view: as far behind it as it lies aside over the tangent of half the angle.
 *
 * @param aspect how many times the picture is as wide as high.
 */
export function fitView(
  positions: Float32Array,
  above: number,
  aspect: number,
  beside: readonly Vector3[] = [],
): Fit {
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
  for (const point of beside) {
    low.min(point);
    high.max(point);
  }
  const centre = low.clone().add(high).multiplyScalar(0.5);
  const tangent = Math.tan((VIEW_ANGLE * Math.PI) / 360);
  const farFor = (point: Vector3) => {
    point.sub(centre);
    const aside = Math.max(Math.abs(point.dot(RIGHT)) / aspect, Math.abs(point.dot(UP)));
    return point.dot(VIEW) + (ROOM * aside) / tangent;
  };
  let far = 0;
  for (let i = 0; i < positions.length; i += 3) {
    vertex.fromArray(positions, i);
    // What hangs over the bag's highest places may reach so far above them.
    if (vertex.y > top - above / 2) vertex.y += above;
    far = Math.max(far, farFor(vertex));
  }
  for (const point of beside) far = Math.max(far, farFor(vertex.copy(point)));
  return { centre, far };
}

/** What stands in the bag, where it stands, to scale. */
export function standingIn({ document, tapes }: Plan) {
  const width = must(
    tapes.find(({ measure }) => measure === 'width'),
    'width',
  ).finished.value;
  return placeContents(document.brief.contents ?? [], width);
}

/** The corners round everything that stands in the bag. */
export const contentCorners = (plan: Plan): Vector3[] =>
  standingIn(plan).flatMap(({ at, size }) =>
    [-0.5, 0.5].flatMap((x) =>
      [-0.5, 0.5].flatMap((y) =>
        [-0.5, 0.5].map((z) => new Vector3(at.x + x * size.x, at.y + y * size.y, at.z + z * size.z)),
      ),
    ),
  );

/** How far the straps reach above the rim, mm; those that hang behind do not. */
export const strapsAbove = ({ graph }: Plan): number =>
  Math.max(
    0,
    ...(graph.trim?.straps ?? [])
      .filter(({ behind }) => !behind)
      .map(({ from, to, length }) => Math.sqrt(Math.max(0, (length / 2) ** 2 - ((to.x - from.x) / 2) ** 2))),
  );
