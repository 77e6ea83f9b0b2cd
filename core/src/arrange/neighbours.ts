import {
  type BagGraph,
  cornersOf,
  edgeOf,
  type Interval,
  intervalLength,
  type Piece,
  type Seam,
} from '../bag/index.ts';
import { extent, groupBy } from '../geometry/index.ts';

/**
 * How two motifs of the made-up bag meet: along their sides, over a narrow strip that is sewn between them, or only at
 * a corner.
 */
export type Meeting = 'side' | 'strip' | 'corner';

/** Two motifs that are seen beside each other on the made-up bag. `a` comes before `b` among the bag's pieces. */
export interface Neighbour {
  readonly a: string;
  readonly b: string;
  readonly how: Meeting;
  /** How much of a side they share, 0 to 1: of the longest side either has. 1 for a corner. */
  readonly share: number;
  /** The seams they share. */
  readonly seams: readonly string[];
}

/** What shares less of a side meets only at its corner: a sliver that easing leaves is not seen as beside it. */
const SLIVER = 0.05;

/** A strip no wider than this share of a motif's side leaves what it parts beside each other. */
const NARROW = 0.5;

/**
 * The neighbours of all motifs of a bag: across flat joins, closing seams and narrow strips, and at corners. They come
 * from the seams alone, so that what only folding brings together is found as well as what lies side by side.
 */
export function neighboursOf(graph: BagGraph): Neighbour[] {
  const order = new Map(graph.pieces.map(({ id }, i) => [id, i]));
  const at = (id: string) => order.get(id) ?? 0;
  const motifs = new Map(graph.pieces.filter(({ make }) => make.of === 'motif').map((one) => [one.id, one]));
  const found = new Map<string, Neighbour>();
  const add = (p: string, q: string, how: Meeting, share: number, seam?: string) => {
    if (p === q) return;
    const [a, b] = at(p) < at(q) ? [p, q] : [q, p];
    const key = `${a} ${b}`;
    const before = found.get(key);
    // What meets along a side meets at its corners, too: once is enough.
    if (before && before.how !== how) return;
    const seams = [...(before?.seams ?? []), ...(seam === undefined ? [] : [seam])];
    found.set(key, { a, b, how, share: Math.min(1, (before?.share ?? 0) + share), seams });
  };

  for (const { id, a, b } of graph.seams) {
    const [p, q] = [motifs.get(a.piece), motifs.get(b.piece)];
    if (p && q) add(p.id, q.id, 'side', intervalLength(a) / Math.max(longest(p), longest(q)), id);
  }
  for (const { p, q, length } of acrossStrips(graph, motifs))
    add(p.id, q.id, 'strip', length / Math.max(longest(p), longest(q)));
  for (const around of atCorners(graph)) {
    const own = [...around].filter((id) => motifs.has(id));
    for (const [i, p] of own.entries()) for (const q of own.slice(i + 1)) add(p, q, 'corner', 1);
  }
  const inOrder = [...found.values()].sort((p, q) => at(p.a) - at(q.a) || at(p.b) - at(q.b));
  return inOrder.map((one) => (one.how === 'side' && one.share < SLIVER ? { ...one, how: 'corner' } : one));
}

const longest = ({ edges }: Piece) => Math.max(...edges.map(({ length }) => length));

/** The pieces round each corner of the made-up bag: all that have a seam ending there. */
function atCorners(graph: BagGraph): Iterable<ReadonlySet<string>> {
  const { ends } = cornersOf(graph);
  const around = new Map<number, Set<string>>();
  for (const { id, a, b } of graph.seams)
    for (const corner of ends.get(id) ?? []) {
      const pieces = around.get(corner) ?? new Set();
      pieces.add(a.piece).add(b.piece);
      around.set(corner, pieces);
    }
  return around.values();
}

/** One side of a seam, with what it is sewn to. */
interface Side {
  readonly own: Interval;
  readonly other: string;
}

/** Motifs on the two long sides of a narrow panel, over against each other, with how much of them is. */
function acrossStrips(graph: BagGraph, motifs: ReadonlyMap<string, Piece>) {
  const sides = graph.seams.flatMap(({ a, b }: Seam): Side[] => [
    { own: a, other: b.piece },
    { own: b, other: a.piece },
  ]);
  const bySide = groupBy(sides, ({ own }) => own.piece);
  return graph.pieces.flatMap((panel) => {
    if (panel.make.of !== 'panel' || panel.edges.length !== 4) return [];
    const sewn = (bySide.get(panel.id) ?? []).flatMap(({ own, other }) => {
      const motif = motifs.get(other);
      return motif ? [{ own, motif }] : [];
    });
    const { width, height } = extent(panel.outline);
    return [0, 1].flatMap((first) => {
      const lengths = [edgeOf(panel, first).length, edgeOf(panel, first + 2).length];
      const along = Math.max(...lengths);
      const across = first === 0 || first === 2 ? height : width;
      return sewn
        .filter(({ own }) => own.edge === first)
        .flatMap((one) =>
          sewn
            .filter(({ own }) => own.edge === first + 2)
            .flatMap((two) => {
              if (across > NARROW * Math.min(longest(one.motif), longest(two.motif))) return [];
              const [p, q] = [
                onStrip(one.own, lengths[0] ?? 0, along),
                onStrip(two.own, lengths[1] ?? 0, along, true),
              ];
              const length = Math.min(p.to, q.to) - Math.max(p.from, q.from);
              return length > 0 ? [{ p: one.motif, q: two.motif, length }] : [];
            }),
        );
    });
  });
}

/** Where a part of a strip's side lies along the strip: the far side runs the other way round. */
function onStrip({ from, to }: Interval, length: number, along: number, far = false) {
  const at = (position: number) => ((far ? length - position : position) / length) * along;
  const [p, q] = [at(from), at(to)];
  return { from: Math.min(p, q), to: Math.max(p, q) };
}
