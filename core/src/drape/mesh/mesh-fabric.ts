import { drawnInAt, type Facet, move, outward, type Waist } from '../../bag/index.ts';
import { dot, type Point, unit } from '../../geometry/index.ts';
import { at, nth } from '../cloth/at.ts';
import { commonSides } from '../cloth/common-sides.ts';
import type { Crease, Fabric, Patch } from '../cloth/fabric.ts';
import type { Mesh } from './mesh.ts';

/** How much pieces that are joined flat want to lie in one plane, against the fabric within a piece. */
const JOINED = 0.05;
/** How much fabric that is folded on the made-up bag wants to be straight there. */
const FOLDED = 0.1;
/** Pieces that meet at less than this cosine of an angle are a corner already, and want nothing. */
const LEVEL = 0.85;
/** So many thicknesses out from the middle a layer lies: a face, and a flap over it. */
const LAYER = 0.6;
const FLAP_LAYER = 2.2;

/** A flap and its root begin so many thicknesses, and so much of the distance of nodes, over the highest rim. */
const FLAP_RAISED = 4;
const FLAP_OVER = 0.2;

/** A facet that rises by less than this share of its length lies level. */
const LEAST_STEEP = 0.05;

const layerOf = ({ face }: Facet) => (face === 'flap' ? FLAP_LAYER : LAYER);
const hangs = ({ face }: Facet) => face === 'flap' || face === 'handle';

/**
 * The fabric of a bag, lying as the made-up bag does when it is pressed, with its layers apart by their thickness.
 *
 * @param thick thickness of the fabric, mm.
 * @param waist where it is drawn in, fabric is narrower round the bag than it was worked.
 */
export function fabricOf(mesh: Mesh, thick: number, waist?: Waist): Fabric {
  const { count, triangles, corners, vertices, facets } = mesh;
  const start = new Float64Array(3 * count);
  const shares = new Float64Array(count);
  const held = new Set(
    facets.flatMap((facet, t) => (hangs(facet) ? [] : [...triangles.subarray(3 * t, 3 * t + 3)])),
  );
  const raised = new Set<number>();
  const patches = facets.map((facet, t): Patch => {
    const normal = unit(outward(facet.motion));
    const off = layerOf(facet) * thick;
    const flat = [0, 1, 2].map((k): Point => {
      const { x, y } = vertices[nth(corners, 3 * t + k)] ?? { x: 0, y: 0 };
      const place = move(facet.motion, { x, y });
      const node = nth(triangles, 3 * t + k);
      if (facet.face === 'flap') raised.add(node);
      // The root of a flap lies in the layer of what it grows out of.
      if (hangs(facet) && held.has(node)) return { x, y };
      start[3 * node] = at(start, 3 * node) + place.x + off * normal.x;
      start[3 * node + 1] = at(start, 3 * node + 1) + place.y + off * normal.y;
      start[3 * node + 2] = at(start, 3 * node + 2) + place.z + off * normal.z;
      shares[node] = at(shares, node) + 1;
      return { x, y };
    });
    const [a, b, c] = flat;
    if (!a || !b || !c) throw new Error('A triangle without corners.');
    return {
      nodes: [nth(triangles, 3 * t), nth(triangles, 3 * t + 1), nth(triangles, 3 * t + 2)],
      flat: waist ? takenIn(facet, [a, b, c], waist) : [a, b, c],
      holds: !hangs(facet),
    };
  });
  for (let k = 0; k < 3 * count; k++) start[k] = at(start, k) / Math.max(1, at(shares, Math.floor(k / 3)));
  // Over the highest rim, and between its nodes, too.
  const high = [...held].reduce((most, node) => Math.max(most, at(start, 3 * node + 1)), -Infinity);
  const root = [...raised].filter((node) => held.has(node));
  const low = root.reduce((least, node) => Math.min(least, at(start, 3 * node + 1)), high);
  const by = high - low + FLAP_RAISED * thick + FLAP_OVER * mesh.spacing;
  for (const node of raised) start[3 * node + 1] = at(start, 3 * node + 1) + by;
  return { count, patches, creases: creasesOf(mesh, patches), start };
}

/** The corners of a triangle as narrow as a waist draws it in at its height: round the bag, not up it. */
function takenIn(
  { motion: { origin, u, v } }: Facet,
  corners: readonly [Point, Point, Point],
  waist: Waist,
): readonly [Point, Point, Point] {
  const steep = Math.hypot(u.y, v.y);
  // Fabric that lies level has no way round.
  if (steep < LEAST_STEEP) return corners;
  const round = { x: -v.y / steep, y: u.y / steep };
  const narrow = (p: Point): Point => {
    const [middle] = corners;
    const height = corners.reduce((sum, q) => sum + (origin.y + q.x * u.y + q.y * v.y) / 3, 0);
    const along = (p.x - middle.x) * round.x + (p.y - middle.y) * round.y;
    const less = along * drawnInAt(waist, height) * steep;
    return { x: p.x - less * round.x, y: p.y - less * round.y };
  };
  const [a, b, c] = corners;
  return [narrow(a), narrow(b), narrow(c)];
}

/** Every two triangles with a common side, but for those at the corners of the made-up bag. */
function creasesOf({ corners, facets }: Mesh, patches: readonly Patch[]): Crease[] {
  const normals = new Map(facets.map((facet) => [facet, unit(outward(facet.motion))]));
  const normalOf = (t: number) => {
    const facet = facets[t];
    return (facet && normals.get(facet)) ?? { x: 0, y: 0, z: 0 };
  };
  const vertex = (t: number, k: number) => nth(corners, 3 * t + (k % 3));
  return commonSides(patches.map(({ nodes }) => nodes)).flatMap(([one, other]): Crease[] => {
    const [s, t] = [one.triangle, other.triangle];
    const within =
      vertex(s, one.corner) === vertex(t, other.corner + 1) &&
      vertex(s, one.corner + 1) === vertex(t, other.corner);
    if (!within && dot(normalOf(s), normalOf(t)) < LEVEL) return [];
    const stiff = !within ? JOINED : facets[s] === facets[t] ? 1 : FOLDED;
    return [{ sides: [one, other], stiff }];
  });
}
