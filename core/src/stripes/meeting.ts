import { type BagGraph, edgeOf, type Interval, type Piece, pieceIndex } from '../bag/index.ts';
import { groupBy } from '../geometry/index.ts';
import type { RowColours } from './row-colours.ts';

/** How the stripes of two panels come together along a line of seams that runs along row ends of both. */
export interface StripesMeeting {
  readonly line: string;
  readonly name: string;
  readonly pieces: readonly [string, string];
  /** Rows of the first that are joined there, and how many of them meet a row of another colour. */
  readonly rows: number;
  readonly off: number;
  /** By so many rows the second would have to be moved up (down, where below zero) for fewest to be off; how many then would be. */
  readonly shift: number;
  readonly offThen: number;
}

/** Which way rows run along an edge of row ends; nothing where it has none, or is no single side of a panel. */
function rowsRun({ edges }: Piece, edge: number): 'up' | 'down' | undefined {
  if (edges[edge]?.kind !== 'row-ends') return undefined;
  if (edges.at(edge - 1)?.kind === 'chain') return 'up';
  return edges[(edge + 1) % edges.length]?.kind === 'chain' ? 'down' : undefined;
}

/** The row at a place along an edge, from 1. */
function rowAt(piece: Piece, edge: number, at: number): number {
  if (piece.make.of !== 'panel') return 0;
  const { rows } = piece.make;
  const share = at / edgeOf(piece, edge).length;
  const row = Math.floor(rows * (rowsRun(piece, edge) === 'up' ? share : 1 - share)) + 1;
  return Math.min(rows, Math.max(1, row));
}

interface Pair {
  readonly a: { readonly piece: Piece; readonly row: number };
  readonly b: { readonly piece: Piece; readonly row: number };
}

/** Which rows meet along a seam: for each row of the first, the row of the second beside its middle. */
function pairsOf(a: Interval, b: Interval, find: (id: string) => Piece): Pair[] {
  const [p, q] = [find(a.piece), find(b.piece)];
  if (p.id === q.id || p.make.of !== 'panel' || q.make.of !== 'panel') return [];
  if (!rowsRun(p, a.edge) || !rowsRun(q, b.edge)) return [];
  const unit = edgeOf(p, a.edge).length / p.make.rows;
  const many = Math.round(Math.abs(a.to - a.from) / unit);
  return Array.from({ length: many }, (_, k) => {
    const share = (k + 0.5) / many;
    const row = (piece: Piece, { edge, from, to }: Interval) => ({
      piece,
      row: rowAt(piece, edge, from + (to - from) * share),
    });
    return { a: row(p, a), b: row(q, b) };
  });
}

/** Moved by more rows, stripes are other stripes. */
const MOST_SHIFT = 12;

/**
 * How stripes meet, line by line.
 *
 * @param colours in which yarn each row of a panel is worked.
 */
export function stripesMeeting(
  graph: BagGraph,
  colours: (piece: Piece) => RowColours,
): readonly StripesMeeting[] {
  const find = pieceIndex(graph);
  const met = graph.seams.flatMap(({ a, b, line }) => pairsOf(a, b, find).map((pair) => ({ ...pair, line })));
  return [...groupBy(met, ({ line, a, b }) => `${line} ${a.piece.id} ${b.piece.id}`).values()].flatMap(
    (pairs): StripesMeeting[] => {
      const [first] = pairs;
      if (!first) return [];
      const [one, other] = [colours(first.a.piece), colours(first.b.piece)];
      const rowsOf = ({ make }: Piece) => (make.of === 'panel' ? make.rows : 0);
      const many = rowsOf(first.b.piece);
      const offBy = (shift: number) =>
        pairs.filter(({ a, b }) => {
          const row = b.row - shift;
          return row >= 1 && row <= many && one(a.row) !== other(row);
        }).length;
      const off = offBy(0);
      let [shift, offThen] = [0, off];
      for (let by = 1; by <= MOST_SHIFT && offThen > 0; by++)
        for (const way of [by, -by]) {
          const then = offBy(way);
          if (then < offThen) [shift, offThen] = [way, then];
        }
      const { name = first.line } = graph.lines.find(({ id }) => id === first.line) ?? {};
      return [
        {
          line: first.line,
          name,
          pieces: [first.a.piece.name, first.b.piece.name],
          rows: pairs.length,
          off,
          shift,
          offThen,
        },
      ];
    },
  );
}
