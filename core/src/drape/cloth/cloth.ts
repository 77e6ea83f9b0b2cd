import type { Point } from '../../geometry/index.ts';
import { at } from './at.ts';
import { type Bending, bendingOf, type Hinge } from './bending.ts';
import type { Side } from './common-sides.ts';
import type { Crease, Fabric, Patch } from './fabric.ts';
import type { Membrane } from './membrane.ts';

/** Fabric as masses that keep their distances, in units of `unit` mm; a square of fabric of that size weighs 1. */
export interface Cloth {
  /** mm */
  readonly unit: number;
  readonly count: number;
  readonly position: Float64Array;
  readonly velocity: Float64Array;
  readonly inverseMass: Float64Array;
  /** How much faster than the bag a node falls: 1, and more for what hangs on it. */
  readonly falls: Float64Array;
  readonly membrane: Membrane;
  readonly bending: Bending;
  /** Which triangles hold what is in the bag. */
  readonly holding: Int32Array;
}

const CORNERS = [0, 1, 2] as const;
/**
 * What hangs on a bag is so much lighter, and falls so much faster: it pulls with its own weight, its form at rest is the
 * same, and it is there sooner.
 */
const LIGHTER = 8;
/** A triangle this much narrower than it is long counts as none. */
const SLIVER = 1e-3;
/** The least a node weighs, so that none is shot off. */
const LEAST_MASS = 1e-4;

/**
 * @param unit mm that count as 1.
 * @param loose nodes that hang on the bag and carry nothing but themselves.
 */
export function clothOf(
  { count, patches, creases, start }: Fabric,
  unit: number,
  loose: Iterable<number> = [],
): Cloth {
  const triangles = new Int32Array(3 * patches.length);
  const inverse = new Float64Array(4 * patches.length);
  const area = new Float64Array(patches.length);
  const mass = new Float64Array(count);
  patches.forEach(({ nodes, flat: [a, b, c] }, t) => {
    triangles.set(nodes, 3 * t);
    const [e, f] = [between(a, b, unit), between(a, c, unit)];
    const det = e.x * f.y - f.x * e.y;
    // A triangle without area has no stretch.
    if (det < SLIVER * (e.x * e.x + e.y * e.y + f.x * f.x + f.y * f.y)) return;
    area[t] = det / 2;
    inverse.set([f.y / det, -f.x / det, -e.y / det, e.x / det], 4 * t);
    for (const node of nodes) mass[node] = at(mass, node) + det / 6;
  });
  const falls = new Float64Array(count).fill(1);
  for (const node of loose) falls[node] = LIGHTER;
  return {
    unit,
    count,
    position: start.map((mm) => mm / unit),
    velocity: new Float64Array(3 * count),
    inverseMass: mass.map((m, v) => at(falls, v) / Math.max(m, LEAST_MASS)),
    falls,
    membrane: { triangles, inverse, area },
    bending: bendingOf(
      creases
        .map((crease) => hingeOf(crease, patches, unit))
        .filter(({ side, heights }) => heights.every((height) => height > SLIVER * side)),
    ),
    holding: Int32Array.from(patches, ({ holds }) => (holds ? 1 : 0)),
  };
}

const between = (p: Point, q: Point, unit: number): Point => ({
  x: (q.x - p.x) / unit,
  y: (q.y - p.y) / unit,
});

function hingeOf({ sides: [one, other], stiff }: Crease, patches: readonly Patch[], unit: number): Hinge {
  const [a, b] = [fromSide(patches, one, unit), fromSide(patches, other, unit)];
  return {
    nodes: [a.from, a.to, a.far, b.far],
    side: (a.side + b.side) / 2,
    heights: [a.height, b.height],
    // The other patch has the common side the other way round.
    feet: [a.foot, 1 - b.foot],
    stiffness: stiff,
  };
}

/** A patch as seen from one of its sides. */
function fromSide(patches: readonly Patch[], { triangle, corner }: Side, unit: number) {
  const patch = patches[triangle];
  if (!patch) throw new Error('A crease without fabric.');
  const { nodes, flat } = patch;
  const turned = <T>(list: readonly [T, T, T], i: number): T => list[CORNERS[(corner + i) % 3] ?? 0];
  const e = between(turned(flat, 0), turned(flat, 1), unit);
  const f = between(turned(flat, 0), turned(flat, 2), unit);
  const side = Math.hypot(e.x, e.y);
  return {
    from: turned(nodes, 0),
    to: turned(nodes, 1),
    far: turned(nodes, 2),
    side,
    height: (e.x * f.y - e.y * f.x) / side,
    foot: (e.x * f.x + e.y * f.y) / (side * side),
  };
}
