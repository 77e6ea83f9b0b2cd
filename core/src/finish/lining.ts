import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import { type BagGraph, bodyRims, type Face, measure, move } from '../bag/index.ts';
import { area, distance, extent, hullOf, type Point } from '../geometry/index.ts';

/** A piece of lining to cut: its seam line, without allowance. */
export interface LiningPiece {
  readonly name: string;
  /** How many are cut alike. */
  readonly cut: number;
  /** Counter-clockwise from its lower left, mm; the grain runs upright. */
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

/** The outline of a face on its own plane, no higher than `top`; its lower left at 0, 0. */
function faceOutline(
  graph: BagGraph,
  face: Face,
  top: number,
  across: 'x' | 'z' = 'x',
  up: 'y' | 'z' = 'y',
): Point[] {
  const points = graph.facets
    .filter((facet) => facet.face === face)
    .flatMap(({ outline, motion }) => outline.map((p) => move(motion, p)))
    .map((p) => ({ x: p[across], y: up === 'y' ? Math.min(p.y, top) : p.z }));
  if (points.length < 3) return [];
  const left = Math.min(...points.map(({ x }) => x));
  const low = Math.min(...points.map(({ y }) => y));
  return hullOf(points.map(({ x, y }) => ({ x: x - left, y: y - low })));
}

/** Bags less deep than this are lined with two flat pieces, mm. */
const FLAT = 8;

/**
 * The pieces of a lining, from the outlines of the made-up bag up to the lowest place of its rim: front and back, and
 * for a deep bag a strip round them; for a round bag its wall and its base.
 */
export function liningPieces(graph: BagGraph): LiningPiece[] {
  const { depth } = measure(graph);
  const [mouth = []] = bodyRims(graph);
  const top = Math.min(...mouth.flatMap(({ from, to }) => [from.y, to.y]));
  const bottom = faceOutline(graph, 'bottom', top, 'x', 'z');
  if (bottom.length > 8) {
    const way = mouth.reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.z - from.z), 0);
    const wall = box(way, top);
    return [
      { name: 'Wall', cut: 1, outline: wall, notches: middles(wall) },
      { name: 'Base', cut: 1, outline: bottom, notches: quarters(bottom) },
    ];
  }
  const front = faceOutline(graph, 'front', top);
  const back = faceOutline(graph, 'back', top);
  const faces: LiningPiece[] = alike(front, back)
    ? [{ name: 'Front and back', cut: 2, outline: front, notches: middles(front) }]
    : [
        { name: 'Front', cut: 1, outline: front, notches: middles(front) },
        { name: 'Back', cut: 1, outline: back, notches: middles(back) },
      ];
  // A bag that is all opening leaves nothing to line on that face.
  const there = ({ outline }: LiningPiece) => outline.length > 2 && area(outline) > 1;
  if (depth < FLAT) return faces.filter(there);
  const high = Math.max(...front.map(({ y }) => y));
  const way = front.reduce((sum, p, i) => {
    const q = front[(i + 1) % front.length] ?? p;
    // The upper edge stays open.
    return p.y > high - 1 && q.y > high - 1 ? sum : sum + distance(p, q);
  }, 0);
  const strip = box(depth, way);
  return [...faces, { name: 'Side strip', cut: 1, outline: strip, notches: middles(strip) }].filter(there);
}

/** Four places evenly round a curve. */
const quarters = (outline: readonly Point[]): Point[] =>
  [0, 1, 2, 3].flatMap((k) => outline[Math.round((k * outline.length) / 4) % outline.length] ?? []);

/** About a stitch, mm: lining pieces that differ by less are cut as one. */
const A_STITCH = 4;

/** Whether two outlines are the same within a stitch. */
function alike(a: readonly Point[], b: readonly Point[]): boolean {
  const [p, q] = [extent(a), extent(b)];
  const near = (one: number, other: number) => Math.abs(one - other) < A_STITCH;
  return a.length === b.length && near(p.width, q.width) && near(p.height, q.height);
}

/** How far a corner of the cutting line may stand out, in allowances: a sharper one is cut off there. */
const MITRE = 2.5;
/** Decimals of a millimetre the cutting line is worked out to. */
const DECIMALS = 4;

/**
 * The cutting line: an outline of any shape moved outwards by the seam allowance. Corners stay sharp up to a limit, and
 * where the outline turns in, the line follows it.
 */
export function withAllowance(outline: readonly Point[], allowance: number): Point[] {
  const paths = inflatePathsD(
    [outline.map(({ x, y }) => ({ x, y }))],
    allowance,
    JoinType.Miter,
    EndType.Polygon,
    MITRE,
    DECIMALS,
  );
  // A piece of cloth is one piece: whatever else comes of it is a hole in it, and smaller.
  const [line = []] = paths.sort((p, q) => Math.abs(area(q)) - Math.abs(area(p)));
  return line.map(({ x, y }) => ({ x, y }));
}

/** How a ready-made bag serves as lining: the crochet must come out a little under it, never over. */
export type ReadyVerdict = 'fits' | 'crochet too large' | 'crochet too small';

/** A few per cent of stretch bring a cover to size. */
const STRETCH = 0.05;

export function readyVerdict(
  size: { readonly width: number; readonly height: number },
  ready: { readonly width: number; readonly height: number },
): ReadyVerdict {
  const [w, h] = [size.width / ready.width, size.height / ready.height];
  if (w > 1.005 || h > 1.005) return 'crochet too large';
  return w < 1 - STRETCH || h < 1 - STRETCH ? 'crochet too small' : 'fits';
}
