import { type Body, drift, edgePlaces, settleBody } from './body/body.ts';
import { keepOutside, type NearBody, nearBody, partBodies, reachOf, restBody } from './body/meeting.ts';
import { straighten } from './cloth/bending.ts';
import type { Cloth } from './cloth/cloth.ts';
import { keepStretch, type Membrane, partOf } from './cloth/membrane.ts';
import { inflate, type Softness, wayTo } from './cloth/pressure.ts';
import { type Brushing, brushingOf, keepBordersApart, watchBorders } from './contact/brushing.ts';
import { holdUp, lidOf } from './contact/lid.ts';
import { rest } from './contact/table.ts';
import { keepApart, type Touching, watch } from './contact/touching.ts';
import { lookForTangles, type Tangle, tangleOf, untangle } from './contact/untangling.ts';
import type { Tie } from './hang/closing.ts';
import { drawTogether, holdTogether } from './hang/pull.ts';
import { holdSewn, type Sewn } from './hang/sewn.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** A node held at a place. */
export interface Pin {
  readonly node: number;
  readonly at: readonly [number, number, number];
}

/** What acts on the fabric. In units of the cloth; y is up, the table lies at 0. */
export interface Acting {
  readonly softness: Softness;
  /** Weight, per unit of mass. */
  readonly gravity: number;
  /** Loss of speed per second. */
  readonly damping: number;
  /** The same for what hangs on the bag, which the air slows down more. */
  readonly air: number;
  /** Pull up on the mouth, all of it together: what stands by itself in the bag holds its walls up. */
  readonly lift: number;
  readonly table: boolean;
  /** It is so full that nothing falls into it from above. */
  readonly filled: boolean;
  readonly pins: readonly Pin[];
  /** What is closed: pairs of nodes with how far apart they may be. */
  readonly ties: readonly Tie[];
  /** Length of the cord round the mouth, where it is drawn. */
  readonly cord: number | undefined;
}

/** The nodes of the bag itself, then those of everything that hangs on it: each flap, handle and strap. */
export type Parts = readonly [readonly number[], ...(readonly number[])[]];

/** A bag with all that touches it. */
export interface World {
  readonly cloth: Cloth;
  readonly touching: Touching;
  readonly brushing: Brushing;
  readonly tangle: Tangle;
  /** Ends of straps on the bag. */
  readonly sewn: readonly Sewn[];
  /** Nodes round the opening, where flap and handles begin, too. */
  readonly mouth: readonly number[];
  /** Nodes of flaps, which lie over the mouth. */
  readonly flaps: readonly number[];
  readonly bodies: readonly Body[];
  /** The fabric that carries most where the bag hangs: round what it hangs by, and round the ends of straps. */
  readonly loaded: Membrane;
  /** Wanted distance of nodes. */
  readonly spacing: number;
  /** Nodes that move together: the bag, then what hangs on it. What is at the end of its swing is stopped by itself. */
  readonly parts: Parts;
  /** Positions at the beginning of a step, and of a frame. */
  readonly before: Float64Array;
  readonly frameBefore: Float64Array;
  /** How fast each part moved in the frame before, as energy. */
  readonly energies: number[];
  /** What fabric lies near each body, and how far something may have moved since that was looked at. */
  near: readonly NearBody[];
  unseen: number;
  /** How far the fastest node got in the last frame, per second. */
  speed: number;
}

export function worldOf(
  world: Pick<World, 'cloth' | 'touching' | 'sewn' | 'mouth' | 'flaps' | 'bodies' | 'spacing' | 'parts'>,
  carriers: readonly number[] = [],
): World {
  const size = world.cloth.position.length;
  const { touching } = world;
  const { membrane } = world.cloth;
  const ends = world.sewn.flatMap(({ node, triangle }) => [
    node,
    ...membrane.triangles.subarray(3 * triangle, 3 * triangle + 3),
  ]);
  return {
    ...world,
    loaded: partOf(membrane, [...carriers, ...ends], RINGS),
    brushing: brushingOf(touching.triangles, touching.fabric, touching.thick),
    tangle: tangleOf(world.cloth.count, touching.triangles, touching.thick, world.spacing),
    before: new Float64Array(size),
    frameBefore: new Float64Array(size),
    energies: world.parts.map(() => 0),
    near: [],
    unseen: Infinity,
    speed: Infinity,
  };
}

/** Seconds of a frame; each is worked out in so many steps, unless told otherwise. */
export const FRAME = 1 / 60;
const STEPS = 8;
/** Closings and cords pull no faster than this, units a second. */
const PULLED = 1;
/** Nothing moves faster than this along any axis, units a second: it would pass through what is in its way. */
const FASTEST = 4;
/** A light node would be shot off by a lift: it feels what the fabric round it weighs. */
const MOST_LIGHT = 150;

/** Fabric so many triangles round what carries is worked out so many times more in a step. */
const RINGS = 3;
const AGAIN = 3;

/**
 * Moves the world on by one frame: position-based dynamics with compliance, in small steps.
 *
 * @param steps fewer are quicker, and let fabric give more.
 */
export function stepFrame(world: World, acting: Acting, steps = STEPS): void {
  const { cloth, touching, before, frameBefore, bodies, spacing, mouth } = world;
  const { position: p, velocity: v, inverseMass: w, membrane, bending } = cloth;
  const h = FRAME / steps;
  // What has been led out lies on other sides of one another than it did.
  if (lookForTangles(world.tangle, p)) touching.unseen = Infinity;
  if (watch(touching, p, Math.min(world.speed, 2 * FASTEST) * FRAME)) watchBorders(world.brushing, p);
  frameBefore.set(p);
  const [low, high] = reachOfBag(world, acting.softness);
  const lean = acting.lift > 0 ? leanOf(world) : UPRIGHT;
  const lift = acting.lift * handOf(world);
  const keep = Math.max(0, 1 - acting.damping * h);
  const { thick } = touching;
  const lid = acting.filled && world.flaps.length > 0 ? lidOf(p, mouth, world.flaps) : undefined;
  lookAround(world);
  const { near } = world;
  const edges = bodies.map(({ form }) => edgePlaces(form, spacing));
  for (let k = 0; k < steps; k++) {
    inflate(cloth, acting.softness, low, high, h);
    pull(world, acting.gravity, lift, lean, h);
    before.set(p);
    for (let i = 0; i < p.length; i++) p[i] = at(p, i) + h * at(v, i);
    for (const body of bodies) drift(body, acting.gravity, h);
    straighten(p, w, bending, h);
    keepStretch(p, w, membrane, h);
    for (let again = 0; again < AGAIN; again++) keepStretch(p, w, world.loaded, h);
    for (const { a, b, length } of acting.ties) holdTogether(p, w, a, b, length, PULLED * h);
    holdSewn(p, w, membrane.triangles, world.sewn, thick);
    if (acting.cord !== undefined) drawTogether(p, w, mouth, acting.cord, mouth.length * PULLED * h);
    keepApart(touching, p, before, w, world.tangle.tangled);
    keepBordersApart(world.brushing, p, w);
    untangle(world.tangle, p, w);
    bodies.forEach((body, i) => {
      const [own, edge] = [near[i], edges[i]];
      if (!own || !edge) return;
      for (const other of bodies)
        if (other !== body && meet(body, other)) partBodies(body, other, edge, thick / 10);
      keepOutside(cloth, body, own, thick);
      if (acting.table) restBody(body, edge, thick, thick / 10);
    });
    if (lid) holdUp(p, lid, thick / 2);
    if (acting.table) rest(p, before, thick / 2);
    for (const { node, at: place } of acting.pins) p.set(place, 3 * node);
    settleSpeed(world, keep / h, Math.max(0, 1 - acting.air * h) / h);
    for (const body of bodies) settleBody(body, h, keep - RUB * h, FASTEST);
  }
  if (acting.table) steady(world);
  world.speed = Math.max(...world.parts.map((part) => farthest(p, frameBefore, part))) / FRAME;
}

/** Takes away what the bag has gained of speed along the table: it is held where it is, as by a hand. */
function steady({ cloth, bodies, parts: [bag] }: World): void {
  const { velocity: v, inverseMass: w } = cloth;
  let [mass, x, z] = [0, 0, 0];
  for (const i of bag) {
    const m = 1 / at(w, i);
    mass += m;
    x += m * at(v, 3 * i);
    z += m * at(v, 3 * i + 2);
  }
  x /= mass;
  z /= mass;
  for (let i = 0; i < v.length; i += 3) {
    v[i] = at(v, i) - x;
    v[i + 2] = at(v, i + 2) - z;
  }
  for (const { speed } of bodies) {
    speed[0] -= x;
    speed[2] -= z;
  }
}

/** Looks what lies near each body, unless nothing can have come nearer than a thickness since the last look. */
function lookAround(world: World): void {
  const { cloth, bodies, spacing, touching, speed } = world;
  world.unseen += Math.min(speed, 2 * FASTEST) * FRAME;
  if (2 * world.unseen < touching.thick) return;
  world.unseen = 0;
  world.near = bodies.map((body) => nearBody(cloth, body, touching.thick, spacing));
}

const meet = (a: Body, b: Body) =>
  Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1], a.at[2] - b.at[2]) < reachOf(a) + reachOf(b);

/** What rubbing on the bag takes of the speed of what is in it, a second. */
const RUB = 6;
/** The speeds that the step has come to, and what share of them is kept by the bag and by what hangs on it. */
function settleSpeed({ cloth, before }: World, bag: number, hanging: number): void {
  const { position: p, velocity: v, falls } = cloth;
  for (let i = 0; i < p.length; i++) {
    const speed = (at(falls, Math.floor(i / 3)) > 1 ? hanging : bag) * (at(p, i) - at(before, i));
    v[i] = Math.max(-FASTEST, Math.min(FASTEST, speed));
  }
}

/** Where the bottom of the bag and its mouth are on the way to the mouth. */
function reachOfBag(
  { cloth: { position: p }, mouth, parts: [bag] }: World,
  softness: Softness,
): readonly [number, number] {
  const { axis, sign } = wayTo(softness.mouth);
  const low = bag.reduce((least, i) => Math.min(least, sign * at(p, 3 * i + axis)), Infinity);
  const high = mouth.reduce((sum, i) => sum + (sign * at(p, 3 * i + axis)) / mouth.length, 0);
  return [low, Math.max(high, low + 1e-3)];
}

const UPRIGHT = [0, 0] as const;
/** How hard a hand at the mouth keeps a standing bag from falling over, per unit of leaning. */
const STEADY = 30;

/** How far the mouth is from being over the bag, to the right and to the front. */
function leanOf({ cloth: { position: p }, mouth, parts: [bag] }: World): readonly [number, number] {
  let [x, z] = [0, 0];
  for (const i of mouth) {
    x += at(p, 3 * i) / mouth.length;
    z += at(p, 3 * i + 2) / mouth.length;
  }
  for (const i of bag) {
    x -= at(p, 3 * i) / bag.length;
    z -= at(p, 3 * i + 2) / bag.length;
  }
  return [x, z];
}

/** A bag that does not touch the table is let down over this part of a thickness. */
const LETS_DOWN = 0.5;

/**
 * What share of the lift a standing bag takes: all of it on the table, none of it as soon as it leaves it. Where the
 * bottom is narrow the filling does not press it down as hard as the mouth is held up.
 */
function handOf({ cloth: { position: p }, touching: { thick }, parts: [bag] }: World): number {
  const low = bag.reduce((least, i) => Math.min(least, at(p, 3 * i + 1)), Infinity);
  return Math.max(0, Math.min(1, 1 - (low / thick - 0.5) / LETS_DOWN));
}

function pull(
  { cloth, mouth }: World,
  gravity: number,
  lift: number,
  [aside, ahead]: readonly [number, number],
  h: number,
): void {
  const { velocity: v, inverseMass: w, falls, count } = cloth;
  for (let i = 0; i < count; i++) v[3 * i + 1] = at(v, 3 * i + 1) - h * gravity * at(falls, i);
  const each = (h * lift) / Math.max(1, mouth.length);
  if (each === 0) return;
  for (const i of mouth) {
    v[3 * i] = at(v, 3 * i) - h * STEADY * aside;
    v[3 * i + 1] = at(v, 3 * i + 1) + each * Math.min(at(w, i), MOST_LIGHT);
    v[3 * i + 2] = at(v, 3 * i + 2) - h * STEADY * ahead;
  }
}

/** How far the node that has moved most is from where it was. */
export function farthest(p: Float64Array, q: Float64Array, nodes: readonly number[]): number {
  let most = 0;
  for (const v of nodes) {
    const i = 3 * v;
    const [x, y, z] = [at(p, i) - at(q, i), at(p, i + 1) - at(q, i + 1), at(p, i + 2) - at(q, i + 2)];
    most = Math.max(most, x * x + y * y + z * z);
  }
  return Math.sqrt(most);
}

/**
 * Stops every part that has just been fastest: it swings through its rest there (kinetic damping, as form finding uses
 * it). Bodies go with the bag, which is the first part.
 */
export function stopAtPeaks({ cloth, parts, energies, bodies }: World): void {
  const { velocity: v, inverseMass: w } = cloth;
  parts.forEach((nodes, k) => {
    let energy = 0;
    for (const i of nodes)
      energy += (at(v, 3 * i) ** 2 + at(v, 3 * i + 1) ** 2 + at(v, 3 * i + 2) ** 2) / at(w, i);
    if (energy >= (energies[k] ?? 0)) {
      energies[k] = energy;
      return;
    }
    energies[k] = 0;
    for (const i of nodes) v.fill(0, 3 * i, 3 * i + 3);
    if (k > 0) return;
    for (const body of bodies) {
      body.speed = [0, 0, 0];
      body.spin = [0, 0, 0];
    }
  });
}
