import { type BagGraph, measure } from '../bag/index.ts';
import { type Cloth, clothOf } from './cloth.ts';
import { carriersOf, HANDLED, type Handling, handledActing, layFlap } from './handling.ts';
import { type Mesh, meshOf } from './mesh.ts';
import { type Acting, FRAME, stepFrame } from './solve.ts';
import { axesOf, type Faces, facesOf, mouthOf, uprightOf, type Vector } from './upright.ts';

/** Cells along the side of a typical square. */
const CELLS = 6;
/** Beyond this many vertices the grid is made coarser. */
const MOST_VERTICES = 2400;

/** Seconds over which the seams draw together. */
export const RAMP = 3;
/**
 * Push of the filling, from the first on: with less of it while the seams draw together, corners of strips can come to
 * rest pushed in, and nets with long arms crumpled.
 */
const PRESSURE = 8;
const FLATTEN = 12;
const GRAVITY = 2;
/** The fill is over when the fastest vertex is slower than this, units a second, or after this long. */
const STILL = 0.06;
const LONGEST = 7;

/** A bag being filled, a frame at a time. */
export interface Filling {
  readonly mesh: Mesh;
  readonly cloth: Cloth;
  /** Seconds of the cloth's own time. */
  readonly time: number;
  readonly settled: boolean;
  /** Moves on by one frame of 1/60 s. */
  step(): void;
  /** Begins something else with the bag, once it is filled. */
  handle(handling: Handling): void;
  /**
   * Vertices in mm, standing on y = 0: x to the right, y up, z to the front once the bag has come together;
   * before that the net turns from how it lies towards that.
   */
  upright(): Float32Array;
}

/** The length, mm, that the solver counts as 1: a square of a bag three across. */
export function unitOf(graph: BagGraph): number {
  const { width, height, depth } = measure(graph);
  return Math.max(20, (width + height + depth) / 7);
}

/** Begins to fill a bag from its open net. The same bag always fills the same way. */
export function fillBag(graph: BagGraph): Filling {
  const unit = unitOf(graph);
  let spacing = unit / CELLS;
  let mesh = meshOf(graph, spacing);
  while (mesh.count > MOST_VERTICES && spacing < unit) {
    spacing *= 1.25;
    const coarser = meshOf(graph, spacing);
    if (coarser.count === mesh.count) break;
    mesh = coarser;
  }
  const cloth = clothOf(mesh, unit);
  const faces = facesOf(graph, mesh);
  // What is folded away inside may go on swinging.
  const seen = new Set(cloth.triangles);
  const scratch = new Float64Array(cloth.position.length);
  // A bag as deep as wide has no flat front to be pulled to.
  const size = measure(graph);
  const flatFaced = size.depth < 0.75 * size.width;
  let frame = 0;
  let settled = false;
  let handled:
    | { readonly as: Handling; readonly since: number; readonly carriers: readonly number[] }
    | undefined;
  return {
    mesh,
    cloth,
    get time() {
      return frame * FRAME;
    },
    get settled() {
      return settled;
    },
    step() {
      const filling = actingAt(frame * FRAME, cloth, faces, flatFaced);
      const acting = handled ? handledActing(filling, handled) : filling;
      if (frame * FRAME > RAMP + 0.4) layFlap(cloth, faces, acting);
      stepFrame(cloth, acting, scratch);
      frame++;
      const time = frame * FRAME;
      const begun = handled?.since ?? RAMP + 1.4;
      const least = handled ? begun + 0.5 : begun;
      settled =
        time > (handled ? begun + HANDLED : LONGEST) || (time > least && fastest(cloth, seen) < STILL);
    },
    handle(as) {
      handled = { as, since: frame * FRAME, carriers: as === 'lift' ? carriersOf(cloth, faces) : [] };
      settled = false;
    },
    upright: () => uprightOf(cloth, faces, smooth((frame * FRAME) / RAMP)),
  };
}

const smooth = (t: number) => {
  const x = Math.min(1, Math.max(0, t));
  return x * x * (3 - 2 * x);
};

function actingAt(time: number, cloth: Cloth, faces: Faces, flatFaced: boolean): Acting {
  const hanging = time > RAMP + 0.4;
  const { up, front } = hanging
    ? axesOf(cloth, faces)
    : { up: [0, 1, 0] as Vector, front: [0, 0, 1] as Vector };
  return {
    gap: 1 - smooth(time / RAMP),
    pressure: PRESSURE,
    damping: time < RAMP ? 3 : 5,
    gravity: hanging ? GRAVITY : 0,
    carriers: faces.flap.length > 0 ? mouthOf(cloth, faces) : [],
    flatten: hanging && flatFaced ? FLATTEN : 0,
    up,
    front,
  };
}

/** Speed of the fastest of some vertices. */
function fastest({ velocity: v }: Cloth, vertices: Iterable<number>): number {
  let most = 0;
  for (const i of vertices)
    most = Math.max(most, Math.hypot(v[3 * i] ?? 0, v[3 * i + 1] ?? 0, v[3 * i + 2] ?? 0));
  return most;
}
