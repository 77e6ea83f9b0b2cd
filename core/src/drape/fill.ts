import { type BagGraph, measure, waistOf } from '../bag/index.ts';
import {
  type ContentFit,
  type Form,
  halfOf,
  type LeftOut,
  type Packed,
  packed,
  roomOf,
} from '../fit/index.ts';
import type { Body, Turn, Vec } from './body/body.ts';
import { bodyOf, grown, scaled } from './body/growing.ts';
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
import { onTable, placing } from './placing.ts';
import { carriersOf, laidOf, type Pose, usualPose } from './pose.ts';
import { unfolding } from './unfold.ts';
import { type Acting, farthest, stepFrame, stopAtPeaks, type World, worldOf } from './world.ts';

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

/** A bag being filled, a frame at a time. Lengths in mm, y up, the table at 0. */
export interface Filling {
  readonly mesh: Mesh;
  readonly cloth: Cloth;
  readonly world: World;
  readonly straps: readonly StrapNodes[];
  readonly contents: readonly Packed[];
  readonly leftOut: readonly LeftOut[];
  readonly pose: Pose;
  /** Frames so far. */
  readonly frame: number;
  /** It has come to rest, or was stopped after the longest time. */
  readonly settled: boolean;
  /** It came to rest by itself. */
  readonly atRest: boolean;
  /** Moves on by one frame of 1/60 s. */
  step(): void;
  /** What there is of it now, for another filling to begin from. */
  readonly now: FilledNow;
  /** Places of all vertices of the mesh on the way from the flat net to the pressed bag, for a share of that way. */
  unfolded(share: number): Float32Array;
  /** Places of all nodes, those of the straps last. */
  places(): Float32Array;
  /** Middle and turning of everything in it, in the order of `contents`. */
  bodies(): ReadonlyArray<{ readonly form: Form; readonly at: Vec; readonly turn: Turn }>;
}

/** A form that is there: an edit that leaves the mesh as it is begins from it. */
export interface FilledNow {
  readonly pose: Pose;
  readonly unit: number;
  readonly triangles: Int32Array;
  readonly position: Float64Array;
  /** What is in it, and where each of them is. */
  readonly contents: readonly Packed[];
  readonly things: readonly Body[];
  /** How far the mouth is drawn. */
  readonly drawn: number;
}

/** Cells along the side of a typical square. */
const CELLS = 6;
/** Beyond this many nodes the mesh is made coarser. */
const MOST_NODES = 2400;
/** How hard a full bag is pushed at its bottom, and what share of that is felt at its top. */
const PUSH = 8;
const EVEN = 0.35;
const EVEN_LYING = 0.4;
const GRAVITY = 1;
/** From so much of it on, it holds up what lies over the mouth. */
const FULL = 0.3;
/** Pull on the mouth of a standing bag, per length of it, besides what its fabric weighs. */
const HELD = 0.5;
/** Frames in which what was laid inexactly finds its length; in which the filling comes; in which things grow. */
const LAID = 6;
const FILLED = 36;
const GROWN = 50;
/** A mouth that is drawn shut all the way is still so long, of its way round; and it takes so many frames. */
const BUNCHED = 0.15;
const DRAWN = 80;
/** At rest: nothing has come farther than this, mm, in so many frames. */
const STILL = 1;
const CALM = 16;
/** From this frame on what still moves is slowed down more and more. */
const TIRED = 120;
const TIRING = 0.3;
const tired = (frames: number) => Math.max(0, frames) * TIRING;
/** What the air takes of the speed of what hangs on the bag, a second; and that tires later. */
const AIR = 6;
const TIRED_HANGING = 160;
/** Frames after which it is enough. */
const LONGEST = 320;

/** The length, mm, that the solver counts as 1: a square of a bag three across. */
export function unitOf(graph: BagGraph): number {
  const { width, height, depth } = measure(graph);
  return Math.max(20, (width + height + depth) / 7);
}

/**
 * Begins to fill a bag, from how it lies when it is made up and pressed. The same bag always fills the same way.
 *
 * @param from a form that is there. Where its mesh and its pose are those of this bag, and the same things are in it,
 * the filling begins from it: another softness, a cord that is drawn, what closes it.
 */
export function fillBag(
  graph: BagGraph,
  { contents, soft, pose, closing, drawn = 0, cells = CELLS }: FillWith,
  from?: FilledNow,
): Filling {
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
  const { fabric, straps, sewn } = withStraps(
    bag,
    graph.trim?.straps ?? [],
    laidOf(graph, pose),
    spacing,
    THICK,
  );
  const { packed: inside, leftOut } = packed(contents, roomOf(graph));
  const carriers = pose === 'hang' ? carriersOf(graph, mesh, mouth, straps, fabric.start) : [];
  const put = placing(fabric.start, bag, pose, straps);
  const parts = partsOf(bag, straps);
  const [, ...hanging] = parts;
  const loose = hanging.filter((part) => !part.some((v) => carriers.includes(v)));
  const { flaps, roots } = flapsOf(mesh);
  const cloth = clothOf({ ...fabric, start: put.nodes }, unit, loose.flat());
  const things = inside.map((thing) => bodyOf(thing, put.place, put.turn, unit));
  const world = worldOf(
    {
      cloth,
      touching: touchingOf(cloth.count, cloth.membrane.triangles, sewn, THICK / unit, spacing / unit),
      sewn,
      mouth,
      flaps,
      bodies: things,
      spacing: spacing / unit,
      parts,
    },
    carriers,
  );
  const pins = pinsOf(carriers, cloth.position, mouth, roots);
  const mass = cloth.membrane.area.reduce((sum, own) => sum + own, 0);
  const wayAround = mouth.length * (spacing / unit);
  const ties = (closing ? tiesOf(closing, graph, mesh, mouth, bag.start) : []).map((tie) => ({
    ...tie,
    length: tie.length / unit,
  }));
  const round = wayRound(cloth.position, mouth);
  const unfold = unfolding(graph, mesh, bag.start);
  const before =
    from && isSame(from, { pose, unit, contents: inside, triangles: cloth.membrane.triangles })
      ? from
      : undefined;
  if (before) goOn(before, cloth, things);
  let [frame, still] = [before ? FILLED : 0, false];
  const lately = cloth.position.slice();
  const drawnBefore = before?.drawn ?? 0;
  const drawnAt = (now: number) =>
    drawnBefore + (drawn - drawnBefore) * Math.min(1, Math.max(0, now - FILLED) / DRAWN);
  const acting = (): Acting => ({
    softness: {
      push: PUSH * soft * Math.min(1, Math.max(0, frame - LAID) / (FILLED - LAID)),
      even: pose === 'lie' ? EVEN_LYING : EVEN,
      mouth: pose === 'lie' ? 'back' : 'up',
    },
    gravity: GRAVITY,
    damping: frame < LAID ? 250 : frame < FILLED ? 3 : 1.5 + tired(frame - TIRED),
    air: frame < LAID ? 250 : AIR + tired(frame - TIRED_HANGING),
    lift: pose === 'stand' ? GRAVITY * mass + HELD * wayAround : 0,
    table: pose !== 'hang',
    filled: soft >= FULL,
    pins,
    ties: frame > FILLED ? ties : [],
    // It is drawn bit by bit; what is gathered on it takes its room.
    cord: drawn > 0 && frame > FILLED ? round * (1 - drawnAt(frame) * (1 - BUNCHED)) : undefined,
  });
  return {
    mesh,
    cloth,
    world,
    straps,
    contents: inside,
    leftOut,
    pose,
    get frame() {
      return frame;
    },
    get settled() {
      return still || frame >= LONGEST;
    },
    get atRest() {
      return still;
    },
    step() {
      inside.forEach(({ form }, i) => {
        const thing = things[i];
        if (thing) thing.form = grown(form, before ? 1 : Math.min(1, frame / GROWN), unit);
      });
      stepFrame(world, acting());
      frame++;
      if (frame > FILLED) stopAtPeaks(world);
      if (frame % CALM > 0) return;
      const moved = farthest(cloth.position, lately) * unit;
      still = frame > CALM + (drawn > 0 ? FILLED + DRAWN : GROWN) && moved < STILL;
      lately.set(cloth.position);
    },
    get now() {
      const { triangles } = cloth.membrane;
      const position = cloth.position.slice();
      return { pose, unit, triangles, position, contents: inside, things, drawn: drawnAt(frame) };
    },
    unfolded: (share) => onTable(unfold(share), put.place),
    places: () => Float32Array.from(cloth.position, (value) => value * unit),
    bodies: () =>
      things.map(({ form, at: [x, y, z], turn }) => ({
        form: scaled(form, unit),
        at: [x * unit, y * unit, z * unit],
        turn,
      })),
  };
}

/** Whether a form is one of the same mesh, in the same pose, with the same things in it. */
const isSame = (
  from: FilledNow,
  { pose, unit, contents, triangles }: Omit<FilledNow, 'position' | 'things' | 'drawn'>,
): boolean =>
  from.pose === pose &&
  from.unit === unit &&
  from.triangles.length === triangles.length &&
  from.triangles.every((node, k) => node === triangles[k]) &&
  from.contents.length === contents.length &&
  from.contents.every(({ content, form }, k) => {
    const now = contents[k];
    return (
      content.id === now?.content.id && halfOf(form).every((half, axis) => half === halfOf(now.form)[axis])
    );
  });

/** Puts fabric and things where they were. */
function goOn(from: FilledNow, { position }: Cloth, things: readonly Body[]): void {
  position.set(from.position);
  things.forEach((thing, k) => {
    const { at, turn } = from.things[k] ?? thing;
    thing.at = [...at];
    thing.turn = [...turn];
  });
}

/** The usual way to fill a bag: in its own pose, with what it must hold, and soft things besides. */
export const usualFilling = (graph: BagGraph, contents: readonly ContentFit[]): FillWith => ({
  contents,
  soft: contents.some(({ fits }) => fits) ? 0.4 : 0.8,
  pose: usualPose(graph),
});
