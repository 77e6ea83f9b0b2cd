import {
  along,
  distance3,
  groupBy,
  longestFirst,
  NO_STRETCH,
  outwardNormal,
  type Point3,
  unit,
} from '../geometry/index.ts';
import { cornersOf, type RimPart } from './corners.ts';
import { type EdgePlace, fabricAt, insideAngle } from './fabric-at.ts';
import type { BagGraph, Face } from './graph.ts';
import { wholeLoops } from './loops.ts';
import { hangs } from './measure.ts';
import { intervalLength, move, onFacet, outward, pieceIndex, stretchesOf } from './place.ts';

/** A straight stretch of the made-up rim. */
export interface RimStretch {
  readonly piece: string;
  readonly face: Face;
  readonly from: Point3;
  readonly to: Point3;
  /** Unit vector in the fabric, away from it, and the way the right side looks. */
  readonly out: Point3;
  readonly normal: Point3;
  /** Loops an edge round finds along it. */
  readonly loops: number;
  /** What the rim does where it ends. */
  readonly after: RimCorner;
}

/** Where one stretch of the rim goes over into the next. */
export interface RimCorner {
  /** Whether the rim goes over a join there; over a seam that is grown it just goes on. */
  readonly joined: boolean;
  /** A corner that stands out, or one that goes in. */
  readonly turns: 'straight' | 'peak' | 'notch';
}

/**
 * How much the fabric at a corner must differ from half a turn: more than the 30 degrees that hexagons and triangles
 * beside squares come to exactly, whatever rounding makes of them.
 */
const CORNER = Math.PI / 6 + 1e-3;

const turnsWith = (angle: number): RimCorner['turns'] =>
  Math.PI - angle > CORNER ? 'peak' : angle - Math.PI > CORNER ? 'notch' : 'straight';

const ON: RimCorner = { joined: false, turns: 'straight' };

/** Facets never change: their rims are walked once, however many ask. */
const walked = new WeakMap<BagGraph['facets'], RimStretch[][]>();

/**
 * The one walk round the made-up bag: all that no seam takes, loop by loop, the longest first, round flaps and handles
 * too. Each loop runs along the outlines of its pieces, stretch by stretch.
 */
export function rimWalk(graph: BagGraph): readonly RimStretch[][] {
  const known = walked.get(graph.facets);
  if (known) return known;
  const piece = pieceIndex(graph);
  const facets = groupBy(graph.facets, (facet) => facet.piece);
  const loopsOn = wholeLoops(graph);
  const goesOver = fabricAt(graph);
  const cornerAfter = (end: EdgePlace): RimCorner => {
    const between = goesOver(end);
    if (!between) return { joined: true, turns: 'straight' };
    const joined = between.crossed.some(({ kind }) => kind !== 'grown');
    return { joined, turns: turnsWith(between.angle) };
  };
  const stretchesAlong = ({ interval }: RimPart): RimStretch[] => {
    const own = piece(interval.piece);
    const [loops, length] = [loopsOn(interval), intervalLength(interval)];
    const parts = stretchesOf(own, interval.edge)
      .flatMap(({ p, q, from, to }) =>
        (facets.get(own.id) ?? []).flatMap((facet) => {
          const shares = onFacet(own, facet, p, q);
          if (!shares) return [];
          const low = Math.max(interval.from, from + (to - from) * shares[0]);
          const high = Math.min(interval.to, from + (to - from) * shares[1]);
          return high - low < NO_STRETCH ? [] : [{ p, q, from, to, low, high, facet }];
        }),
      )
      .sort((a, b) => a.low - b.low);
    return parts.map(({ p, q, from, to, low, high, facet }, i): RimStretch => {
      const place = (at: number) => move(facet.motion, along(p, q, (at - from) / (to - from)));
      const { x: ox, y: oy } = outwardNormal(p, q);
      const { u, v } = facet.motion;
      const last = i === parts.length - 1;
      return {
        piece: own.id,
        face: facet.face,
        from: place(low),
        to: place(high),
        out: unit({ x: ox * u.x + oy * v.x, y: ox * u.y + oy * v.y, z: ox * u.z + oy * v.z }),
        normal: unit(outward(facet.motion)),
        loops: (loops * (high - low)) / length,
        after: last
          ? cornerAfter({ piece: own.id, edge: interval.edge, at: interval.to })
          : { ...ON, turns: turnsWith(insideAngle(own, interval.edge, high)) },
      };
    });
  };
  const rims = cornersOf(graph)
    .rims()
    .map((loop) => loop.flatMap(stretchesAlong))
    .filter((loop) => loop.length > 0)
    .sort((a, b) => longestFirst(rimLength(a), rimLength(b)));
  walked.set(graph.facets, rims);
  return rims;
}

/** Way along some stretches of a rim, mm. */
export const rimLength = (loop: readonly RimStretch[]): number =>
  loop.reduce((sum, { from, to }) => sum + distance3(from, to), 0);

/** The stretches of the rims that lie on the body; flap and handles are left out. */
export const bodyRims = (graph: BagGraph): RimStretch[][] =>
  rimWalk(graph)
    .map((loop) => loop.filter((stretch) => !hangs(stretch)))
    .filter((loop) => loop.length > 0)
    .sort((a, b) => longestFirst(rimLength(a), rimLength(b)));

/** Where along a bag a stretch of its rim lies. */
export type RimFace = 'front' | 'back' | 'left' | 'right' | 'flap' | 'handle';

/** The part of the bag a stretch of the rim runs along: by the way its fabric looks, or as what hangs on the body. */
export const rimFace = ({ face, normal: { x, z } }: RimStretch): RimFace =>
  face === 'flap' || face === 'handle'
    ? face
    : z > 0.5
      ? 'front'
      : z < -0.5
        ? 'back'
        : x < 0
          ? 'left'
          : 'right';

/**
 * A loop of the rim as a maker goes round it: from the left end of the front to the right, and round behind. Each
 * stretch tells of the corner after it in this direction.
 */
export function fromFrontLeft(loop: readonly RimStretch[]): RimStretch[] {
  // Outlines run so that the front's rim is walked from right to left.
  const round = loop
    .map(
      (one, i): RimStretch => ({ ...one, from: one.to, to: one.from, after: (loop.at(i - 1) ?? one).after }),
    )
    .reverse();
  const first = round.findIndex(
    (one, i) => rimFace(one) === 'front' && rimFace(round.at(i - 1) ?? one) !== 'front',
  );
  return first <= 0 ? round : [...round.slice(first), ...round.slice(0, first)];
}
