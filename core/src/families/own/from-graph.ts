import {
  type BagGraph,
  checkGraph,
  edgeOf,
  type Facet,
  inNet,
  intervalLength,
  measure,
  outward,
  type Piece,
  pieceIndex,
  pointOnEdge,
} from '../../bag/index.ts';
import { dot, groupBy, NOTHING, type Point, unit } from '../../geometry/index.ts';
import type { Materials } from '../layout/materials.ts';
import { buildOwn } from './build.ts';
import { type Cell, edgeKey, type NetFold, type Own } from './schema.ts';
import { tableOf } from './table.ts';

/** Sizes of the bag and its copy may differ by so much: halves of joins at outer edges. */
const SAME = 0.05;

/**
 * A bag of one kind of square as a net of its maker's own: the same pieces, folds and pairs, on a grid. Undefined
 * where it cannot be: several kinds of pieces, or folds that do not run across the whole net.
 */
export function ownFromGraph(graph: BagGraph, swatch: string, materials: Materials): Own | undefined {
  const [first] = graph.pieces;
  if (first?.make.of !== 'motif') return undefined;
  const { motif, rounds } = first.make;
  const alike = graph.pieces.every(
    ({ make, turn, edges }) =>
      make.of === 'motif' &&
      make.motif === motif &&
      make.rounds === rounds &&
      Math.abs(turn - first.turn) < NOTHING &&
      edges.length === 4,
  );
  if (!alike) return undefined;
  const grid = Math.abs(first.turn) > 0.1 ? 'point' : 'straight';
  const empty: Own = {
    family: 'own',
    motif,
    rounds,
    swatch,
    grid,
    cells: [{ x: 0, y: 0, of: 'square' }],
    folds: [],
    pairs: [],
  };
  const { wide: side, half, turn } = tableOf(empty, materials);
  const cellOf = gridPlaces(graph.pieces, side, turn);
  const cells = graph.pieces.map((piece): Cell => ({ ...cellOf(piece), of: 'square' }));
  const own: Own = {
    ...empty,
    cells,
    folds: foldsOf(graph, cellOf, { side, half: half.upright, turn }),
    pairs: pairsOf(graph, cellOf),
  };
  const copy = buildOwn(own, materials);
  const [was, is] = [measure(graph), measure(copy)];
  const close = (['width', 'height', 'depth'] as const).every(
    (key) => Math.abs(was[key] - is[key]) <= SAME * Math.max(was.width, was.height),
  );
  const sound = checkGraph(copy).length === 0 && copy.rims === graph.rims;
  return close && sound && copy.seams.length >= graph.seams.length ? own : undefined;
}

/** The cell of each piece. Sheets that lie apart keep at least one empty column or row between them. */
function gridPlaces(pieces: readonly Piece[], side: number, turn: number) {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const start = pieces[0]?.at ?? { x: 0, y: 0 };
  const onGrid = ({ at }: Piece): Point => {
    const [x, y] = [at.x - start.x, at.y - start.y];
    return { x: (x * cos + y * sin) / side, y: (-x * sin + y * cos) / side };
  };
  const shifts = new Map<string, Point>();
  let right = 0;
  for (const [sheet, own] of groupBy(pieces, ({ cell }) => cell.sheet)) {
    const places = own.map(onGrid);
    const low = { x: Math.min(...places.map(({ x }) => x)), y: Math.min(...places.map(({ y }) => y)) };
    // What touches its neighbours stays; what lies apart is set one whole cell off.
    const near = Math.abs(low.x - Math.round(low.x)) < 0.2 && Math.abs(low.y - Math.round(low.y)) < 0.2;
    const to = near
      ? { x: Math.round(low.x), y: Math.round(low.y) }
      : { x: Math.max(right + 1, Math.floor(low.x) + 1), y: Math.round(low.y) };
    shifts.set(sheet, { x: to.x - low.x, y: to.y - low.y });
    right = Math.max(right, to.x + Math.max(...places.map(({ x }) => x)) - low.x + 1);
  }
  return (piece: Piece): { x: number; y: number } => {
    const { x, y } = onGrid(piece);
    const shift = shifts.get(piece.cell.sheet) ?? { x: 0, y: 0 };
    return { x: Math.round(x + shift.x), y: Math.round(y + shift.y) };
  };
}

type CellOf = (piece: Piece) => { x: number; y: number };

/** Closing seams as pairs of whole edges, or of an edge with itself. */
function pairsOf(graph: BagGraph, cellOf: CellOf): Own['pairs'] {
  const piece = pieceIndex(graph);
  const pairs = new Map<string, Own['pairs'][number]>();
  for (const { kind, a, b } of graph.seams) {
    if (kind === 'flat') continue;
    const [p, q] = [piece(a.piece), piece(b.piece)];
    const itself = a.piece === b.piece && a.edge === b.edge;
    const whole = intervalLength(a) > 0.9 * edgeOf(p, a.edge).length;
    if (!whole && !itself) continue;
    const pair = { a: { ...cellOf(p), side: a.edge }, b: { ...cellOf(q), side: b.edge } };
    pairs.set([edgeKey(pair.a), edgeKey(pair.b)].sort().join(' '), pair);
  }
  return [...pairs.values()];
}

interface Grid {
  readonly side: number;
  readonly half: number;
  readonly turn: number;
}

/** Folds across pieces, along joins, and in the gap between sheets that face different ways. */
function foldsOf(graph: BagGraph, cellOf: CellOf, { side, half, turn }: Grid): NetFold[] {
  const piece = pieceIndex(graph);
  const facets = groupBy(graph.facets, (facet) => facet.piece);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  /** A point of a piece, on the table. */
  const onTable = (own: Piece, p: Point): Point => {
    const cell = cellOf(own);
    const corner = { x: (cell.x * cos - cell.y * sin) * side, y: (cell.x * sin + cell.y * cos) * side };
    const from = inNet({ at: { x: 0, y: 0 }, turn }, p);
    return { x: corner.x + from.x, y: corner.y + from.y };
  };
  const folds = new Map<string, NetFold>();
  const add = (p: Point, q: Point, angle: NetFold['angle']) => {
    const upright = Math.abs(p.x - q.x) < Math.abs(p.y - q.y);
    const lies = upright ? 'upright' : 'level';
    const at = Math.round(((upright ? p.x + q.x : p.y + q.y) / 2 / half) * 1);
    folds.set(`${lies}/${at}`, { lies, at, angle });
  };
  const angleOf = (a: Facet, b: Facet): NetFold['angle'] | undefined => {
    const cos = dot(unit(outward(a.motion)), unit(outward(b.motion)));
    return cos > 0.5 ? undefined : cos < -0.5 ? 180 : 90;
  };
  for (const fold of graph.folds) {
    const own = piece(fold.piece);
    const [a, b] = facets.get(own.id) ?? [];
    const angle = a && b && angleOf(a, b);
    if (angle) add(onTable(own, fold.from), onTable(own, fold.to), angle);
  }
  for (const { kind, a, b } of graph.seams) {
    const [p, q] = [facets.get(a.piece), facets.get(b.piece)];
    // Only between pieces that are not folded themselves: a fold along a join bends no piece.
    const [one, other] = [p?.[0], q?.[0]];
    if (kind !== 'flat' || !one || !other || p?.length !== 1 || q?.length !== 1) continue;
    const angle = angleOf(one, other);
    const own = piece(a.piece);
    if (angle)
      add(
        onTable(own, pointOnEdge(own, a.edge, a.from)),
        onTable(own, pointOnEdge(own, a.edge, a.to)),
        angle,
      );
  }
  const sheets = [...groupBy(graph.pieces, ({ cell }) => cell.sheet).values()];
  for (const [i, sheet] of sheets.entries()) {
    const before = sheets[i - 1];
    const [one, other] = [before?.[0], sheet[0]].map((own) => own && facets.get(own.id)?.[0]);
    if (!before || !one || !other || angleOf(one, other) !== 180) continue;
    const right = Math.max(...before.map((own) => cellOf(own).x)) + 1;
    const left = Math.min(...sheet.map((own) => cellOf(own).x));
    if (left > right && turn === 0) {
      const at = right + left;
      folds.set(`upright/${at}`, { lies: 'upright', at, angle: 180 });
    }
  }
  return [...folds.values()];
}
