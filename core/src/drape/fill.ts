import { type BagGraph, insideOf, levelCuts, measure, waistOf } from '../bag/index.ts';
import type { ContentFit } from '../fit/index.ts';
import type { Body, Form, Turn, Vec } from './body/body.ts';
import { halfOf, type LeftOut, type Packed, packed } from './body/packing.ts';
import { at } from './cloth/at.ts';
import { type Cloth, clothOf } from './cloth/cloth.ts';
import { touchingOf } from './contact/touching.ts';
import { type Closing, tiesOf } from './hang/closing.ts';
import { wayRound } from './hang/pull.ts';
import { type StrapNodes, withStraps } from './hang/strap-fabric.ts';
import { type Mesh, meshOf } from './mesh/mesh.ts';
import { fabricOf } from './mesh/mesh-fabric.ts';
import { mouthOf } from './mesh/rim-loops.ts';
import { carriersOf, laidOf, type Pose, usualPose } from './pose.ts';
import { unfolding } from './unfold.ts';
import { type Acting, type Pin, stepFrame, stopAtPeaks, type World, worldOf } from './world.ts';

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
  /** Places of all vertices of the mesh on the way from the flat net to the pressed bag, for a share of that way. */
  unfolded(share: number): Float32Array;
  /** Places of all nodes, those of the straps last. */
  places(): Float32Array;
  /** Middle and turning of everything in it, in the order of `contents`. */
  bodies(): ReadonlyArray<{ readonly form: Form; readonly at: Vec; readonly turn: Turn }>;
}

/** Cells along the side of a typical square. */
const CELLS = 6;
/** Beyond this many nodes the mesh is made coarser. */
const MOST_NODES = 2400;
/** Thickness of crocheted fabric, mm. */
const THICK = 3;
/** How hard a full bag is pushed at its bottom, and what share of that is felt at its top. */
const PUSH = 8;
const EVEN = 0.35;
const EVEN_LYING = 0.6;
const GRAVITY = 1;
/** Pull on the mouth of a standing bag, per length of it, besides what its fabric weighs. */
const HELD = 0.5;
/** Frames in which what was laid inexactly finds its length; in which the filling comes; in which things grow. */
const LAID = 6;
const FILLED = 36;
const GROWN = 50;
/** A mouth that is drawn shut all the way is still so long, of its way round; and it takes so many frames. */
const BUNCHED = 0.15;
const DRAWN = 80;
/** At rest: nothing is faster than this, units a second, over so many frames. */
const STILL = 0.03;
const CALM = 8;
/** From this frame on what still moves is slowed down more and more. */
const TIRED = 150;
const TIRING = 0.2;
/** Frames after which it is enough. */
const LONGEST = 320;
/** A hung bag hangs so far above the table, mm. */
const ABOVE = 50;
/** Things begin so thin, mm, and grow to their thickness. */
const THIN = 2;
/** What a thing of its size weighs, against soft filling. */
const HEAVY = 3;

/** The length, mm, that the solver counts as 1: a square of a bag three across. */
export function unitOf(graph: BagGraph): number {
  const { width, height, depth } = measure(graph);
  return Math.max(20, (width + height + depth) / 7);
}

/** Begins to fill a bag, from how it lies when it is made up and pressed. The same bag always fills the same way. */
export function fillBag(
  graph: BagGraph,
  { contents, soft, pose, closing, drawn = 0, cells = CELLS }: FillWith,
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
  const body = [...new Set(bag.patches.flatMap(({ nodes, holds }) => (holds ? nodes : [])))];
  const { fabric, straps } = withStraps(bag, graph.trim?.straps ?? [], body, laidOf(graph, pose), spacing);
  const { packed: inside, leftOut } = packed(contents, roomOf(graph));
  const carriers = pose === 'hang' ? carriersOf(graph, mesh, mouth, straps, fabric.start) : [];
  const put = placing(fabric.start, mesh.count, pose);
  const cloth = clothOf({ ...fabric, start: put.nodes }, unit);
  const things = inside.map((thing) => bodyOf(thing, put.place, put.turn, unit));
  const world = worldOf({
    cloth,
    touching: touchingOf(cloth.count, cloth.membrane.triangles, mesh.count, THICK / unit, spacing / unit),
    mouth,
    bodies: things,
    spacing: spacing / unit,
    straps: mesh.count,
    parts: [
      Array.from({ length: mesh.count }, (_, i) => i),
      ...straps.map(({ rows }) => own(rows, mesh.count)),
    ],
  });
  const pins = carriers.map((node): Pin => {
    const [x, y, z] = cloth.position.subarray(3 * node, 3 * node + 3);
    return { node, at: [x ?? 0, y ?? 0, z ?? 0] };
  });
  const mass = cloth.membrane.area.reduce((sum, own) => sum + own, 0);
  const rim = mouth.length * (spacing / unit);
  const ties = (closing ? tiesOf(closing, graph, mesh, mouth, bag.start) : []).map((tie) => ({
    ...tie,
    length: tie.length / unit,
  }));
  const round = wayRound(cloth.position, mouth);
  const unfold = unfolding(graph, mesh, bag.start);
  let [frame, calm] = [0, 0];
  const acting = (): Acting => ({
    softness: {
      push: PUSH * soft * Math.min(1, Math.max(0, frame - LAID) / (FILLED - LAID)),
      even: pose === 'lie' ? EVEN_LYING : EVEN,
    },
    gravity: GRAVITY,
    damping: frame < LAID ? 250 : frame < FILLED ? 3 : 1.5 + Math.max(0, frame - TIRED) * TIRING,
    lift: pose === 'stand' ? GRAVITY * mass + HELD * rim : 0,
    table: pose !== 'hang',
    pins,
    ties: frame > FILLED ? ties : [],
    // It is drawn bit by bit; what is gathered on it takes its room.
    cord:
      drawn > 0 && frame > FILLED
        ? round * (1 - drawn * (1 - BUNCHED) * Math.min(1, (frame - FILLED) / DRAWN))
        : undefined,
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
      return calm >= CALM || frame >= LONGEST;
    },
    get atRest() {
      return calm >= CALM;
    },
    step() {
      inside.forEach(({ form }, i) => {
        const thing = things[i];
        if (thing) thing.form = grown(form, Math.min(1, frame / GROWN), unit);
      });
      stepFrame(world, acting());
      frame++;
      if (frame > FILLED) stopAtPeaks(world);
      calm = frame > (drawn > 0 ? FILLED + DRAWN : GROWN) && world.speed < STILL ? calm + 1 : 0;
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

/** Puts places into the pose, and above the table. */
function onTable(places: Float32Array, place: (p: Vec) => Vec): Float32Array {
  let low = Infinity;
  for (let k = 0; k < places.length; k += 3) {
    const put = place([places[k] ?? 0, places[k + 1] ?? 0, places[k + 2] ?? 0]);
    places.set(put, k);
    low = Math.min(low, put[1]);
  }
  if (low < 0) for (let k = 1; k < places.length; k += 3) places[k] = (places[k] ?? 0) - low;
  return places;
}

/** The nodes of a strap that are its own. */
const own = (rows: StrapNodes['rows'], first: number) => rows.flat().filter((node) => node >= first);

/** The usual way to fill a bag: in its own pose, with what it must hold, and soft things besides. */
export const usualFilling = (graph: BagGraph, contents: readonly ContentFit[]): FillWith => ({
  contents,
  soft: contents.some(({ fits }) => fits) ? 0.4 : 0.8,
  pose: usualPose(graph),
});

function roomOf(graph: BagGraph) {
  const { height, girth } = insideOf(graph);
  const widths = Array.from({ length: 41 }, (_, k) => {
    const y = (height * (k + 0.382)) / 41;
    const xs = levelCuts(graph, y).flatMap(({ from, to }) => [from.x, to.x]);
    return { y, wide: xs.length === 0 ? 0 : Math.max(...xs) - Math.min(...xs) };
  });
  return {
    height,
    girth,
    widthBetween: (low: number, high: number) =>
      Math.min(Infinity, ...widths.flatMap(({ y, wide }) => (y >= low && y <= high ? [wide] : []))),
  };
}

/**
 * Puts the pressed bag into its pose: upright, hung above the table, or on its back. Its straps lie no lower than the
 * table: they do not raise it.
 *
 * @param body how many nodes are the bag's own; those of straps come after them.
 */
function placing(start: Float64Array, body: number, pose: Pose) {
  const lies = pose === 'lie';
  const laid = (x: number, y: number, z: number): Vec => (lies ? [x, z, -y] : [x, y, z]);
  const nodes = new Float64Array(start.length);
  let low = Infinity;
  for (let k = 0; k < start.length; k += 3) {
    const place = laid(at(start, k), at(start, k + 1), at(start, k + 2));
    nodes.set(place, k);
    if (k < 3 * body) low = Math.min(low, place[1]);
  }
  const rise = (pose === 'hang' ? ABOVE : THICK / 2) - low;
  for (let k = 1; k < nodes.length; k += 3) nodes[k] = Math.max(THICK / 2, at(nodes, k) + rise);
  const half = Math.SQRT1_2;
  const turn: Turn = lies ? [-half, 0, 0, half] : [0, 0, 0, 1];
  return {
    nodes,
    turn,
    place: ([x, y, z]: Vec): Vec => {
      const [a, b, c] = laid(x, y, z);
      return [a, b + rise, c];
    },
  };
}

const scaled = (form: Form, by: number): Form =>
  form.is === 'box'
    ? { is: 'box', half: [form.half[0] * by, form.half[1] * by, form.half[2] * by] }
    : { ...form, radius: form.radius * by, half: form.half * by };

/** A form that has grown to a share of its thickness from front to back, in units. */
function grown(form: Form, share: number, unit: number): Form {
  const thin = (full: number) => THIN / 2 + (full - THIN / 2) * share;
  const now: Form =
    form.is === 'box'
      ? { is: 'box', half: [form.half[0], form.half[1], thin(form.half[2])] }
      : form.axis === 2
        ? { ...form, half: thin(form.half) }
        : { ...form, radius: thin(form.radius) };
  return scaled(now, 1 / unit);
}

function bodyOf(
  { content, form, at: middle }: Packed,
  place: (p: Vec) => Vec,
  turn: Turn,
  unit: number,
): Body {
  const [x, y, z] = place(middle);
  const [a, b, c] = halfOf(form).map((half) => (2 * half) / unit);
  if (a === undefined || b === undefined || c === undefined) throw new Error('A thing without size.');
  const mass = HEAVY * a * b * c;
  // As a box of its extents: what turns it need not be exact, it only comes to rest.
  const inertia = (p: number, q: number) => 12 / (mass * (p * p + q * q));
  return {
    id: content.id,
    form: grown(form, 0, unit),
    at: [x / unit, y / unit, z / unit],
    turn,
    speed: [0, 0, 0],
    spin: [0, 0, 0],
    inverseMass: 1 / mass,
    inverseInertia: [inertia(b, c), inertia(a, c), inertia(a, b)],
    wasAt: [0, 0, 0],
    wasTurned: turn,
  };
}
