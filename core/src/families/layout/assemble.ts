import { type BagGraph, inNet, type Piece, type Seam, type SeamLine, withSeamIds } from '../../bag/index.ts';
import { bend, type Region } from './bend.ts';
import { type Border, freeBorders, type Meeting, meetings, netBorders } from './meet.ts';

/** A closing line by its name, for a meeting of two borders on the made-up bag. */
export type NameLine = (meeting: Meeting) => SeamLine;

/** How a straight line of the net lies. */
export type Lie = 'level' | 'upright' | 'rising' | 'falling';

/**
 * Names a flat line of the net by how it lies and where: how far from the net's origin, in half squares and counted to
 * the right and down of the way it runs. It must not depend on anything else of the net.
 */
export type NameFlat = (lie: Lie, place: number) => string;

export interface Assembly {
  readonly pieces: readonly Piece[];
  /** Side of a square with its share of the joins, mm: the net's lines lie on halves of it. */
  readonly pitch: number;
  readonly regions: readonly Region[];
  /** Borders that lie on one another but stay open: the rim of a bag pressed flat. */
  readonly open?: (border: Border) => boolean;
  readonly nameLine: NameLine;
  readonly nameFlat: NameFlat;
  readonly rims?: number;
}

/** The joins of pieces that touch in the net, each straight line of them named as one. */
function flatSeams(pieces: readonly Piece[], pitch: number, nameFlat: NameFlat) {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const lines = new Map<string, SeamLine>();
  const seams: Omit<Seam, 'id'>[] = [];
  for (const { a, b } of meetings(netBorders(pieces), (p, q) => p.interval.piece !== q.interval.piece)) {
    const { lie, place } = straightLine(a, byId, pitch);
    const line = `${lie}/${place}`;
    if (!lines.has(line)) lines.set(line, { id: line, name: nameFlat(lie, place) });
    seams.push({ a: a.interval, b: b.interval, kind: 'flat', line });
  }
  return { seams, lines: [...lines.values()] };
}

/**
 * Builds a bag graph from pieces laid in a net and the way the net is bent, and nothing else: pieces that
 * touch in the net are joined flat, and borders that come together on the made-up bag are closed.
 */
export function assemble(assembly: Assembly): BagGraph {
  const { pieces, pitch, regions, open, nameLine, nameFlat, rims = 1 } = assembly;
  const { facets, folds } = bend(pieces, regions);
  const flat = flatSeams(pieces, pitch, nameFlat);
  const lines = new Map(flat.lines.map(({ id, name }) => [id, name]));
  const seams = [...flat.seams];

  const taken = seams.flatMap(({ a, b }) => [a, b]);
  const free = freeBorders(pieces, facets, taken).filter((border) => !open?.(border));
  const apart = (a: Border, b: Border) => a.facet !== b.facet;
  for (const meeting of meetings(free, apart)) {
    const { id, name } = nameLine(meeting);
    lines.set(id, name);
    const { a, b } = meeting;
    seams.push({ a: a.interval, b: b.interval, kind: 'closing', line: id });
  }

  return {
    pieces,
    seams: withSeamIds(seams),
    lines: [...lines].map(([id, name]) => ({ id, name })),
    folds,
    facets,
    rims,
  };
}

/** The line of the net an edge lies on: how it lies, and how far from the origin in half squares. */
function straightLine({ interval }: Border, byId: ReadonlyMap<string, Piece>, pitch: number) {
  const piece = byId.get(interval.piece);
  const edge = piece?.outline[interval.edge];
  const next = piece?.outline[(interval.edge + 1) % (piece?.outline.length ?? 1)];
  if (!piece || !edge || !next) throw new Error('A seam without an edge.');
  const [p, q] = [inNet(piece, edge), inNet(piece, next)];
  let [dx, dy] = [q.x - p.x, q.y - p.y];
  const length = Math.hypot(dx, dy);
  [dx, dy] = [dx / length, dy / length];
  const level = Math.abs(dy) < LEVEL;
  const upright = Math.abs(dx) < LEVEL;
  // Every line is walked to the right, an upright one upwards, so that both of its sides tell the same place.
  if (upright ? dy < 0 : dx < 0) [dx, dy] = [-dx, -dy];
  const off = p.x * dy - p.y * dx;
  const lie: Lie = level ? 'level' : upright ? 'upright' : dy > 0 ? 'rising' : 'falling';
  return { lie, place: Math.round((2 * off) / pitch) };
}

/** Slope below which a line is level: squares lie level, upright or at 45 degrees. */
const LEVEL = 0.05;
