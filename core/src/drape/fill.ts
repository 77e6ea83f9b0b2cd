import type { BagGraph } from '../bag/index.ts';
import { type ContentFit, type Form, halfOf, type LeftOut, type Packed } from '../fit/index.ts';
import type { Body, Turn, Vec } from './body/body.ts';
import { grown, scaled } from './body/growing.ts';
import { carrying } from './carry.ts';
import type { Cloth } from './cloth/cloth.ts';
import type { StrapNodes } from './hang/strap-fabric.ts';
import { type FillWith, GRAVITY, type LaidOut, laidOut, unitOf } from './laid-out.ts';
import type { Mesh } from './mesh/mesh.ts';
import { onTable } from './placing.ts';
import { type Pose, usualPose } from './pose.ts';
import { unfolding } from './unfold.ts';
import { type Acting, farthest, stepFrame, stopAtPeaks, type World } from './world.ts';

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

/** Cells along the side of a typical square; and at first, while the bag finds its form. */
const CELLS = 6;
const COARSER = 1.5;
/** Steps of a frame on the coarse mesh: its fabric may give a little. */
const STEPS_COARSE = 5;
/** How hard a full bag is pushed at its bottom, and what share of that is felt at its top. */
const PUSH = 8;
const EVEN = 0.35;
const EVEN_LYING = 0.4;
/** From so much of it on, it holds up what lies over its mouth. */
const FULL = 0.3;
/** Frames in which what was laid inexactly finds its length; in which the filling comes; in which things grow. */
const LAID = 6;
const FILLED = 36;
const GROWN = 50;
/** A mouth that is drawn shut all the way is still so long, of its way round; and it takes so many frames. */
const BUNCHED = 0.15;
const DRAWN = 80;
/** At rest: nothing of the bag has come farther than this, mm, in so many frames, and nothing that hangs on it. */
const STILL = 1;
const STILL_HANGING = 3;
const CALM = 16;
/** On the coarse mesh it need be no stiller than this, mm, and no longer than so many frames. */
const NEAR_STILL = 3;
const LONGEST_COARSE = 112;
/** From this frame on what still moves is slowed down more and more. */
const TIRED = 120;
const TIRING = 0.3;
const tired = (frames: number) => Math.max(0, frames) * TIRING;
/** What the air takes of the speed of what hangs on the bag, a second; and that tires later. */
const AIR = 6;
const TIRED_HANGING = 160;
/** Frames after which it is enough, on either mesh. */
const LONGEST = 320;

/**
 * Begins to fill a bag, from how it lies when it is made up and pressed. The same bag always fills the same way.
 *
 * It finds its form on a coarse mesh first, which is quick, and then its details on the fine one, which is the one that
 * is shown.
 *
 * @param from a form that is there. Where its mesh and its pose are those of this bag, and the same things are in it,
 * the filling begins from it: another softness, a cord that is drawn, what closes it.
 */
export function fillBag(graph: BagGraph, how: FillWith, from?: FilledNow): Filling {
  const { soft, pose, drawn = 0, cells = CELLS } = how;
  const unit = unitOf(graph);
  const fine = laidOut(graph, how, cells);
  const { mesh, cloth, world, straps, packed: inside, leftOut, put } = fine;
  const things = world.bodies;
  const unfold = unfolding(graph, mesh, fine.pressed);
  const before =
    from && isSame(from, { pose, unit, contents: inside, triangles: cloth.membrane.triangles })
      ? from
      : undefined;
  if (before) goOn(before, cloth, things);
  /** The coarse mesh as long as it moves, and what carries its form over. */
  let rough: { readonly bag: LaidOut; carry(): void } | undefined;
  /** Laid out when it is first moved: the pressed bag is there to be shown before. */
  const roughly = () => {
    const bag = laidOut(graph, how, cells / COARSER, fine);
    return { bag, carry: carrying(bag, fine) };
  };
  let [frame, still] = [before ? FILLED : 0, false];
  /** The frame in which it was carried onto the fine mesh. */
  let begun = 0;
  /** Where what moves was when it was last looked at. */
  let lately: Float64Array | undefined;
  const drawnBefore = before?.drawn ?? 0;
  const drawnAt = (now: number) =>
    drawnBefore + (drawn - drawnBefore) * Math.min(1, Math.max(0, now - FILLED) / DRAWN);
  /** Until then it changes by itself: things grow, the mouth is drawn. */
  const busy = CALM + (drawn > 0 ? FILLED + DRAWN : GROWN);
  const acting = ({ pins, ties, round, lift }: LaidOut): Acting => ({
    softness: {
      push: PUSH * soft * Math.min(1, Math.max(0, frame - LAID) / (FILLED - LAID)),
      even: pose === 'lie' ? EVEN_LYING : EVEN,
      mouth: pose === 'lie' ? 'back' : 'up',
    },
    gravity: GRAVITY,
    damping: frame < LAID ? 250 : frame < FILLED ? 3 : 1.5 + tired(frame - begun - TIRED),
    air: frame < LAID ? 250 : AIR + tired(frame - begun - TIRED_HANGING),
    lift,
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
      return still || frame - begun >= LONGEST;
    },
    get atRest() {
      return still;
    },
    step() {
      inside.forEach(({ form }, i) => {
        const thing = things[i];
        if (thing) thing.form = grown(form, before ? 1 : Math.min(1, frame / GROWN), unit);
      });
      if (frame === 0) rough = roughly();
      const moving = rough?.bag ?? fine;
      stepFrame(moving.world, acting(moving), rough ? STEPS_COARSE : undefined);
      frame++;
      if (frame > FILLED) stopAtPeaks(moving.world);
      rough?.carry();
      if (frame % CALM > 0) return;
      const now = moving.cloth.position.slice();
      const then = lately;
      const moved = then && moving.world.parts.map((part) => farthest(now, then, part) * unit);
      const calm =
        frame > busy &&
        moved?.every((mm, part) => mm < (rough ? NEAR_STILL : part === 0 ? STILL : STILL_HANGING)) === true;
      if (!rough) still = calm;
      else if (calm || frame >= LONGEST_COARSE) [rough, begun] = [undefined, frame - FILLED];
      lately = rough ? now : cloth.position.slice();
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
