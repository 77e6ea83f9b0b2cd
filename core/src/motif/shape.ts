import type { Edge, EdgeKind } from '../bag/index.ts';
import { type Point, rectangle } from '../geometry/index.ts';
import { mm } from '../units/index.ts';
import { longOf, type MotifDefinition, type MotifKind, sideLoops, sideStitches } from './counts.ts';

/** A motif's outline with its edges; the lower left of its box is at 0, 0. */
export interface MotifShape {
  readonly outline: readonly Point[];
  readonly edges: readonly Edge[];
}

/** Straight stretches that stand for a full circle: its outline is a polygon just as long as the circle. */
const CIRCLE_SIDES = 24;

/** Corners of an arc of `share` of a circle, from `start` (radians) on, both ends included. */
function arc(radius: number, start: number, share: number): Point[] {
  const sides = CIRCLE_SIDES * share;
  return Array.from({ length: sides + 1 }, (_, i) => {
    const angle = start + (2 * Math.PI * share * i) / sides;
    return { x: radius + radius * Math.cos(angle), y: radius + radius * Math.sin(angle) };
  });
}

/** Radius of the polygon whose way round is that of a circle of this diameter. */
const polygonRadius = (diameter: number) =>
  (Math.PI * diameter) / (2 * CIRCLE_SIDES * Math.sin(Math.PI / CIRCLE_SIDES));

/** A motif's size as a multiple of its side: of a hexagon flat to flat, of a disc, or half of one, across by its way round. */
export const acrossBySide = (kind: MotifKind): number =>
  kind === 'hexagon' ? Math.sqrt(3) : kind === 'disc' ? 1 / Math.PI : kind === 'half-disc' ? 2 / Math.PI : 1;

/** Stitches lie as close along a rectangle's long side as along its short one. */
export const rectangleWidth = (motif: MotifDefinition, rounds: number, size: number): number =>
  size * (1 + longOf(motif, rounds) / sideStitches(motif, rounds));

/**
 * Outline and edges of a motif of the given size (mm): a square's side, a disc's or half disc's diameter, a
 * hexagon's height between two flat sides, a triangle's shorter side. A shape with a straight upper side has it
 * as its last edge; the others follow counter-clockwise from its upper left.
 *
 * @param openLoops insertions along the whole open side of a half disc or triangle: at the ends of its rows.
 */
export function motifShape(
  motif: MotifDefinition,
  rounds: number,
  size: number,
  openLoops: number,
): MotifShape {
  const loops = sideLoops(motif, rounds);
  const edge = (length: number, own = loops, kind: EdgeKind = 'round', sides = 1): Edge => ({
    kind,
    length: mm(length),
    loops: own,
    ...(sides > 1 ? { sides } : {}),
  });
  switch (motif.kind) {
    case 'cluster':
    case 'solid':
      return { outline: rectangle(0, 0, size, size), edges: [size, size, size, size].map((s) => edge(s)) };
    case 'disc': {
      const outline = arc(polygonRadius(size), Math.PI / 2, 1).slice(0, -1);
      return { outline, edges: [edge(Math.PI * size, loops, 'round', CIRCLE_SIDES)] };
    }
    case 'half-disc': {
      const radius = polygonRadius(size);
      return {
        outline: arc(radius, Math.PI, 0.5),
        edges: [
          edge((Math.PI * size) / 2, loops, 'round', CIRCLE_SIDES / 2),
          edge(2 * radius, openLoops, 'row-ends'),
        ],
      };
    }
    case 'hexagon': {
      const side = size / Math.sqrt(3);
      const corners = [
        [side / 2, size],
        [0, size / 2],
        [side / 2, 0],
        [(3 * side) / 2, 0],
        [2 * side, size / 2],
        [(3 * side) / 2, size],
      ] as const;
      return { outline: corners.map(([x, y]) => ({ x, y })), edges: corners.map(() => edge(side)) };
    }
    case 'rectangle': {
      const wide = rectangleWidth(motif, rounds, size);
      const [short, more] = [edge(size), edge(wide, loops + longOf(motif, rounds))];
      return {
        outline: [
          { x: 0, y: size },
          { x: 0, y: 0 },
          { x: wide, y: 0 },
          { x: wide, y: size },
        ],
        edges: [short, more, short, more],
      };
    }
    case 'triangle': {
      const long = size * Math.SQRT2;
      return {
        outline: [
          { x: 0, y: long / 2 },
          { x: long / 2, y: 0 },
          { x: long, y: long / 2 },
        ],
        edges: [edge(size), edge(size), edge(long, openLoops, 'row-ends')],
      };
    }
  }
}
