import {
  type BagDocument,
  type FilledShape,
  type Filling,
  fillBag,
  type Handling,
  mirrored,
  type Point,
  planOf,
  type Settings,
  shapeOf,
} from '@fennot/core';
import { expose, transfer } from 'comlink';

/** A piece's vertices for drawing: where each stands on it, mm, and those along its outline in order. */
export interface DrawnGrid {
  readonly piece: string;
  readonly at: Int32Array;
  readonly points: readonly Point[];
  readonly border: readonly number[];
}

export interface FillStart {
  readonly count: number;
  readonly triangles: Int32Array;
  readonly grids: readonly DrawnGrid[];
  /** Vertices round each opening, the mouth first. */
  readonly rims: readonly (readonly number[])[];
}

/** Every so many solver frames are shown and kept. */
const KEEP = 3;

let filling: Filling | undefined;

type OnFrame = (positions: Float32Array) => void;

/** Steps until the bag lies still, showing it now and then. */
async function run(own: Filling, onFrame: OnFrame): Promise<FilledShape> {
  const show = () => {
    const positions = own.upright();
    onFrame(transfer(positions, [positions.buffer]));
  };
  show();
  for (let frame = 1; !own.settled; frame++) {
    own.step();
    if (frame % KEEP === 0) {
      show();
      // Lets messages through, so that a fill no longer wanted can be ended.
      await new Promise((next) => setTimeout(next));
    }
  }
  show();
  return shapeOf(own.cloth);
}

const filler = {
  /** Fills a bag, handing over the mesh, then frame after frame, then what it measures. */
  fill(
    document: BagDocument,
    hand: Settings['hand'],
    onStart: (start: FillStart) => void,
    onFrame: OnFrame,
  ): Promise<FilledShape> {
    const { graph: own } = planOf(document);
    const graph = hand === 'left' ? mirrored(own) : own;
    filling = fillBag(graph);
    const { count, triangles, grids, rims } = filling.mesh;
    onStart({
      count,
      triangles,
      rims,
      grids: grids.map(({ piece, at, points, edges }) => ({
        piece: piece.id,
        at,
        points,
        // Each edge's last vertex is the next one's first.
        border: edges.flatMap((edge) => edge.slice(0, -1).map(({ vertex }) => vertex)),
      })),
    });
    return run(filling, onFrame);
  },
  /** Does something with the bag that has been filled. */
  handle(handling: Handling, onFrame: OnFrame): Promise<FilledShape> {
    if (!filling) throw new Error('There is no bag to handle.');
    filling.handle(handling);
    return run(filling, onFrame);
  },
};
export type Filler = typeof filler;

expose(filler);
