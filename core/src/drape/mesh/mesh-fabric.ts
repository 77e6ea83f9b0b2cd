import { type Facet, move, outward } from '../../bag/index.ts';
import { dot, type Point, unit } from '../../geometry/index.ts';
import { at, nth } from '../cloth/at.ts';
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

/** A flap lies so many thicknesses higher than pressed, so that it goes over the rim in front and not through it. */
const FLAP_RAISED = 4;

const layerOf = ({ face }: Facet) => (face === 'flap' ? FLAP_LAYER : LAYER);
const hangs = ({ face }: Facet) => face === 'flap' || face === 'handle';

/**
 * The fabric of a bag, lying as the made-up bag does when it is pressed, with its layers apart by their thickness.
 *
 * @param thick thickness of the fabric, mm.
 */
export function fabricOf(mesh: Mesh, thick: number): Fabric {
  const { count, triangles, corners, vertices, facets } = mesh;
  const start = new Float64Array(3 * count);
  const shares = new Float64Array(count);
  const patches = facets.map((facet, t): Patch => {
    const normal = unit(outward(facet.motion));
    const off = layerOf(facet) * thick;
    const raised = facet.face === 'flap' ? FLAP_RAISED * thick : 0;
    const flat = [0, 1, 2].map((k): Point => {
      const { x, y } = vertices[nth(corners, 3 * t + k)] ?? { x: 0, y: 0 };
      const place = move(facet.motion, { x, y });
      const node = nth(triangles, 3 * t + k);
      start[3 * node] = at(start, 3 * node) + place.x + off * normal.x;
      start[3 * node + 1] = at(start, 3 * node + 1) + place.y + off * normal.y + raised;
      start[3 * node + 2] = at(start, 3 * node + 2) + place.z + off * normal.z;
      shares[node] = at(shares, node) + 1;
      return { x, y };
    });
    const [a, b, c] = flat;
    if (!a || !b || !c) throw new Error('A triangle without corners.');
    return {
      nodes: [nth(triangles, 3 * t), nth(triangles, 3 * t + 1), nth(triangles, 3 * t + 2)],
      flat: [a, b, c],
      holds: !hangs(facet),
    };
  });
  for (let k = 0; k < 3 * count; k++) start[k] = at(start, k) / Math.max(1, at(shares, Math.floor(k / 3)));
  return { count, patches, creases: creasesOf(mesh), start };
}

/** Every two triangles with a common side, but for those at the corners of the made-up bag. */
function creasesOf({ triangles, corners, facets }: Mesh): Crease[] {
  const normals = new Map(facets.map((facet) => [facet, unit(outward(facet.motion))]));
  const normalOf = (t: number) => {
    const facet = facets[t];
    return (facet && normals.get(facet)) ?? { x: 0, y: 0, z: 0 };
  };
  const open = new Map<string, { readonly t: number; readonly k: number }>();
  const creases: Crease[] = [];
  facets.forEach((_, t) => {
    for (let k = 0; k < 3; k++) {
      const [from, to] = [3 * t + k, 3 * t + ((k + 1) % 3)];
      const other = open.get(`${nth(triangles, to)}/${nth(triangles, from)}`);
      if (!other) {
        open.set(`${nth(triangles, from)}/${nth(triangles, to)}`, { t, k });
        continue;
      }
      const [theirFrom, theirTo] = [3 * other.t + other.k, 3 * other.t + ((other.k + 1) % 3)];
      const within =
        nth(corners, from) === nth(corners, theirTo) && nth(corners, to) === nth(corners, theirFrom);
      if (!within && dot(normalOf(t), normalOf(other.t)) < LEVEL) continue;
      creases.push({
        patches: [t, other.t],
        sides: [k, other.k],
        stiff: !within ? JOINED : facets[t] === facets[other.t] ? 1 : FOLDED,
      });
    }
  });
  return creases;
}
