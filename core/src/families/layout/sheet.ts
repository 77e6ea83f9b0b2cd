import { type Edge, type Interval, type Piece, type Seam, wholeEdge, withSeamIds } from '../../bag/index.ts';
import { letterOf } from '../../fields/index.ts';
import { must, type Point, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import type { Body } from './body.ts';
import type { Materials } from './materials.ts';

/** The four sides of a rectangle, numbered as its edges: counter-clockwise from the bottom. */
export const BOTTOM = 0;
export const RIGHT = 1;
export const TOP = 2;
export const LEFT = 3;
export type Side = typeof BOTTOM | typeof RIGHT | typeof TOP | typeof LEFT;

/** A rectangular sheet of pieces with its lower left corner at `at` in the net. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly at: Point;
  /** Pieces by row from the top, then by column from the left. */
  readonly grid: readonly (readonly Piece[])[];
}

export interface SheetOptions {
  readonly id: string;
  /** Put before the names of pieces: `Front` gives `Front A1`; empty gives `A1`. */
  readonly name: string;
  readonly at: Point;
  /** Which sides of the sheet meet a seam. A joined side takes half a join. */
  readonly joined: readonly Side[];
}

/** The lasting name of the line after a column or row of a sheet. */
const innerLine = (sheet: string, line: 'column' | 'row', at: number) => `${sheet}/${line}/${at}`;

const named = (prefix: string, own: string) => [prefix, own].filter(Boolean).join(' ');

/**
 * Lays a body out as a sheet. Each square takes half a join on every side that is joined, so that a row
 * of n squares measures n S + (n - 1) j, and one more j when both its ends are joined too.
 */
export function layOut(body: Body, materials: Materials, options: SheetOptions): Sheet {
  const half = materials.join() / 2;
  const joined = (side: Side) => (options.joined.includes(side) ? half : 0);
  if (body.of === 'worked') {
    const across = body.rowsRun === 'across';
    const stitchWay = body.stitches * materials.pitch(body.swatch);
    const rowWay = body.rows * materials.rowHeight(body.swatch);
    const width = (across ? stitchWay : rowWay) + joined(LEFT) + joined(RIGHT);
    const height = (across ? rowWay : stitchWay) + joined(BOTTOM) + joined(TOP);
    const rowEnds = Math.round(body.rows * materials.rowEndRate(body.swatch));
    const stitchEdge = (kind: Edge['kind'], length: number): Edge => ({
      kind,
      length: mm(length),
      loops: body.stitches,
    });
    const endEdge = (length: number): Edge => ({ kind: 'row-ends', length: mm(length), loops: rowEnds });
    const piece: Piece = {
      id: options.id,
      name: options.name || 'Panel',
      make: {
        of: 'panel',
        swatch: body.swatch,
        stitches: body.stitches,
        rows: body.rows,
        rowsRun: body.rowsRun,
      },
      outline: rectangle(0, 0, width, height),
      edges: across
        ? [stitchEdge('chain', width), endEdge(height), stitchEdge('tops', width), endEdge(height)]
        : [endEdge(width), stitchEdge('tops', height), endEdge(width), stitchEdge('chain', height)],
      at: options.at,
      turn: 0,
      cell: { sheet: options.id, row: 0, column: 0 },
    };
    return { width, height, at: options.at, grid: [[piece]] };
  }

  const side = materials.motifSide(body.motif, body.rounds);
  const loops = materials.motifLoops(body.motif, body.rounds);
  // Measured alone, a sheet is as good as its squares.
  if (materials.coarse && body.columns * body.rows > 1) return coarseSheet(body, materials, options);
  const { columns, rows } = body;
  /** Half the join of the line after a column or row. */
  const after = (line: 'column' | 'row', at: number) => materials.join(innerLine(options.id, line, at)) / 2;
  const widths = Array.from(
    { length: columns },
    (_, c) =>
      side +
      (c > 0 ? after('column', c - 1) : joined(LEFT)) +
      (c < columns - 1 ? after('column', c) : joined(RIGHT)),
  );
  const heights = Array.from(
    { length: rows },
    (_, r) =>
      side + (r > 0 ? after('row', r - 1) : joined(TOP)) + (r < rows - 1 ? after('row', r) : joined(BOTTOM)),
  );
  const width = widths.reduce((a, b) => a + b, 0);
  const height = heights.reduce((a, b) => a + b, 0);
  const grid: Piece[][] = [];
  let top = options.at.y + height;
  heights.forEach((tall, row) => {
    let x = options.at.x;
    grid.push(
      widths.map((wide, column) => {
        const edge = (length: number): Edge => ({ kind: 'round', length: mm(length), loops });
        const piece: Piece = {
          id: `${options.id}/${row}/${column}`,
          name: named(options.name, `${letterOf(row)}${column + 1}`),
          make: { of: 'motif', motif: body.motif, rounds: body.rounds },
          outline: rectangle(0, 0, wide, tall),
          edges: [edge(wide), edge(tall), edge(wide), edge(tall)],
          at: { x, y: top - tall },
          turn: 0,
          cell: { sheet: options.id, row, column },
        };
        x += wide;
        return piece;
      }),
    );
    top -= tall;
  });
  return { width, height, at: options.at, grid };
}

/** The sheet as one piece of the same size. */
function coarseSheet(
  body: Extract<Body, { of: 'motifs' }>,
  materials: Materials,
  { id, name, at, joined }: SheetOptions,
): Sheet {
  const side = materials.motifSide(body.motif, body.rounds);
  const extentOf = (line: 'column' | 'row', count: number, ends: readonly [Side, Side]) => {
    let extent = count * side;
    for (let at = 0; at < count - 1; at++) extent += materials.join(innerLine(id, line, at));
    return extent + (materials.join() / 2) * ends.filter((end) => joined.includes(end)).length;
  };
  const width = extentOf('column', body.columns, [LEFT, RIGHT]);
  const height = extentOf('row', body.rows, [TOP, BOTTOM]);
  const loops = materials.motifLoops(body.motif, body.rounds);
  const edge = (length: number, many: number): Edge => ({
    kind: 'round',
    length: mm(length),
    loops: loops * many,
  });
  const [level, upright] = [edge(width, body.columns), edge(height, body.rows)];
  const piece: Piece = {
    id,
    name,
    make: { of: 'motif', motif: body.motif, rounds: body.rounds },
    outline: rectangle(0, 0, width, height),
    edges: [level, upright, level, upright],
    at,
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
  return { width, height, at, grid: [[piece]] };
}

export const piecesOf = (sheet: Sheet): Piece[] => sheet.grid.flat();

/** The same way walked from its other end. */
export const reversed = (chain: readonly Interval[]): Interval[] =>
  chain.map((interval) => ({ ...interval, from: interval.to, to: interval.from })).reverse();

/** One side of a sheet as a chain of edges, counter-clockwise round the sheet. */
export function sheetSide({ grid }: Sheet, side: Side): Interval[] {
  const first = (row: readonly Piece[]) => row.slice(0, 1);
  const last = (row: readonly Piece[]) => row.slice(-1);
  switch (side) {
    case BOTTOM:
      return must(grid.at(-1), 'row').map((piece) => wholeEdge(piece, BOTTOM));
    case TOP:
      return [...must(grid[0], 'row')].reverse().map((piece) => wholeEdge(piece, TOP));
    case RIGHT:
      return [...grid].reverse().flatMap((row) => last(row).map((piece) => wholeEdge(piece, RIGHT)));
    case LEFT:
      return grid.flatMap((row) => first(row).map((piece) => wholeEdge(piece, LEFT)));
  }
}

/** The joins inside a sheet, each column line and row line named as one. */
export function innerSeams({ grid }: Sheet, id: string, name: string) {
  const seams: Omit<Seam, 'id'>[] = [];
  const lines = new Map<string, string>();
  const add = (lineId: string, lineName: string, a: Interval, b: Interval) => {
    lines.set(lineId, lineName);
    seams.push({ a, b, kind: 'flat', line: lineId });
  };
  grid.forEach((row, r) => {
    row.forEach((piece, c) => {
      const right = row[c + 1];
      if (right) {
        add(
          innerLine(id, 'column', c),
          named(name, `between columns ${c + 1} and ${c + 2}`),
          ...opposite(wholeEdge(piece, RIGHT), wholeEdge(right, LEFT)),
        );
      }
      const below = grid[r + 1]?.[c];
      if (below) {
        add(
          innerLine(id, 'row', r),
          named(name, `between rows ${letterOf(r)} and ${letterOf(r + 1)}`),
          ...opposite(wholeEdge(piece, BOTTOM), wholeEdge(below, TOP)),
        );
      }
    });
  });
  return {
    seams: withSeamIds(seams),
    lines: [...lines].map(([lineId, lineName]) => ({ id: lineId, name: lineName })),
  };
}

/** Neighbours' outlines run against each other along the edge they share. */
const opposite = (a: Interval, b: Interval): [Interval, Interval] => [a, { ...b, from: b.to, to: b.from }];
