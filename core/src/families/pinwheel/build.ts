import type { BagGraph, Edge, Face, Motion, Piece } from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { cross, must, type Point, type Point3, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { assemble, type Lie } from '../layout/assemble.ts';
import type { HalfPlane, Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { scaled, X, Y, Z } from '../layout/wrap.ts';
import type { Pinwheel } from './schema.ts';

/** Side of a square with its share of the joins: all but the rim's edges are joined. */
export const pitchOf = (
  { motif, rounds }: Pick<Pinwheel, 'motif' | 'rounds'>,
  materials: Materials,
): number => materials.joinedSide(motif, rounds);

/** A quarter turn of the net, as often as the wing's number says. */
const turned = ({ x, y }: Point, quarters: number): Point =>
  quarters === 0 ? { x, y } : turned({ x: y === 0 ? 0 : -y, y: x }, quarters - 1);

const WALLS: readonly Face[] = ['front', 'left', 'back', 'right'];

/**
 * A 2 x 2 centre with four wings, each one square wide, that turn like a mill.
 *
 * The middles of the centre's four sides become the corners of the base, so its side is the diagonal d of
 * a square, and the wings rise in a spiral round a tube of four walls, each d wide: wing and wall meet at
 * 45 degrees, and every wing's inner side lies along the next one's outer side.
 */
export function buildPinwheel(params: Pinwheel, materials: Materials): BagGraph {
  const s = pitchOf(params, materials);
  const d = s * Math.SQRT2;
  const loops = materials.motifLoops(params.motif, params.rounds);
  const edge: Edge = { kind: 'round', length: mm(s), loops };

  const pieces = params.wings.flatMap((length, wing): Piece[] =>
    Array.from({ length }, (_, k): Piece => {
      // Wing 0 runs to the right along the upper half; the others are quarter turns of it.
      const middle = turned({ x: (k + 0.5) * s, y: s / 2 }, wing);
      return {
        id: `wing-${wing}/${k}`,
        name: `${letterOf(wing)}${k + 1}`,
        make: { of: 'motif', motif: params.motif, rounds: params.rounds },
        outline: rectangle(0, 0, s, s),
        edges: [edge, edge, edge, edge],
        at: { x: middle.x - s / 2, y: middle.y - s / 2 },
        turn: 0,
        cell: { sheet: `wing-${wing}`, row: wing, column: k },
      };
    }),
  );

  const holdsWing = (wing: number) => (piece: Piece) => piece.cell.sheet === `wing-${wing}`;
  const half = Math.SQRT1_2;
  const base: Region = {
    face: 'bottom',
    within: [0, 1, 2, 3].map((q) => ({ normal: turned({ x: half, y: half }, q), limit: d / 2 })),
    motion: {
      origin: { x: 0, y: 0, z: 0 },
      u: { x: half, y: 0, z: half },
      v: { x: -half, y: 0, z: half },
    },
  };
  const regions: Region[] = [base];
  for (let wing = 0; wing < 4; wing++) {
    const out = turned({ x: half, y: half }, wing);
    const along = turned({ x: half, y: -half }, wing);
    const beyondBase: HalfPlane = { normal: scaledPoint(out, -1), limit: -d / 2 };
    // A wing of n squares passes along at most n / 2 + 1 walls.
    const walls = Math.ceil((params.wings[wing] ?? 1) / 2) + 1;
    for (let wall = 0; wall < walls; wall++) {
      const start = -d / 2 + wall * d;
      // Turning with the wing, the walls come in the other order than the wings' own.
      const at = (wing + 4 - (wall % 4)) % 4;
      regions.push({
        face: WALLS[at] ?? 'front',
        holds: holdsWing(wing),
        within: [
          beyondBase,
          { normal: scaledPoint(along, -1), limit: -start },
          { normal: along, limit: start + d },
        ],
        motion: wallMotion(at, { out, along }, start, d),
      });
    }
  }
  const wingOf = new Map(pieces.map(({ id, cell }) => [id, cell.row]));
  return assemble({
    pieces,
    regions,
    nameLine: ({ a, b }) => {
      const wings = [a, b]
        .map(({ interval }) => must(wingOf.get(interval.piece), 'wing'))
        .sort((p, q) => p - q);
      const letters = wings.map(letterOf);
      return { id: `wings-${wings.join('-')}`, name: `Wing ${letters.join(' to wing ')}` };
    },
    pitch: s,
    nameFlat,
  });
}

/** Wings by the way their inner joins lie, right or up of the centre and left or down of it. */
const ACROSS: Readonly<Partial<Record<Lie, readonly [string, string]>>> = {
  upright: ['A', 'C'],
  level: ['D', 'B'],
};

/** A line through the centre, or the one across a wing after so many of its squares. */
function nameFlat(lie: Lie, place: number): string {
  const after = Math.abs(place) / 2;
  if (after === 0) return `Across the centre, ${lie}`;
  const wing = must(ACROSS[lie], `wing along a ${lie} line`)[place > 0 ? 0 : 1];
  return `Across wing ${wing}, after ${wing}${after}`;
}

const scaledPoint = ({ x, y }: Point, by: number): Point => ({ x: x * by, y: y * by });

/**
 * How the net stands up on wall `wall` (0 front, going left as seen from above): the net's direction
 * `along` runs along the wall to the right as seen from outside, `out` runs up it.
 */
function wallMotion(wall: number, net: { out: Point; along: Point }, start: number, d: number): Motion {
  const outward = [Z, scaled(X, -1), scaled(Z, -1), X][wall] ?? Z;
  const right = cross(Y, outward);
  // The wall's lower left corner as seen from outside.
  const corner: Point3 = {
    x: (outward.x - right.x) * (d / 2),
    y: 0,
    z: (outward.z - right.z) * (d / 2),
  };
  // A net point p lies (p . along - start) to the right of the corner and (p . out - d / 2) above it.
  const mix = (a: number, b: number): Point3 => ({
    x: right.x * a + Y.x * b,
    y: right.y * a + Y.y * b,
    z: right.z * a + Y.z * b,
  });
  const shift = mix(-start, -d / 2);
  return {
    origin: { x: corner.x + shift.x, y: corner.y + shift.y, z: corner.z + shift.z },
    u: mix(net.along.x, net.out.x),
    v: mix(net.along.y, net.out.y),
  };
}
