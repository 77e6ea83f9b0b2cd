import { type DrawnFacet, outward } from '../bag/index.ts';
import { cross, dot, type Point3, unit } from '../geometry/index.ts';

/** Where the viewer stands: turned about the upright axis, and looking down from above; radians. */
export interface View {
  readonly turn: number;
  readonly tilt: number;
}

export const FRONT: View = { turn: 0, tilt: 0 };
export const BACK: View = { turn: Math.PI, tilt: 0 };
export const CORNER: View = { turn: 0.55, tilt: 0.34 };

/** Whether a bag of such a depth, mm, is told from a flat one. */
export const isDeep = (depth: number): boolean => depth > 5;

/** From where a bag of such a depth is seen best. */
export const viewOf = (depth: number): View => (isDeep(depth) ? CORNER : FRONT);

export interface Camera {
  readonly right: Point3;
  readonly up: Point3;
  readonly towards: Point3;
}

export function camera({ turn, tilt }: View): Camera {
  const towards = {
    x: Math.sin(turn) * Math.cos(tilt),
    y: Math.sin(tilt),
    z: Math.cos(turn) * Math.cos(tilt),
  };
  const right = { x: Math.cos(turn), y: 0, z: -Math.sin(turn) };
  return { right, up: cross(towards, right), towards };
}

/** A point of the bag on the picture plane, mm, y up. */
export const project = ({ right, up }: Camera, p: Point3) => ({ x: dot(right, p), y: dot(up, p) });

/** A facet as it is seen: an affine map of the piece's own drawing. */
export interface SeenFacet {
  readonly facet: DrawnFacet;
  /** SVG matrix a b c d e f. */
  readonly matrix: readonly [number, number, number, number, number, number];
  readonly depth: number;
  /** We look at the wrong side: the inside of the bag. */
  readonly inside: boolean;
  /** 0 in full light, towards 1 in shadow. */
  readonly shadow: number;
}

const LIGHT: Point3 = { x: -0.35, y: 0.55, z: 0.76 };

/** More than any bag is deep, mm. */
const ON_TOP = 1e4;

/**
 * All facets from far to near, by a parallel projection. What shows its inside lies behind everything that
 * shows its outside, as on any bag that bulges outwards. Facets seen edge-on are left out.
 */
export function seenFacets(facets: readonly DrawnFacet[], view: View): SeenFacet[] {
  const eye = camera(view);
  // The light goes round with the viewer, so that front and back are lit alike.
  const light = {
    x: eye.right.x * LIGHT.x + eye.up.x * LIGHT.y + eye.towards.x * LIGHT.z,
    y: eye.right.y * LIGHT.x + eye.up.y * LIGHT.y + eye.towards.y * LIGHT.z,
    z: eye.right.z * LIGHT.x + eye.up.z * LIGHT.y + eye.towards.z * LIGHT.z,
  };
  return facets
    .flatMap((facet): SeenFacet[] => {
      const { origin, u, v } = facet.motion;
      const normal = unit(outward(facet.motion));
      const facing = dot(normal, eye.towards);
      if (Math.abs(facing) < 0.02) return [];
      const n = facet.outline.length;
      const centre = facet.outline.reduce((sum, p) => ({ x: sum.x + p.x / n, y: sum.y + p.y / n }), {
        x: 0,
        y: 0,
      });
      const depth = dot(eye.towards, {
        x: origin.x + centre.x * u.x + centre.y * v.x,
        y: origin.y + centre.x * u.y + centre.y * v.y,
        z: origin.z + centre.x * u.z + centre.y * v.z,
      });
      const a = project(eye, u);
      const c = project(eye, v);
      const e = project(eye, origin);
      const lit = Math.abs(dot(normal, light));
      return [
        {
          facet,
          matrix: [a.x, a.y, c.x, c.y, e.x, e.y],
          // A flap lies on what is under it, however the middles of the two compare.
          depth: facet.face === 'flap' ? depth + ON_TOP : depth,
          inside: facing < 0,
          shadow: 1 - Math.min(1, Math.max(0, lit)),
        },
      ];
    })
    .sort((p, q) => Number(q.inside) - Number(p.inside) || p.depth - q.depth);
}
