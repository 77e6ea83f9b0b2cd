import {
  type BagGraph,
  type EdgeKind,
  edgeOf,
  intervalLength,
  joinedSeams,
  pieceIndex,
  type Seam,
  wholeLoops,
} from '../bag/index.ts';
import { groupBy } from '../geometry/index.ts';
import { type Ease, easeOf, type Pairing, pairLoops, type Take } from './pairing.ts';

/** How the two sides of a seam are taken together. Seams of the same counts share one pairing. */
export function seamPairing(graph: BagGraph): (seam: Seam) => Pairing {
  const loops = wholeLoops(graph);
  const known = new Map<number, Map<number, Pairing>>();
  return ({ a, b }) => {
    const [n, m] = [loops(a), loops(b)];
    const partners = known.get(n) ?? new Map<number, Pairing>();
    const pairing = partners.get(m) ?? pairLoops(n, m);
    known.set(n, partners.set(m, pairing));
    return pairing;
  };
}

/** One partner of a line of seams. */
export interface LineSide {
  /** Names of the pieces along it, in order. */
  readonly pieces: readonly string[];
  readonly kind: EdgeKind;
  readonly loops: number;
  /** mm */
  readonly length: number;
}

/** A whole line: what meets what, with how many insertions, and whether it comes out. */
export interface LineMatch {
  readonly line: string;
  readonly name: string;
  readonly kind: Seam['kind'];
  readonly a: LineSide;
  readonly b: LineSide;
  /** The pairings of its seams, one after the other. */
  readonly pairings: readonly Pairing[];
  readonly ease: Ease;
}

/** Holds the two sides of every line of the bag against each other; what is grown comes out by itself. */
export function lineMatches(graph: BagGraph): LineMatch[] {
  const piece = pieceIndex(graph);
  const pairingOf = seamPairing(graph);
  const byLine = groupBy(joinedSeams(graph), (seam) => seam.line);
  return graph.lines.flatMap(({ id, name }) => {
    const seams = byLine.get(id) ?? [];
    const [first] = seams;
    if (!first) return [];
    const pairings = seams.map(pairingOf);
    const side = (which: 'a' | 'b'): LineSide => {
      const pieces = new Set<string>();
      let [loops, length] = [0, 0];
      for (const seam of seams) {
        pieces.add(piece(seam[which].piece).name);
        length += intervalLength(seam[which]);
      }
      for (const pairing of pairings) loops += pairing[which];
      const { kind } = edgeOf(piece(first[which].piece), first[which].edge);
      return { pieces: [...pieces], kind, loops, length };
    };
    const [a, b] = [side('a'), side('b')];
    const kind = first.kind;
    return [{ line: id, name, kind, a, b, pairings, ease: easeOf(b.length, a.length) }];
  });
}

/** Every insertion of a line in order. */
export const takesOf = ({ pairings }: Pick<LineMatch, 'pairings'>): Take[] =>
  pairings.flatMap(({ takes }) => takes);

/** Insertions of a line, from 1, at which one side has more loops than the other. */
export const doublingsOf = (line: Pick<LineMatch, 'pairings'>): number[] =>
  takesOf(line).flatMap((take, i) => (take.a === take.b ? [] : [i + 1]));
