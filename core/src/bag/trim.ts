import { distance3, must, type Point3, rectangle } from '../geometry/index.ts';
import { mm } from '../units/index.ts';
import type { BagGraph, Motion, Piece, Strap } from './graph.ts';
import { bodyRims, fromFrontLeft, rimFace, rimLength, rimWalk } from './rim.ts';

const plus = (p: Point3, way: Point3, by: number): Point3 => ({
  x: p.x + way.x * by,
  y: p.y + way.y * by,
  z: p.z + way.z * by,
});

/** The edge rounds as they stand on the rim: a panel out of every straight stretch of it. */
export function edgingParts(graph: BagGraph): Array<{ piece: Piece; motion: Motion }> {
  const edging = graph.trim?.edging;
  if (!edging) return [];
  return rimWalk(graph)
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

/**
 * Where the first of so many eyelets lies from the middle of the front, in gaps: half a one off it or right on it, so
 * that on a flat bag none comes to lie on a side.
 */
export const firstEyelet = (eyelets: number): 0 | 0.5 => (eyelets % 4 === 0 ? 0.5 : 0);

/** Where the eyelets of a drawstring lie, evenly round the mouth from the middle of the front on. */
export function eyeletPlaces(graph: BagGraph): Array<{ at: Point3; normal: Point3 }> {
  const { eyelets = 0, edging } = graph.trim ?? {};
  const [mouth = []] = eyelets > 0 ? bodyRims(graph).map(fromFrontLeft) : [];
  if (mouth.length === 0) return [];
  const round = rimLength(mouth);
  const front = rimLength(mouth.filter((one) => rimFace(one) === 'front'));
  const rise = (edging?.height ?? 0) - EYELETS_BELOW;
  return Array.from({ length: eyelets }, (_, i) => {
    let left = (front / 2 + ((i + firstEyelet(eyelets)) * round) / eyelets) % round;
    const on = mouth.find(({ from, to }) => {
      const way = distance3(from, to);
      if (left <= way) return true;
      left -= way;
      return false;
    });
    const { from, to, out, normal } = on ?? must(mouth.at(-1), 'stretch of the mouth');
    const way = distance3(from, to) || 1;
    const along = plus(from, { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z }, left / way);
    return { at: plus(along, out, rise), normal };
  });
}

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
