import { type Body, drift, edgePlaces, settleBody, type Vec } from './body/body.ts';
import { keepOutside, nearBody, partBodies, reachOf, restBody } from './body/meeting.ts';
import { at } from './cloth/at.ts';
import { straighten } from './cloth/bending.ts';
import type { Cloth } from './cloth/cloth.ts';
import { keepStretch } from './cloth/membrane.ts';
import { inflate, type Softness } from './cloth/pressure.ts';
import { rest } from './contact/table.ts';
import { keepApart, type Touching, watch } from './contact/touching.ts';

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
  /** Pull up on the mouth, all of it together: what stands by itself in the bag holds its walls up. */
  readonly lift: number;
  readonly table: boolean;
  readonly pins: readonly Pin[];
}

/** A bag with all that touches it. */
export interface World {
  readonly cloth: Cloth;
  readonly touching: Touching;
  /** Nodes round the opening, where flap and handles begin, too. */
  readonly mouth: readonly number[];
  readonly bodies: readonly Body[];
  /** Wanted distance of nodes. */
  readonly spacing: number;
  /** Nodes that move together: the bag, its flap, each strap. What is at the end of its swing is stopped by itself. */
  readonly parts: readonly (readonly number[])[];
  /** Positions at the beginning of a step, and of a frame. */
  readonly before: Float64Array;
  readonly frameBefore: Float64Array;
  /** How fast each part moved in the frame before, as energy. */
  readonly energies: number[];
  /** How far the fastest node got in the last frame, per second. */
  speed: number;
}

export function worldOf(
  world: Pick<World, 'cloth' | 'touching' | 'mouth' | 'bodies' | 'spacing' | 'parts'>,
): World {
  const size = world.cloth.position.length;
  return {
    ...world,
    before: new Float64Array(size),
    frameBefore: new Float64Array(size),
    energies: world.parts.map(() => 0),
    speed: Infinity,
  };
}

/** Seconds of a frame; each is worked out in so many steps. */
export const FRAME = 1 / 60;
const STEPS = 8;
/** Nothing moves faster than this along any axis, units a second: it would pass through what is in its way. */
const FASTEST = 4;
/** A light node would be shot off by a lift: it feels what the fabric round it weighs. */
const MOST_LIGHT = 150;

/** Moves the world on by one frame: position-based dynamics with compliance, in small steps. */
export function stepFrame(world: World, acting: Acting): void {
  const { cloth, touching, before, frameBefore, bodies, spacing } = world;
  const { position: p, velocity: v, inverseMass: w, membrane, bending } = cloth;
  const h = FRAME / STEPS;
  watch(touching, p, Math.min(world.speed, 2 * FASTEST) * FRAME);
  frameBefore.set(p);
  const [low, high] = heightsOf(world);
  const keep = Math.max(0, 1 - acting.damping * h);
  const { thick } = touching;
  const near = bodies.map((body) => nearBody(cloth, body, thick, spacing));
  const edges = bodies.map(({ form }) => edgePlaces(form, spacing));
  for (let k = 0; k < STEPS; k++) {
    inflate(cloth, acting.softness, low, high, h);
    pull(world, acting, h);
    before.set(p);
    for (let i = 0; i < p.length; i++) p[i] = at(p, i) + h * at(v, i);
    for (const body of bodies) drift(body, acting.gravity, h);
    straighten(p, w, bending, h);
    keepStretch(p, w, membrane, h);
    keepApart(touching, p, before, w);
    bodies.forEach((body, i) => {
      const [own, edge] = [near[i], edges[i]];
      if (!own || !edge) return;
      for (const other of bodies)
        if (other !== body && meet(body, other)) partBodies(body, other, edge, thick / 10);
      keepOutside(cloth, body, own, thick);
      if (acting.table) restBody(body, edge, thick, thick / 10);
    });
    if (acting.table) rest(p, before, thick / 2);
    for (const { node, at: place } of acting.pins) p.set(place, 3 * node);
    settleSpeed(p, v, before, keep / h);
    for (const body of bodies) settleBody(body, h, keep, FASTEST);
  }
  world.speed = farthest(p, frameBefore) / FRAME;
}

const meet = (a: Body, b: Body) =>
  Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1], a.at[2] - b.at[2]) < reachOf(a) + reachOf(b);

function settleSpeed(p: Float64Array, v: Float64Array, before: Float64Array, share: number): void {
  for (let i = 0; i < p.length; i++) {
    const speed = share * (at(p, i) - at(before, i));
    v[i] = speed > FASTEST ? FASTEST : speed < -FASTEST ? -FASTEST : speed;
  }
}

/** Heights of the bottom and of the mouth. */
function heightsOf({ cloth: { position: p, holding, membrane }, mouth }: World): readonly [number, number] {
  let low = Infinity;
  for (let t = 0; t < holding.length; t++)
    if (holding[t] === 1) low = Math.min(low, at(p, 3 * (membrane.triangles[3 * t] ?? 0) + 1));
  const high = mouth.reduce((sum, i) => sum + at(p, 3 * i + 1) / mouth.length, 0);
  return [low, Math.max(high, low + 1e-3)];
}

function pull({ cloth, mouth }: World, { gravity, lift }: Acting, h: number): void {
  const { velocity: v, inverseMass: w, count } = cloth;
  for (let i = 0; i < count; i++) v[3 * i + 1] = at(v, 3 * i + 1) - h * gravity;
  const each = (h * lift) / Math.max(1, mouth.length);
  if (each > 0)
    for (const i of mouth) v[3 * i + 1] = at(v, 3 * i + 1) + each * Math.min(at(w, i), MOST_LIGHT);
}

function farthest(p: Float64Array, q: Float64Array): number {
  let most = 0;
  for (let i = 0; i < p.length; i += 3)
    most = Math.max(
      most,
      Math.hypot(at(p, i) - at(q, i), at(p, i + 1) - at(q, i + 1), at(p, i + 2) - at(q, i + 2)),
    );
  return most;
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
      body.speed = [0, 0, 0] satisfies Vec;
      body.spin = [0, 0, 0] satisfies Vec;
    }
  });
}
