import { type BagDocument, type FilledShape, fillBag, type Point, planOf, shapeOf } from '@fennot/core';
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
}

/** Every so many solver frames are shown and kept. */
const KEEP = 3;

const filler = {
  /** Fills a bag, handing over the mesh, then frame after frame, then what it measures. */
  async fill(
    document: BagDocument,
    onStart: (start: FillStart) => void,
    onFrame: (positions: Float32Array) => void,
  ): Promise<FilledShape> {
    const { graph } = planOf(document);
    const filling = fillBag(graph);
    const { count, triangles, grids } = filling.mesh;
    onStart({
      count,
      triangles,
      grids: grids.map(({ piece, at, points, edges }) => ({
        piece: piece.id,
        at,
        points,
        // Each edge's last vertex is the next one's first.
        border: edges.flatMap((edge) => edge.slice(0, -1).map(({ vertex }) => vertex)),
      })),
    });
    const show = () => {
      const positions = filling.upright();
      onFrame(transfer(positions, [positions.buffer]));
    };
    show();
    for (let frame = 1; !filling.settled; frame++) {
      filling.step();
      if (frame % KEEP === 0) {
        show();
        // Lets messages through, so that a fill no longer wanted can be ended.
        await new Promise((next) => setTimeout(next));
      }
    }
    show();
    return shapeOf(filling.cloth);
  },
};
export type Filler = typeof filler;

expose(filler);
