import { type BagGraph, measure, waistOf } from '../bag/index.ts';
import { type ContentFit, type LeftOut, type Packed, packed, roomOf } from '../fit/index.ts';
import { bodyOf } from './body/growing.ts';
import { type Cloth, clothOf } from './cloth/cloth.ts';
import { THICK } from './cloth/fabric.ts';
import { touchingOf } from './contact/touching.ts';
import { type Closing, tiesOf } from './hang/closing.ts';
import { wayRound } from './hang/pull.ts';
import { type StrapNodes, withStraps } from './hang/strap-fabric.ts';
import { type Mesh, meshOf } from './mesh/mesh.ts';
import { fabricOf } from './mesh/mesh-fabric.ts';
import { mouthOf } from './mesh/rim-loops.ts';
import { flapsOf, partsOf, pinsOf } from './parts.ts';
import { type Placing, placing } from './placing.ts';
import { carriersOf, laidOf, type Pose } from './pose.ts';
import { type Acting, type World, worldOf } from './world.ts';

/** What a bag is filled with, and how it is put. */
export interface FillWith {
  /** Things it must hold, each held against the bag. */
  readonly contents: readonly ContentFit[];
  /** How much there is in it besides, 0 to 1: of soft things that stand by themselves. */
  readonly soft: number;
  readonly pose: Pose;
  /** What closes the bag, where it is closed. */
  readonly closing?: Closing | undefined;
  /** How far the drawstring is drawn, 0 to 1. */
  readonly drawn?: number;
  /** Wanted distance of nodes, as a part of a typical square; finer for measuring. */
  readonly cells?: number;
}

/** A bag as it lies when it is made up and pressed, on a mesh, ready to be filled. */
export interface LaidOut {
  readonly mesh: Mesh;
  /** The pressed bag before it is put into its pose: places of the nodes, mm. */
  readonly pressed: Float64Array;
  readonly cloth: Cloth;
  readonly world: World;
  readonly straps: readonly StrapNodes[];
  readonly packed: readonly Packed[];
  readonly leftOut: readonly LeftOut[];
  readonly put: Placing;
  /** What it hangs by, and what closes it. */
  readonly pins: Acting['pins'];
  readonly ties: Acting['ties'];
  /** The way round its mouth, in units. */
  readonly round: number;
  /** Pull that carries the fabric of a standing bag, and holds up its mouth. */
  readonly lift: number;
}

/** Beyond this many nodes the mesh is made coarser. */
const MOST_NODES = 2400;
/** Weight of the fabric, per unit of mass. */
export const GRAVITY = 1;
/** Pull on the mouth of a standing bag, per length of it, besides what its fabric weighs. */
const HELD = 0.5;

/** The length, mm, that the solver counts as 1: a square of a bag three across. */
export function unitOf(graph: BagGraph): number {
  const { width, height, depth } = measure(graph);
  return Math.max(20, (width + height + depth) / 7);
}

/**
 * Lays a bag out on a mesh, with what is in it, in its pose.
 *
 * @param cells wanted distance of nodes, as a part of a typical square.
 * @param other the same bag on another mesh: what is in it is the same.
 */
export function laidOut(
  graph: BagGraph,
  { contents, pose, closing }: FillWith,
  cells: number,
  other?: LaidOut,
): LaidOut {
  const unit = unitOf(graph);
  let spacing = unit / cells;
  let mesh = meshOf(graph, spacing);
  while (mesh.count > MOST_NODES && spacing < unit) {
    spacing *= 1.25;
    const coarser = meshOf(graph, spacing);
    if (coarser.count === mesh.count) break;
    mesh = coarser;
  }
  const bag = fabricOf(mesh, THICK, waistOf(graph));
  const mouth = mouthOf(mesh.triangles, (t) => bag.patches[t]?.holds === true);
  const laid = laidOf(graph, pose);
  const { fabric, straps, sewn } = withStraps(bag, graph.trim?.straps ?? [], laid, spacing, THICK);
  const inside = other ?? packed(contents, roomOf(graph));
  const carriers = pose === 'hang' ? carriersOf(graph, mesh, mouth, straps, fabric.start) : [];
  const put = placing(fabric.start, bag, pose, straps);
  const parts = partsOf(bag, straps);
  const [, ...hanging] = parts;
  const loose = hanging.filter((part) => !part.some((v) => carriers.includes(v)));
  const { flaps, roots } = flapsOf(mesh);
  const cloth = clothOf({ ...fabric, start: put.nodes }, unit, loose.flat());
  const world = worldOf(
    {
      cloth,
      touching: touchingOf(cloth.count, cloth.membrane.triangles, sewn, THICK / unit, spacing / unit),
      sewn,
      mouth,
      flaps,
      bodies: other?.world.bodies ?? inside.packed.map((thing) => bodyOf(thing, put.place, put.turn, unit)),
      spacing: spacing / unit,
      parts,
    },
    carriers,
  );
  const mass = cloth.membrane.area.reduce((sum, own) => sum + own, 0);
  const wayAround = mouth.length * (spacing / unit);
  return {
    mesh,
    pressed: bag.start,
    cloth,
    world,
    straps,
    packed: inside.packed,
    leftOut: inside.leftOut,
    put,
    pins: pinsOf(carriers, cloth.position, mouth, roots),
    ties: (closing ? tiesOf(closing, graph, mesh, mouth, bag.start) : []).map((tie) => ({
      ...tie,
      length: tie.length / unit,
    })),
    round: wayRound(cloth.position, mouth),
    lift: pose === 'stand' ? GRAVITY * mass + HELD * wayAround : 0,
  };
}
