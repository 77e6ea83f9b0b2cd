import { type BagGraph, inNet, type Piece, type Seam, type SeamLine } from '../../bag/index.ts';
import type { Point } from '../../geometry/index.ts';
import { bend, type Region } from './bend.ts';
import { type Border, freeBorders, type Meeting, meetings, netBorders } from './meet.ts';

/** A closing line by its name, for a meeting of two borders on the made-up bag. */
export type NameLine = (meeting: Meeting) => SeamLine;

export interface Assembly {
  readonly pieces: readonly Piece[];
  readonly regions: readonly Region[];
  /** Borders that lie on one another but stay open: the rim of a bag pressed flat. */
  readonly open?: (border: Border) => boolean;
  readonly nameLine: NameLine;
  /** Names a flat line after the middle of its first seam in the net, and whether it rises. */
  readonly nameFlat?: (
    middle: Point,
    lie: 'level' | 'upright' | 'rising' | 'falling',
    number: number,
  ) => string;
  readonly rims?: number;
}

/** The joins of pieces that touch in the net, each straight line of them named as one. */
function flatSeams(
  pieces: readonly Piece[],
  nameFlat?: Assembly['nameFlat'],
): { seams: Seam[]; lines: SeamLine[] } {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const lines = new Map<string, SeamLine>();
  const seams: Seam[] = [];
  for (const { a, b } of meetings(netBorders(pieces), (p, q) => p.interval.piece !== q.interval.piece)) {
    const { key, middle, lie } = straightLine(a, byId);
    const number = lines.size + 1;
    const line = lines.get(key) ?? {
      id: `flat-${lines.size}`,
      name: nameFlat?.(middle, lie, number) ?? `${lie} line ${number}`,
    };
    lines.set(key, line);
    seams.push({
      id: `${line.id}/${seams.length}`,
      a: a.interval,
      b: b.interval,
      kind: 'flat',
      line: line.id,
    });
  }
  return { seams, lines: [...lines.values()] };
}

/**
 * Builds a bag graph from pieces laid in a net and the way the net is bent, and nothing else: pieces that
 * touch in the net are joined flat, and borders that come together on the made-up bag are closed.
 */
export function assemble({ pieces, regions, open, nameLine, nameFlat, rims = 1 }: Assembly): BagGraph {
  const { facets, folds } = bend(pieces, regions);
  const flat = flatSeams(pieces, nameFlat);
  const lines = new Map(flat.lines.map(({ id, name }) => [id, name]));
  const seams = [...flat.seams];

  const taken = seams.flatMap(({ a, b }) => [a, b]);
  const free = freeBorders(pieces, facets, taken).filter((border) => !open?.(border));
  const apart = (a: Border, b: Border) => a.facet !== b.facet;
  for (const meeting of meetings(free, apart)) {
    const { id, name } = nameLine(meeting);
    lines.set(id, name);
    const { a, b } = meeting;
    seams.push({ id: `${id}/${seams.length}`, a: a.interval, b: b.interval, kind: 'closing', line: id });
  }

  return {
    pieces,
    seams,
    lines: [...lines].map(([id, name]) => ({ id, name })),
    folds,
    facets,
    rims,
  };
}

/** The line of the net an edge lies on. */
function straightLine({ interval }: Border, byId: ReadonlyMap<string, Piece>) {
  const piece = byId.get(interval.piece);
  const edge = piece?.outline[interval.edge];
  const next = piece?.outline[(interval.edge + 1) % (piece?.outline.length ?? 1)];
  if (!piece || !edge || !next) throw new Error('A seam without an edge.');
  const [p, q] = [inNet(piece, edge), inNet(piece, next)];
  let [dx, dy] = [q.x - p.x, q.y - p.y];
  const length = Math.hypot(dx, dy);
  [dx, dy] = [dx / length, dy / length];
  if (dx < -1e-6 || (Math.abs(dx) < 1e-6 && dy < 0)) [dx, dy] = [-dx, -dy];
  const off = p.x * dy - p.y * dx;
  const lie =
    Math.abs(dy) < 0.05
      ? ('level' as const)
      : Math.abs(dx) < 0.05
        ? ('upright' as const)
        : dy > 0
          ? ('rising' as const)
          : ('falling' as const);
  const key = `${Math.round(dx * 1e3)} ${Math.round(dy * 1e3)} ${Math.round(off * 2 + 0.0123)}`;
  return { key, lie, middle: { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 } };
}
