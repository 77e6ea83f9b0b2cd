import type { BagGraph, Edge, Motion, Piece } from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { type Point, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { assemble, type Lie } from '../layout/assemble.ts';
import type { Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { scaled, X, Y } from '../layout/wrap.ts';
import type { OnPoint } from './schema.ts';

/** Places of the diamonds' centres across a row, in diamonds. */
function places({ across, bottom }: OnPoint, row: number): number[] {
  const shifted = (row + (bottom === 'tapered' ? 1 : 0)) % 2 === 1;
  // A full row stands between the sides; the row above and below it has a diamond on either side edge.
  return shifted
    ? Array.from({ length: across + 1 }, (_, i) => i)
    : Array.from({ length: across }, (_, i) => i + 0.5);
}

/** Whether a diamond at this place lies on the side of the bag, half in front and half behind. */
const onSide = ({ across }: OnPoint, x: number) => x === 0 || x === across;

/**
 * Lines of the net are numbered from the left end of its bottom row, 1, 2, 3; those that would cross it left of the bag
 * are L1, L2, L3. So a bag made wider or higher keeps the numbers of the lines it has.
 *
 * @param place odd half squares from the lower left corner, which every line of diamonds is.
 */
function lineNumber(lie: Lie, place: number): string {
  // Further right is further below a rising line, but above a falling one.
  const k = ((lie === 'rising' ? place : -place) - 1) / 2;
  return k >= 0 ? String(k + 1) : `L${-k}`;
}

/** How many squares a bag takes. */
export function squaresNeeded(params: OnPoint): number {
  let count = 0;
  for (let row = 0; row <= params.rows; row++) {
    for (const x of places(params, row)) {
      if (row === 0) count += onSide(params, x) ? 0 : 1;
      else count += onSide(params, x) ? 1 : 2;
    }
  }
  return count;
}

/** Side of a square with its share of the joins: every diamond is joined all round. */
export const pitchOf = ({ motif, rounds }: OnPoint, materials: Materials): number =>
  materials.joinedSide(motif, rounds);

/**
 * Squares hung as diamonds. The net hangs front and back on the bottom row, which folds along its level
 * diagonals; the diamonds on the sides hang on the front and fold along their upright ones.
 */
export function buildOnPoint(params: OnPoint, materials: Materials): BagGraph {
  const side = pitchOf(params, materials);
  const d = side * Math.SQRT2;
  const loops = materials.motifLoops(params.motif, params.rounds);
  const width = params.across * d;
  const edge: Edge = { kind: 'round', length: mm(side), loops };

  const diamond = (
    centre: Point,
    sheet: 'front' | 'back',
    id: string,
    name: string,
    row: number,
    column: number,
  ): Piece => ({
    id: `${sheet}/${id}`,
    name,
    make: { of: 'motif', motif: params.motif, rounds: params.rounds },
    outline: rectangle(0, 0, side, side),
    edges: [edge, edge, edge, edge],
    // A quarter turn of 45 degrees: the lower left corner points down.
    at: { x: centre.x, y: centre.y - d / 2 },
    turn: Math.PI / 4,
    cell: { sheet, row, column },
  });
  const pieces: Piece[] = [];
  // Lettered from the bottom, where the net begins: a bag made higher keeps the names of its squares.
  const label = letterOf;
  for (let row = 0; row <= params.rows; row++) {
    places(params, row).forEach((x, i) => {
      const y = (row * d) / 2;
      const name = `${label(row)}${i + 1}`;
      if (row === 0) {
        if (!onSide(params, x))
          pieces.push(diamond({ x: x * d, y }, 'front', `0/${i}`, name, params.rows, i));
        return;
      }
      const sideways = onSide(params, x);
      pieces.push(
        diamond(
          { x: x * d, y },
          'front',
          `${row}/${i}`,
          sideways ? name : `Front ${name}`,
          params.rows - row,
          i,
        ),
      );
      if (!sideways)
        pieces.push(
          diamond({ x: x * d, y: -y }, 'back', `${row}/${i}`, `Back ${name}`, params.rows + row, i),
        );
    });
  }

  const still: Motion = { origin: { x: -width / 2, y: 0, z: 0 }, u: X, v: Y };
  const below: Motion = { origin: { x: -width / 2, y: 0, z: 0 }, u: X, v: scaled(Y, -1) };
  const west: Motion = { origin: { x: -width / 2, y: 0, z: 0 }, u: scaled(X, -1), v: Y };
  const east: Motion = { origin: { x: (3 * width) / 2, y: 0, z: 0 }, u: scaled(X, -1), v: Y };
  const [up, down] = [
    { normal: { x: 0, y: -1 }, limit: 0 },
    { normal: { x: 0, y: 1 }, limit: 0 },
  ];
  const [fromLeft, toRight] = [
    { normal: { x: -1, y: 0 }, limit: 0 },
    { normal: { x: 1, y: 0 }, limit: width },
  ];
  const regions: Region[] = [
    { face: 'front', within: [up, fromLeft, toRight], motion: still },
    { face: 'back', within: [down], motion: below },
    { face: 'back', within: [up, { normal: { x: 1, y: 0 }, limit: 0 }], motion: west },
    { face: 'back', within: [up, { normal: { x: -1, y: 0 }, limit: -width }], motion: east },
  ];
  const notch = (params.rows * d) / 2;
  return assemble({
    pieces,
    regions,
    // The upper edges of the top row are the rim.
    open: ({ from, to }) => (from.y + to.y) / 2 > notch,
    nameLine: ({ a }) =>
      a.from.x + a.to.x < 0
        ? { id: 'left', name: 'Left side, zigzag' }
        : { id: 'right', name: 'Right side, zigzag' },
    pitch: side,
    nameFlat: (lie, place) => `${lie === 'rising' ? 'Rising' : 'Falling'} line ${lineNumber(lie, place)}`,
  });
}
