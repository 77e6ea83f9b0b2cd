import {
  along,
  distance3,
  groupBy,
  NO_STRETCH,
  outwardNormal,
  type Point3,
  rectangle,
  unit,
} from '../geometry/index.ts';
import { mm } from '../units/index.ts';
import { cornersOf } from './corners.ts';
import type { BagGraph, Motion, Piece, Strap } from './graph.ts';
import { edgeOf, move, onFacet, outward, pieceIndex, stretchesOf } from './place.ts';

/** A straight stretch of the made-up rim. */
export interface RimStretch {
  readonly piece: string;
  readonly from: Point3;
  readonly to: Point3;
  /** Unit vector in the fabric, away from it, and the way the right side looks. */
  readonly out: Point3;
  readonly normal: Point3;
  /** Loops an edge round finds along it. */
  readonly loops: number;
}

/** The rims of the body on the made-up bag, loop by loop, the longest first; flap and handles are left out. */
export function rimStretches(graph: BagGraph): RimStretch[][] {
  const piece = pieceIndex(graph);
  const facets = groupBy(
    graph.facets.filter(({ face }) => face !== 'flap' && face !== 'handle'),
    (facet) => facet.piece,
  );
  const length = (loop: readonly RimStretch[]) =>
    loop.reduce((sum, { from, to }) => sum + distance3(from, to), 0);
  return cornersOf(graph)
    .rims()
    .map((loop) =>
      loop.flatMap(({ interval }): RimStretch[] => {
        const own = piece(interval.piece);
        const { loops, length: whole } = edgeOf(own, interval.edge);
        return stretchesOf(own, interval.edge).flatMap(({ p, q, from, to }) =>
          (facets.get(own.id) ?? []).flatMap((facet): RimStretch[] => {
            const shares = onFacet(own, facet, p, q);
            if (!shares) return [];
            const low = Math.max(interval.from, from + (to - from) * shares[0]);
            const high = Math.min(interval.to, from + (to - from) * shares[1]);
            if (high - low < NO_STRETCH) return [];
            const place = (at: number) => move(facet.motion, along(p, q, (at - from) / (to - from)));
            const { x: ox, y: oy } = outwardNormal(p, q);
            const { u, v } = facet.motion;
            const out = unit({ x: ox * u.x + oy * v.x, y: ox * u.y + oy * v.y, z: ox * u.z + oy * v.z });
            return [
              {
                piece: own.id,
                from: place(low),
                to: place(high),
                out,
                normal: unit(outward(facet.motion)),
                loops: (loops * (high - low)) / whole,
              },
            ];
          }),
        );
      }),
    )
    .sort((a, b) => length(b) - length(a));
}

const plus = (p: Point3, way: Point3, by: number): Point3 => ({
  x: p.x + way.x * by,
  y: p.y + way.y * by,
  z: p.z + way.z * by,
});

/** The edge rounds as they stand on the rim: a panel out of every straight stretch of it. */
export function edgingParts(graph: BagGraph): Array<{ piece: Piece; motion: Motion }> {
  const edging = graph.trim?.edging;
  if (!edging) return [];
  return rimStretches(graph)
    .flat()
    .map(({ from, to, out, loops }, i) => {
      const way = distance3(from, to);
      const u = { x: (from.x - to.x) / way, y: (from.y - to.y) / way, z: (from.z - to.z) / way };
      const edge = { kind: 'tops' as const, length: mm(way), loops: Math.round(loops) };
      const piece: Piece = {
        id: `edge/${i}`,
        name: 'Edge',
        make: {
          of: 'panel',
          swatch: edging.swatch,
          stitches: Math.max(1, Math.round(loops * (1 + edging.growth))),
          rows: edging.rounds,
          rowsRun: 'across',
        },
        outline: rectangle(0, 0, way, edging.height),
        edges: [edge, edge, edge, edge],
        at: { x: 0, y: 0 },
        turn: 0,
        cell: { sheet: 'edge', row: 0, column: i },
      };
      return { piece, motion: { origin: to, u, v: out } };
    });
}

/** How far below the upper edge eyelets lie, mm. */
const EYELETS_BELOW = 14;

/** Where the eyelets of a drawstring lie, evenly round the mouth. */
export function eyeletPlaces(graph: BagGraph): Array<{ at: Point3; normal: Point3 }> {
  const { eyelets = 0, edging } = graph.trim ?? {};
  const [mouth = []] = eyelets > 0 ? rimStretches(graph) : [];
  const round = mouth.reduce((sum, { from, to }) => sum + distance3(from, to), 0);
  const rise = (edging?.height ?? 0) - EYELETS_BELOW;
  return Array.from({ length: mouth.length > 0 ? eyelets : 0 }, (_, i) => {
    let left = ((i + 0.5) * round) / eyelets;
    const on = mouth.find(({ from, to }) => {
      const way = distance3(from, to);
      if (left <= way) return true;
      left -= way;
      return false;
    });
    const { from, to, out, normal } = on ?? mouth[0] ?? ORIGIN;
    const way = distance3(from, to) || 1;
    const on0 = plus(from, { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z }, left / way);
    return { at: plus(on0, out, rise), normal };
  });
}

const ZERO: Point3 = { x: 0, y: 0, z: 0 };
const ORIGIN = { piece: '', loops: 0, from: ZERO, to: ZERO, out: ZERO, normal: ZERO };

/** Straight parts a hanging strap is drawn in: no corner is seen at them. */
const STRAP_PARTS = 24;

/**
 * A strap as it hangs, from end to end: half a wave about as long as the strap is, up over the opening or out
 * behind.
 */
export function strapPath({ from, to, length, behind }: Strap): Point3[] {
  const apart = distance3(from, to);
  const rise = Math.sqrt(Math.max(0, length * length - apart * apart)) / 2;
  return Array.from({ length: STRAP_PARTS + 1 }, (_, i) => {
    const t = i / STRAP_PARTS;
    const bow = rise * Math.sin(Math.PI * t);
    return {
      x: from.x + (to.x - from.x) * t,
      y: from.y + (to.y - from.y) * t + (behind ? 0 : bow),
      // A worn strap lies nearer to the bag than a free one.
      z: from.z + (to.z - from.z) * t - (behind ? bow * 0.6 : 0),
    };
  });
}
