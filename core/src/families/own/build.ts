import {
  type BagGraph,
  cornersOf,
  type Edge,
  type Facet,
  move,
  type Piece,
  type Seam,
  type SeamLine,
  withSeamIds,
} from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { must, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { bend } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { foldUp } from './fold-up.ts';
import { type Cell, type CellEdge, cellKey, edgeKey, type Own, SIDES } from './schema.ts';
import { type Table, tableOf } from './table.ts';

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

function pieceOf(params: Own, cell: Cell, name: string, table: Table, materials: Materials): Piece {
  const { side, turn } = table;
  const { motif, rounds, swatch } = params;
  const edge = (kind: Edge['kind'], loops: number): Edge => ({ kind, length: mm(side), loops });
  const ofMotif = () => {
    const round = edge('round', materials.motifLoops(motif, rounds));
    return { make: { of: 'motif', motif, rounds }, edges: [round, round, round, round] } as const;
  };
  const ofPanel = () => {
    const stitches = Math.max(1, Math.round(side / materials.pitch(swatch)));
    const rows = Math.max(1, Math.round(side / materials.rowHeight(swatch)));
    const ends = edge('row-ends', Math.max(1, Math.round(rows * materials.rowEndRate(swatch))));
    return {
      make: { of: 'panel', swatch, stitches, rows, rowsRun: 'across' },
      edges: [edge('chain', stitches), ends, edge('tops', stitches), ends],
    } as const;
  };
  return {
    id: cellKey(cell),
    name,
    ...(cell.of === 'square' ? ofMotif() : ofPanel()),
    outline: rectangle(0, 0, side, side),
    at: table.corner(cell),
    turn,
    cell: { sheet: 'own', row: -cell.y, column: cell.x },
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
  { side }: Table,
  names: ReadonlyMap<string, string>,
): { seams: Omit<Seam, 'id'>[]; lines: SeamLine[] } {
  const there = new Set(cells.map(cellKey));
  const lines = new Map<string, SeamLine>();
  const seams: Omit<Seam, 'id'>[] = [];
  const join = (cell: Cell, next: { x: number; y: number }, edge: 1 | 2, id: string, lie: string) => {
    if (!there.has(cellKey(next))) return;
    const between = `between ${names.get(cellKey(cell))} and ${names.get(cellKey(next))}`;
    if (!lines.has(id)) lines.set(id, { id, name: `${lie} line ${between}` });
    seams.push({
      line: id,
      kind: 'flat',
      a: { piece: cellKey(cell), edge, from: 0, to: side },
      b: { piece: cellKey(next), edge: (edge + 2) % 4, from: side, to: 0 },
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
  const flat = joinedOnGrid(params, table, names);
  const lines = new Map<string, SeamLine>();
  /** Edges that lie on one line of the table. */
  const lineOf = (edge: CellEdge) => {
    const [p, q] = table.edge(edge);
    const turn = Math.round((Math.atan2(q.y - p.y, q.x - p.x) / Math.PI) * 4);
    // How far from the middle of the table, in cells: not in mm, which change with the squares.
    const off = (p.x * (q.y - p.y) - p.y * (q.x - p.x)) / table.side ** 2;
    return `${turn}.${Math.round(off)}`;
  };
  const nameOf = (edge: CellEdge) => `${SIDES[params.grid][edge.side]} edge of ${names.get(cellKey(edge))}`;
  const closing = soundPairs(params, flat.seams).map(({ a, b }): Omit<Seam, 'id'> => {
    const id = `pair/${[lineOf(a), lineOf(b)].sort().join('~')}`;
    const name =
      edgeKey(a) === edgeKey(b) ? `The ${nameOf(a)} on itself` : `The ${nameOf(a)} with the ${nameOf(b)}`;
    if (!lines.has(id)) lines.set(id, { id, name });
    const to = edgeKey(a) === edgeKey(b) ? table.side / 2 : table.side;
    return {
      line: id,
      kind: 'closing',
      a: { piece: cellKey(a), edge: a.side, from: 0, to },
      b: { piece: cellKey(b), edge: b.side, from: table.side, to: table.side - to },
    };
  });
  const bent = bend(pieces, foldUp(params, table));
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
