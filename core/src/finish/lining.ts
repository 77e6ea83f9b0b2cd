import {
  type BagGraph,
  bodyRims,
  type Face,
  type Facet,
  gatheredSheets,
  hangs,
  inNet,
  measure,
  move,
  pieceIndex,
} from '../bag/index.ts';
import { area, clipHalf, distance, extent, type Point, pathLength } from '../geometry/index.ts';
import { together, unlike } from './cloth.ts';

/** A piece of lining to cut: its seam line, without allowance. */
export interface LiningPiece {
  readonly name: string;
  /** How many are cut alike. */
  readonly cut: number;
  /** Counter-clockwise, mm, its lower left at 0, 0; the grain runs upright. As seen from outside the bag. */
  readonly outline: readonly Point[];
  /** Places on the seam line that meet their partners: middles of the straight sides. */
  readonly notches: readonly Point[];
}

const middles = (outline: readonly Point[]): Point[] =>
  outline.flatMap((p, i) => {
    const q = outline[(i + 1) % outline.length] ?? p;
    return distance(p, q) > 30 ? [{ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }] : [];
  });

const box = (width: number, height: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];

/** Moves an outline so that its lower left is at 0, 0. */
function atOrigin(outline: readonly Point[]): Point[] {
  const left = Math.min(...outline.map(({ x }) => x));
  const low = Math.min(...outline.map(({ y }) => y));
  return outline.map(({ x, y }) => ({ x: x - left, y: y - low }));
}

/**
 * The parts of a face as they are lined: as they lie on the made-up bag below `top`. Where a sheet is drawn in, the
 * lining is set in before that: it is cut as the sheet lies in the net, and what is worked onto it is left out.
 */
function faceParts(graph: BagGraph, face: Face, top: number): Point[][] {
  const own = graph.facets.filter((facet) => facet.face === face && !facet.tucked);
  const piece = pieceIndex(graph);
  const sheetOf = (facet: Facet) => piece(facet.piece).cell.sheet;
  const { sheets } = gatheredSheets(graph);
  if (own.some((facet) => sheets.has(sheetOf(facet))))
    return own
      .filter((facet) => sheets.has(sheetOf(facet)))
      .map(({ outline, piece: id }) => outline.map((p) => inNet(piece(id), p)));
  return own.map(({ outline, motion }) => {
    const places = outline.map((p) => move(motion, p));
    if (face === 'bottom') return places.map(({ x, z }) => ({ x, y: -z }));
    // From outside, left and right of the back are the other way round.
    const side = face === 'back' ? -1 : 1;
    return clipHalf(
      places.map(({ x, y }) => ({ x: side * x, y })),
      { x: 0, y: 1 },
      top,
    );
  });
}

/** The outlines of a face's lining: mostly one. */
const faceOutlines = (graph: BagGraph, face: Face, top: number): Point[][] =>
  together(faceParts(graph, face, top).filter((part) => part.length > 2)).map(atOrigin);

/** Bags less deep than this are lined with two flat pieces, mm. */
const FLAT = 8;
/** About a stitch, mm: lining pieces that differ by less all round are cut as one. */
const A_STITCH = 4;

const mirrored = (outline: readonly Point[]): Point[] =>
  atOrigin(outline.map(({ x, y }) => ({ x: -x, y })).reverse());

/** Whether a front and a back lie on one another within about a stitch. */
function alike(front: readonly Point[], back: readonly Point[]): boolean {
  const there = mirrored(back);
  const [p, q] = [extent(front), extent(there)];
  return (
    Math.abs(p.width - q.width) < A_STITCH &&
    Math.abs(p.height - q.height) < A_STITCH &&
    unlike(front, there) < (A_STITCH / 2) * pathLength([...front, ...front.slice(0, 1)])
  );
}

const named = (name: string, cut: number, outlines: readonly Point[][]): LiningPiece[] =>
  outlines.map((outline, i) => ({
    name: i === 0 ? name : `${name}, part ${i + 1}`,
    cut,
    outline,
    notches: middles(outline),
  }));

/** The height up to which a bag is lined: the lowest place of its rim, or where flap and handles grow out. */
function liningTop(graph: BagGraph): number {
  const rim = bodyRims(graph).flat();
  if (rim.length > 0) return Math.min(...rim.flatMap(({ from, to }) => [from.y, to.y]));
  const body = graph.facets.filter((facet) => !hangs(facet));
  return Math.max(...body.flatMap(({ outline, motion }) => outline.map((p) => move(motion, p).y)));
}

/** Down one side of a face, along its lower edge and up the other: all but what lies at its upper end. */
function wayRound(outline: readonly Point[]): number {
  const high = Math.max(...outline.map(({ y }) => y));
  return outline.reduce((sum, p, i) => {
    const q = outline[(i + 1) % outline.length] ?? p;
    return Math.min(p.y, q.y) > high - 0.05 ? sum : sum + distance(p, q);
  }, 0);
}

/**
 * The pieces of a lining, from the outlines of the made-up bag up to the lowest place of its rim: front and back, and
 * for a deep bag a strip round them; for a round bag its wall and its base.
 */
export function liningPieces(graph: BagGraph): LiningPiece[] {
  const { depth } = measure(graph);
  const top = liningTop(graph);
  const [bottom] = faceOutlines(graph, 'bottom', top);
  if (bottom && bottom.length > 8) {
    const [mouth = []] = bodyRims(graph);
    const way = mouth.reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.z - from.z), 0);
    const wall = box(way, top);
    return [
      { name: 'Wall', cut: 1, outline: wall, notches: middles(wall) },
      { name: 'Base', cut: 1, outline: bottom, notches: quarters(bottom) },
    ];
  }
  const [front, back] = [faceOutlines(graph, 'front', top), faceOutlines(graph, 'back', top)];
  const [first, behind] = [front[0], back[0]];
  const same = first && behind && front.length === 1 && back.length === 1 && alike(first, behind);
  const faces = same
    ? named('Front and back', 2, front)
    : [...named('Front', 1, front), ...named('Back', 1, back)];
  if (depth < FLAT || !first) return faces;
  return [...faces, ...named('Side strip', 1, [box(depth, wayRound(first))])].filter(
    ({ outline }) => area(outline) > 1,
  );
}

/** Four places evenly round a curve. */
const quarters = (outline: readonly Point[]): Point[] =>
  [0, 1, 2, 3].flatMap((k) => outline[Math.round((k * outline.length) / 4) % outline.length] ?? []);
