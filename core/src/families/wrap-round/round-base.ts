import type { BagGraph, Face, Motion, Piece } from '../../bag/index.ts';
import { intervalLength } from '../../bag/index.ts';
import { extent, must, type Point, type Point3, pathLength } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { bend, type Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { affineOf } from '../layout/rows-sides.ts';
import { APART, sew, sheetsToGraph } from '../layout/sew.ts';
import { BOTTOM, LEFT, piecesOf, RIGHT, reversed, sheetSide } from '../layout/sheet.ts';
import { laySheet } from '../layout/sheet-make.ts';
import { X, Y } from '../layout/wrap.ts';
import type { RoundBase, WrapRound } from './schema.ts';

/** Which face a stretch of the wall belongs to, by the way it looks. */
function faceOf(x: number, z: number): Face {
  if (Math.abs(z) >= Math.abs(x)) return z > 0 ? 'front' : 'back';
  return x > 0 ? 'right' : 'left';
}

/** What the wall stands on: one edge, all round, begun at its first loop. */
function discOf(base: RoundBase, materials: Materials): Pick<Piece, 'make' | 'outline' | 'edges'> {
  if (base.of === 'one') {
    const { motif, rounds } = base;
    return { make: { of: 'motif', motif, rounds }, ...materials.motifShape(motif, rounds) };
  }
  const { piece, swatch, stitches, rows } = materials.panel(base.panel);
  const side = must(piece.sides[0], 'round');
  const first = must(side.path[0], 'first stitch');
  // As round as the wall that stands on it, as long as its last round, its first loop at the top.
  const length = pathLength(side.path);
  const radius = length / SIDES / (2 * Math.sin(Math.PI / SIDES));
  const outline = Array.from({ length: SIDES }, (_, k): Point => {
    const angle = Math.PI / 2 + (2 * Math.PI * k) / SIDES;
    return { x: radius * (1 + Math.cos(angle)), y: radius * (1 + Math.sin(angle)) };
  });
  const points = side.path.slice(1);
  const middle = {
    x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
    y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
  };
  const turn = Math.PI / 2 - Math.atan2(first.y - middle.y, first.x - middle.x);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const moved = ({ x, y }: Point): Point => ({
    x: radius + (x - middle.x) * cos - (y - middle.y) * sin,
    y: radius + (x - middle.x) * sin + (y - middle.y) * cos,
  });
  return {
    make: {
      of: 'panel',
      swatch,
      stitches,
      rows,
      rowsRun: 'across',
      panel: base.panel,
      placed: affineOf(moved),
    },
    outline,
    edges: [{ kind: side.kind, loops: side.loops, length: mm(length), sides: SIDES }],
  };
}

/** Straight stretches round a base that is a panel. */
const SIDES = 24;

/**
 * A tube that stands on a disc. The wall goes round in as many flat stretches as the disc's outline has; where
 * wall and disc differ in length the disc is eased, and the difference told.
 */
export function roundBase({ body }: WrapRound, base: RoundBase, materials: Materials): BagGraph {
  const sheet = laySheet(body, materials, {
    id: 'body',
    name: body.of === 'motifs' ? '' : 'Wall',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT, BOTTOM],
  });
  const w = sheet.width;
  const shape = discOf(base, materials);
  const { width: across, height: up } = extent(shape.outline);
  const disc: Piece = {
    id: 'base',
    name: 'Base',
    ...shape,
    at: { x: (w - across) / 2, y: -up - APART / 2 },
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
  const [middle, centre] = [across / 2, up / 2];
  const under: Motion = {
    origin: {
      x: (disc.at.x + middle) * ease,
      y: 0,
      z: (disc.at.y + centre) * ease,
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
