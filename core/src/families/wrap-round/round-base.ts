import type { BagGraph, Face, Motion, Piece } from '../../bag/index.ts';
import { intervalLength } from '../../bag/index.ts';
import { must, type Point3 } from '../../geometry/index.ts';
import { bend, type Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sew, sheetsToGraph } from '../layout/sew.ts';
import { BOTTOM, LEFT, layOut, piecesOf, RIGHT, reversed, sheetSide } from '../layout/sheet.ts';
import { X, Y } from '../layout/wrap.ts';
import type { WrapRound } from './schema.ts';

/** Which face a stretch of the wall belongs to, by the way it looks. */
function faceOf(x: number, z: number): Face {
  if (Math.abs(z) >= Math.abs(x)) return z > 0 ? 'front' : 'back';
  return x > 0 ? 'right' : 'left';
}

/**
 * A tube that stands on a disc. The wall goes round in as many flat stretches as the disc's outline has; where
 * wall and disc differ in length the disc is eased, and the difference told.
 */
export function roundBase(
  { body }: WrapRound,
  base: NonNullable<WrapRound['base']>,
  materials: Materials,
): BagGraph {
  const sheet = layOut(body, materials, {
    id: 'body',
    name: body.of === 'worked' ? 'Wall' : '',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT, BOTTOM],
  });
  const w = sheet.width;
  const shape = materials.motifShape(base.motif, base.rounds);
  const across = shape.outline.reduce((most, { x }) => Math.max(most, x), 0);
  const disc: Piece = {
    id: 'base',
    name: 'Base',
    make: { of: 'motif', motif: base.motif, rounds: base.rounds },
    ...shape,
    at: { x: (w - across) / 2, y: -across - APART / 2 },
    turn: 0,
    cell: { sheet: 'base', row: 0, column: 0 },
  };
  const round = { piece: 'base', edge: 0, from: 0, to: must(shape.edges[0], 'edge').length };
  const sides = shape.outline.length;
  const radius = w / sides / (2 * Math.sin(Math.PI / sides));
  // The wall begins behind and goes round by the left, so that its seam lies in the middle of the back.
  const corner = (k: number): Point3 => {
    const angle = (2 * Math.PI * k) / sides;
    return { x: -radius * Math.sin(angle), y: 0, z: -radius * Math.cos(angle) };
  };
  const wall = Array.from({ length: sides }, (_, k): Region => {
    const [p, q] = [corner(k), corner(k + 1)];
    const from = (w * k) / sides;
    const u: Point3 = { x: ((q.x - p.x) * sides) / w, y: 0, z: ((q.z - p.z) * sides) / w };
    return {
      face: faceOf(p.x + q.x, p.z + q.z),
      within: [
        { normal: { x: 1, y: 0 }, limit: from + w / sides },
        { normal: { x: -1, y: 0 }, limit: -from },
      ],
      motion: { origin: { x: p.x - from * u.x, y: 0, z: p.z - from * u.z }, u, v: Y },
      holds: ({ id }) => id !== 'base',
    };
  });
  // The disc lies with its right side down, its first loop behind.
  const ease = w / intervalLength(round);
  const middle = across / 2;
  const under: Motion = {
    origin: {
      x: (disc.at.x + middle) * ease,
      y: 0,
      z: (disc.at.y + middle) * ease,
    },
    u: { x: -X.x * ease, y: 0, z: 0 },
    v: { x: 0, y: 0, z: -ease },
  };
  const lying: Region = { face: 'bottom', within: [], motion: under, holds: ({ id }) => id === 'base' };
  const bent = bend([...piecesOf(sheet), disc], [...wall, lying]);
  const graph = sheetsToGraph(
    [{ sheet, id: 'body', name: '' }],
    [
      sew('closing', 'side', 'Side seam', sheetSide(sheet, RIGHT), reversed(sheetSide(sheet, LEFT))),
      sew('closing', 'base', 'Wall to base', sheetSide(sheet, BOTTOM), reversed([round])),
    ],
    // A round wall bends; it has no folds.
    [{ facets: bent.facets, folds: [] }],
  );
  return { ...graph, pieces: [...graph.pieces, disc] };
}
