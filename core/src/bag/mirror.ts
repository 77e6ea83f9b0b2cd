import type { Point, Point3 } from '../geometry/index.ts';
import type { BagGraph, Face, Facet, Interval, Piece, Seam, Strap } from './graph.ts';
import { edgeOf } from './place.ts';

const FACES: Partial<Record<Face, Face>> = { left: 'right', right: 'left' };

/** Left for right and right for left, wherever a text says either. */
export const mirroredWords = (text: string): string =>
  text.replace(/\b(left|right)\b/gi, (word) => {
    const other = word.toLowerCase() === 'left' ? 'right' : 'left';
    return word[0] === word[0]?.toLowerCase() ? other : other.charAt(0).toUpperCase() + other.slice(1);
  });

const across = ({ x, y, z }: Point3): Point3 => ({ x: -x, y, z });

/** Which edge of the mirror image an edge is: the first stays the first, the others follow the other way round. */
const mirroredEdge = (piece: Piece, edge: number): number => (piece.edges.length - edge) % piece.edges.length;

const widthOf = ({ outline }: Piece): number => outline.reduce((most, { x }) => Math.max(most, x), 0);

/** What it is made of, with a drawing of its own in the mirror, too. */
function mirroredMake({ make }: Piece, width: number): Piece['make'] {
  if (make.of === 'motif' || !make.placed) return make;
  const [a, b, c, d, e, f] = make.placed;
  return { ...make, placed: [-a, b, -c, d, width - e, f] };
}

function mirroredPiece(piece: Piece): Piece {
  const { outline, edges, at, turn, name } = piece;
  const width = widthOf(piece);
  const first = edges[0]?.sides ?? 1;
  const corners = outline.map(({ x, y }): Point => ({ x: width - x, y }));
  // Begun at the end of the first edge and walked backwards, so that it runs counter-clockwise again.
  const turned = corners.map(
    (_, i) => corners[(first - i + 2 * corners.length) % corners.length] ?? { x: 0, y: 0 },
  );
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return {
    ...piece,
    make: mirroredMake(piece, width),
    name: mirroredWords(name),
    outline: turned,
    edges: edges.map((_, i) => edges[mirroredEdge(piece, i)] ?? edgeOf(piece, i)),
    at: { x: -at.x - width * cos, y: at.y + width * sin },
    turn: turn === 0 ? 0 : -turn,
  };
}

/**
 * A bag in the mirror, as a left-handed maker works it: net, made-up bag and names with left and right exchanged. All that
 * lasts (ids of pieces, seams and lines) stays.
 */
export function mirrored(graph: BagGraph): BagGraph {
  const before = new Map(graph.pieces.map((piece) => [piece.id, piece]));
  const pieces = graph.pieces.map(mirroredPiece);
  const after = new Map(pieces.map((piece) => [piece.id, piece]));
  const own = (id: string): Piece => {
    const piece = before.get(id);
    if (!piece) throw new Error(`The bag has no piece ${id}.`);
    return piece;
  };
  const interval = ({ piece, edge, from, to }: Interval): Interval => {
    const { length } = edgeOf(own(piece), edge);
    return { piece, edge: mirroredEdge(own(piece), edge), from: length - from, to: length - to };
  };
  const point = (id: string, { x, y }: Point): Point => ({ x: widthOf(own(id)) - x, y });
  const facet = (one: Facet): Facet => {
    const { piece, outline, face, motion } = one;
    const [width, whole] = [widthOf(own(piece)), after.get(piece)];
    const { origin, u, v } = motion;
    return {
      ...one,
      face: FACES[face] ?? face,
      // What is not folded is the piece's own outline.
      outline:
        outline === own(piece).outline && whole
          ? whole.outline
          : outline.map((p) => point(piece, p)).reverse(),
      motion: {
        origin: across({ x: origin.x + u.x * width, y: origin.y + u.y * width, z: origin.z + u.z * width }),
        u: { x: u.x, y: -u.y, z: -u.z },
        v: across(v),
      },
    };
  };
  const strap = (one: Strap): Strap => ({
    ...one,
    name: mirroredWords(one.name),
    from: across(one.from),
    to: across(one.to),
  });
  const { trim, tucks } = graph;
  return {
    ...graph,
    pieces,
    seams: graph.seams.map((seam): Seam => ({ ...seam, a: interval(seam.a), b: interval(seam.b) })),
    lines: graph.lines.map(({ id, name }) => ({ id, name: mirroredWords(name) })),
    folds: graph.folds.map(({ piece, from, to }) => ({
      piece,
      from: point(piece, from),
      to: point(piece, to),
    })),
    facets: graph.facets.map(facet),
    ...(trim && { trim: { ...trim, ...(trim.straps && { straps: trim.straps.map(strap) }) } }),
    ...(tucks && { tucks: tucks.map((one) => ({ ...one, name: mirroredWords(one.name) })) }),
  };
}
