import {
  type BagDocument,
  closingOf,
  type FilledShape,
  type Filling,
  type FillWith,
  type Form,
  fillBag,
  halfOf,
  type LeftOut,
  mirrored,
  type Pose,
  planOf,
  type Settings,
  shapeOf,
  usualFilling,
} from '@fennot/core';
import { expose, transfer } from 'comlink';

/** What a place in the drawing belongs to: a piece, with where on it, or a strap. */
export interface DrawnPart {
  readonly id: string;
  /** Places of the drawing from here on. */
  readonly first: number;
  readonly many: number;
  /** Where each stands on the piece, mm, two numbers each. */
  readonly on: Float32Array;
  /** Places along its outline, in order. */
  readonly border: readonly number[];
}

/** The filled bag for drawing: places, and the triangles over them. */
export interface FillStart {
  readonly pose: Pose;
  /** How many places there are. */
  readonly count: number;
  readonly triangles: Int32Array;
  readonly pieces: readonly DrawnPart[];
  readonly straps: readonly DrawnPart[];
  /** Places along every seam, by its id. */
  readonly seams: ReadonlyMap<string, readonly number[]>;
  /** Places round the mouth of the bag itself. */
  readonly mouth: readonly number[];
  /** Places round each opening, the mouth first. */
  readonly rims: readonly (readonly number[])[];
  /** Moments on the way from the flat net to the pressed bag; without straps, and with nothing in it yet. */
  readonly unfolding: readonly FillFrame[];
  /** Things that have been put in, in order. */
  readonly inside: ReadonlyArray<{ readonly id: string; readonly form: Form }>;
  /** Things that stay outside. */
  readonly leftOut: ReadonlyArray<{
    readonly id: string;
    readonly form: Form;
    readonly why: LeftOut['why'];
  }>;
}

/** One moment: where every place is, mm, and for everything inside its middle, its turning and its size now. */
export interface FillFrame {
  readonly places: Float32Array;
  /** Ten numbers each: middle, turning (x, y, z, w), and the share of its size in its own three ways. */
  readonly bodies: Float32Array;
}

/** Moments of the unfolding. */
const UNFOLDED = 24;
/** Every so many solver frames are shown and kept. */
const KEEP = 3;

/** How the maker wants it filled. */
export interface FillHow extends Pick<FillWith, 'pose' | 'soft' | 'drawn'> {
  readonly closed: boolean;
}

/** Takes frames that have come about since; answers when it has drawn them. */
type OnFrames = (frames: readonly FillFrame[]) => Promise<void>;

/** The places of the drawing over the nodes of the mesh: vertices of pieces, then those of straps. */
function drawingOf(filling: Filling): { start: FillStart; nodes: Int32Array } {
  const { mesh, straps, contents, leftOut } = filling;
  const nodes: number[] = [];
  const byPiece = new Map<string, number[]>();
  mesh.vertices.forEach(({ piece }, v) => {
    const own = byPiece.get(piece.id);
    if (own) own.push(v);
    else byPiece.set(piece.id, [v]);
  });
  const placeOf = new Map<number, number>();
  const firstAt = new Map<number, number>();
  const pieces = [...byPiece].map(([id, all]): DrawnPart => {
    // What is tucked away has no node.
    const own = all.filter((v) => (mesh.vertices[v]?.node ?? -1) >= 0);
    const first = nodes.length;
    for (const v of own) {
      const node = mesh.vertices[v]?.node ?? 0;
      placeOf.set(v, nodes.length);
      if (!firstAt.has(node)) firstAt.set(node, nodes.length);
      nodes.push(node);
    }
    return {
      id,
      first,
      many: own.length,
      on: Float32Array.from(own.flatMap((v) => [mesh.vertices[v]?.x ?? 0, mesh.vertices[v]?.y ?? 0])),
      border: (mesh.outlines.get(id) ?? []).flatMap((v) => placeOf.get(v) ?? []),
    };
  });
  const triangles = Array.from(mesh.corners, (v) => placeOf.get(v) ?? 0);
  const bands = straps.map(({ strap, rows }): DrawnPart => {
    const first = nodes.length;
    const { length, width } = strap;
    const on: number[] = [];
    rows.forEach(([a, b], i) => {
      nodes.push(a, b);
      const along = (length * i) / (rows.length - 1);
      on.push(0, along, width, along);
      if (i === 0) return;
      const [c, d, e, f] = [first + 2 * i - 2, first + 2 * i - 1, first + 2 * i + 1, first + 2 * i];
      triangles.push(c, d, e, c, e, f);
    });
    return { id: strap.name, first, many: 2 * rows.length, on: Float32Array.from(on), border: [] };
  });
  /** Where the places of pieces are at a share of the way; straps are not on yet, and shrunk to a place of the bag. */
  const unfolded = (share: number): FillFrame => {
    const at = filling.unfolded(share);
    const places = new Float32Array(3 * nodes.length);
    for (const [v, place] of placeOf) places.set(at.subarray(3 * v, 3 * v + 3), 3 * place);
    for (let place = placeOf.size; place < nodes.length; place++)
      places.set(places.subarray(0, 3), 3 * place);
    return { places, bodies: new Float32Array() };
  };
  return {
    nodes: Int32Array.from(nodes),
    start: {
      unfolding: Array.from({ length: UNFOLDED }, (_, k) => unfolded(k / UNFOLDED)),
      pose: filling.pose,
      count: nodes.length,
      triangles: Int32Array.from(triangles),
      pieces,
      straps: bands,
      seams: new Map([...mesh.seams].map(([id, along]) => [id, along.flatMap((v) => placeOf.get(v) ?? [])])),
      mouth: filling.world.mouth.map((node) => firstAt.get(node) ?? 0),
      rims: mesh.rims.map((rim) => rim.map((node) => firstAt.get(node) ?? 0)),
      inside: contents.map(({ content, form }) => ({ id: content.id, form })),
      leftOut: leftOut.map(({ content, form, why }) => ({ id: content.id, form, why })),
    },
  };
}

function frameOf(filling: Filling, nodes: Int32Array): FillFrame {
  const at = filling.places();
  const places = new Float32Array(3 * nodes.length);
  nodes.forEach((node, k) => {
    places.set(at.subarray(3 * node, 3 * node + 3), 3 * k);
  });
  const bodies = filling.bodies().flatMap(({ form, at: middle, turn }, i) => {
    const whole = filling.contents[i];
    const [now, full] = [halfOf(form), halfOf(whole?.form ?? form)];
    return [...middle, ...turn, now[0] / full[0], now[1] / full[1], now[2] / full[2]];
  });
  return { places, bodies: Float32Array.from(bodies) };
}

const turn = new MessageChannel();
turn.port1.start();
/** Lets what waits come in; at once, where a timer would wait its least time each time. */
const messagesThrough = () =>
  new Promise<void>((next) => {
    // Each listens for itself: another filling may be waiting, too.
    turn.port1.addEventListener('message', () => next(), { once: true });
    turn.port2.postMessage(undefined);
  });

/** What is being filled now, and for which hand: the next begins from it where it can, and ends it. */
let current: { readonly filling: Filling; readonly hand: Settings['hand'] } | undefined;

const filler = {
  /** Lays a bag out once and leaves it: what is worked out for the first time takes three times as long. */
  ready(document: BagDocument, hand: Settings['hand']): void {
    const { graph, contents } = planOf(document);
    fillBag(hand === 'left' ? mirrored(graph) : graph, usualFilling(graph, contents));
  },

  /**
   * Fills a bag, handing over what is drawn, then frame after frame, then what it measures; nothing where another has
   * been asked for since.
   */
  async fill(
    document: BagDocument,
    hand: Settings['hand'],
    how: FillHow,
    onStart: (start: FillStart) => void,
    onFrames: OnFrames,
  ): Promise<FilledShape | undefined> {
    const { graph: own, contents, closure } = planOf(document);
    const { closed, ...rest } = how;
    const closing = closed ? closingOf(closure) : undefined;
    const from = current?.hand === hand ? current.filling.now : undefined;
    const filling = fillBag(hand === 'left' ? mirrored(own) : own, { ...rest, contents, closing }, from);
    current = { filling, hand };
    const { start, nodes } = drawingOf(filling);
    onStart(start);
    let held: FillFrame[] = [];
    let drawing = false;
    const keep = () => held.push(frameOf(filling, nodes));
    /** Hands over what there is, at the pace at which it is drawn. */
    const show = () => {
      if (drawing || held.length === 0) return;
      drawing = true;
      const frames = held;
      held = [];
      const buffers = frames.flatMap(({ places, bodies }) => [places.buffer, bodies.buffer]);
      onFrames(transfer(frames, buffers)).then(() => {
        drawing = false;
      });
    };
    keep();
    show();
    while (!filling.settled) {
      filling.step();
      if (filling.frame % KEEP !== 0) continue;
      keep();
      show();
      // Lets messages through: that something has been drawn, or that this fill is no longer wanted.
      await messagesThrough();
      if (current?.filling !== filling) return undefined;
    }
    keep();
    drawing = false;
    show();
    return shapeOf(filling);
  },
};
export type Filler = typeof filler;

expose(filler);
