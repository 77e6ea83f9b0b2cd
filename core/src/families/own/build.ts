import {
  type BagGraph,
  cornersOf,
  type Edge,
  type Facet,
  type Fold,
  move,
  type Piece,
  type Seam,
  type SeamLine,
  withSeamIds,
} from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { must, type Point, type Point3, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { bend } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { foldUp } from './fold-up.ts';
import { type Cell, type CellEdge, cellKey, edgeKey, type Own, SIDES } from './schema.ts';
import { panelSize, type Table, tableOf } from './table.ts';

/** Cells are named by rows from the top and columns from the left, as they lie. */
function namesOf({ cells }: Own): ReadonlyMap<string, string> {
  const [xs, ys] = [cells.map(({ x }) => x), cells.map(({ y }) => y)];
  const [left, top] = [Math.min(...xs), Math.max(...ys)];
  return new Map(
    cells.map(({ x, y }) => {
      return [cellKey({ x, y }), `${letterOf(top - y)}${x - left + 1}`];
    }),
  );
}

/** A piece at its own size, its middle on the middle of its cell. */
function pieceOf(params: Own, cell: Cell, name: string, table: Table, materials: Materials): Piece {
  const { turn } = table;
  const { motif, rounds, swatch } = params;
  const edge = (kind: Edge['kind'], length: number, loops: number): Edge => ({
    kind,
    length: mm(length),
    loops,
  });
  const ofMotif = () => {
    const round = edge('round', table.wide, materials.motifLoops(motif, rounds));
    const make = { of: 'motif', motif, rounds } as const;
    return { make, edges: [round, round, round, round], wide: table.wide, tall: table.tall };
  };
  const ofPanel = () => {
    const { stitches, rows, wide, tall } = panelSize(params, materials);
    const ends = edge('row-ends', tall, Math.max(1, Math.round(rows * materials.rowEndRate(swatch))));
    const make = { of: 'panel', swatch, stitches, rows, rowsRun: 'across' } as const;
    return {
      make,
      edges: [edge('chain', wide, stitches), ends, edge('tops', wide, stitches), ends],
      wide,
      tall,
    };
  };
  const { make, edges, wide, tall } = cell.of === 'square' ? ofMotif() : ofPanel();
  const [x, y] = [(table.wide - wide) / 2, (table.tall - tall) / 2];
  const corner = table.corner(cell);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return {
    id: cellKey(cell),
    name,
    make,
    edges,
    outline: rectangle(0, 0, wide, tall),
    at: { x: corner.x + x * cos - y * sin, y: corner.y + x * sin + y * cos },
    turn,
    cell: { sheet: 'own', row: -cell.y, column: cell.x },
  };
}

/** The same piece as large as its cell: how it lies once its edges are eased onto their partners. */
const onCell = (piece: Piece, cell: Cell, { wide, tall, corner }: Table): Piece => ({
  ...piece,
  outline: rectangle(0, 0, wide, tall),
  at: corner(cell),
});

/** Folds pieces as they lie on their cells, and tells it of the pieces at their own sizes. */
function bentOnCells(params: Own, pieces: readonly Piece[], table: Table) {
  const { wide, tall } = table;
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const bent = bend(
    params.cells.map((cell) => onCell(must(byId.get(cellKey(cell)), 'piece'), cell, table)),
    foldUp(params, table),
  );
  /** How many times as large the piece is as its cell. */
  const scale = (id: string) => {
    const { x, y } = must(byId.get(id)?.outline[2], 'corner');
    return { x: x / wide, y: y / tall };
  };
  const own = ({ x, y }: Point, by: Point): Point => ({ x: x * by.x, y: y * by.y });
  const eased = ({ x, y, z }: Point3, by: number): Point3 => ({ x: x / by, y: y / by, z: z / by });
  return {
    folds: bent.folds.map(({ piece, from, to }): Fold => {
      const by = scale(piece);
      return { piece, from: own(from, by), to: own(to, by) };
    }),
    facets: bent.facets.map((facet): Facet => {
      const by = scale(facet.piece);
      if (by.x === 1 && by.y === 1) {
        // Not folded, it is the piece's own outline.
        const { outline } = must(byId.get(facet.piece), 'piece');
        return facet.outline.length === 4 &&
          facet.outline.every((p, i) => p.x === outline[i]?.x && p.y === outline[i]?.y)
          ? { ...facet, outline }
          : facet;
      }
      const { origin, u, v } = facet.motion;
      return {
        ...facet,
        outline: facet.outline.map((p) => own(p, by)),
        motion: { origin, u: eased(u, by.x), v: eased(v, by.y) },
      };
    }),
  };
}

/** What a line between columns or rows of cells is called. */
const LIES = {
  straight: { x: 'upright', y: 'level' },
  point: { x: 'falling', y: 'rising' },
} as const;

/** Neighbours on the grid are joined flat, each straight line of joins named as one. */
function joinedOnGrid(
  { cells, grid }: Own,
  lengthOf: (edge: CellEdge) => number,
  names: ReadonlyMap<string, string>,
): { seams: Omit<Seam, 'id'>[]; lines: SeamLine[] } {
  const there = new Set(cells.map(cellKey));
  const lines = new Map<string, SeamLine>();
  const seams: Omit<Seam, 'id'>[] = [];
  const join = (cell: Cell, next: { x: number; y: number }, edge: 1 | 2, id: string, lie: string) => {
    if (!there.has(cellKey(next))) return;
    const back = (edge + 2) % 4;
    const between = `between ${names.get(cellKey(cell))} and ${names.get(cellKey(next))}`;
    if (!lines.has(id)) lines.set(id, { id, name: `${lie} line ${between}` });
    seams.push({
      line: id,
      kind: 'flat',
      a: { piece: cellKey(cell), edge, from: 0, to: lengthOf({ ...cell, side: edge }) },
      b: { piece: cellKey(next), edge: back, from: lengthOf({ ...next, side: back }), to: 0 },
    });
  };
  for (const cell of cells) {
    const { x, y } = cell;
    join(cell, { x: x + 1, y }, 1, `x/${x}`, LIES[grid].x);
    join(cell, { x, y: y + 1 }, 2, `y/${y}`, LIES[grid].y);
  }
  return { seams, lines: [...lines.values()] };
}

/** The pairs that can be sewn: both cells are there, no edge is used twice, none lies on a flat join. */
function soundPairs({ pairs, cells }: Own, flat: readonly Omit<Seam, 'id'>[]) {
  const there = new Set(cells.map(cellKey));
  const used = new Set(flat.flatMap(({ a, b }) => [a, b].map(({ piece, edge }) => `${piece}/${edge}`)));
  return pairs.filter(({ a, b }) => {
    const [p, q] = [edgeKey(a), edgeKey(b)];
    // An edge with a fold through its middle may meet itself.
    if (!there.has(cellKey(a)) || !there.has(cellKey(b)) || used.has(p) || used.has(q)) return false;
    used.add(p).add(q);
    return true;
  });
}

/** Middle of a bag's width at 0, its lowest point at height 0, its depth about 0. */
function centred(facets: readonly Facet[]): Facet[] {
  const points = facets.flatMap(({ outline, motion }) => outline.map((p) => move(motion, p)));
  const middle = (axis: 'x' | 'z') =>
    (Math.min(...points.map((p) => p[axis])) + Math.max(...points.map((p) => p[axis]))) / 2;
  const [x, y, z] = [middle('x'), Math.min(...points.map((p) => p.y)), middle('z')];
  return facets.map((facet) => {
    const { origin } = facet.motion;
    return {
      ...facet,
      motion: { ...facet.motion, origin: { x: origin.x - x, y: origin.y - y, z: origin.z - z } },
    };
  });
}

/** Builds a net as its maker laid it: what touches is joined flat, what is paired is closed. */
export function buildOwn(params: Own, materials: Materials): BagGraph {
  const table = tableOf(params, materials);
  const names = namesOf(params);
  const pieces = params.cells.map((cell) =>
    pieceOf(params, cell, must(names.get(cellKey(cell)), 'name'), table, materials),
  );
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const lengthOf = (edge: CellEdge) =>
    must(byId.get(cellKey(edge))?.edges[edge.side], `edge ${edgeKey(edge)}`).length;
  const flat = joinedOnGrid(params, lengthOf, names);
  const lines = new Map<string, SeamLine>();
  /** Edges that lie on one line of the table. */
  const lineOf = (edge: CellEdge) => {
    const [p, q] = table.edge(edge);
    const turn = Math.round((Math.atan2(q.y - p.y, q.x - p.x) / Math.PI) * 4);
    // How far from the middle of the table, in cells: not in mm, which change with the squares.
    const off = (p.x * (q.y - p.y) - p.y * (q.x - p.x)) / (table.wide * table.tall);
    return `${turn}.${Math.round(off)}`;
  };
  const nameOf = (edge: CellEdge) => `${SIDES[params.grid][edge.side]} edge of ${names.get(cellKey(edge))}`;
  const closing = soundPairs(params, flat.seams).map(({ a, b }): Omit<Seam, 'id'> => {
    const id = `pair/${[lineOf(a), lineOf(b)].sort().join('~')}`;
    const name =
      edgeKey(a) === edgeKey(b) ? `The ${nameOf(a)} on itself` : `The ${nameOf(a)} with the ${nameOf(b)}`;
    if (!lines.has(id)) lines.set(id, { id, name });
    const share = edgeKey(a) === edgeKey(b) ? 0.5 : 1;
    const [long, other] = [lengthOf(a), lengthOf(b)];
    return {
      line: id,
      kind: 'closing',
      a: { piece: cellKey(a), edge: a.side, from: 0, to: long * share },
      b: { piece: cellKey(b), edge: b.side, from: other, to: other * (1 - share) },
    };
  });
  const bent = bentOnCells(params, pieces, table);
  const seams = withSeamIds([...flat.seams, ...closing]);
  return {
    pieces,
    seams,
    lines: [...flat.lines, ...lines.values()],
    folds: bent.folds,
    facets: centred(bent.facets),
    rims: cornersOf({ pieces, seams }).rims().length,
  };
}
