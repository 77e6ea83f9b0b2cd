import {
  type BagGraph,
  edgeEnds,
  edgeOf,
  type Interval,
  inNet,
  type Piece,
  pieceIndex,
  pointOnEdge,
  type Seam,
} from '../bag/index.ts';
import { distance, must, SAME_PLACE } from '../geometry/index.ts';
import { seamPairing } from '../match/index.ts';
import { compass, edgeNames, type JoiningGraph, type SeamLink } from './links.ts';
import { type Hold, joinMethod } from './methods.ts';
import { crossingsOf, type JoinPlan, type Run } from './plan-runs.ts';
import type { Pass } from './trails.ts';

/** One side of a seam as a step names it. */
export interface StepEdge {
  readonly piece: string;
  readonly name: string;
  /** `upper`, `left` ... as the edge lies in the net. */
  readonly edge: string;
  readonly loops: number;
  /** `whole`, or which part of the edge, when a fold or corner divides it. */
  readonly part: 'whole' | 'first part' | 'last part' | 'middle part';
}

/** One seam: which edges, how many insertions, where one gives more than one loop. */
export interface StepJoin {
  readonly does: 'join';
  readonly seam: string;
  readonly forward: boolean;
  readonly a: StepEdge;
  readonly b: StepEdge;
  readonly insertions: number;
  /** Insertions, from 1 in working order, at which one side gives more loops than one. */
  readonly doubled: readonly { readonly at: number; readonly side: 'a' | 'b'; readonly take: number }[];
}

/** Where a run begins or ends: a corner of a piece, or a place along its edge. */
export interface StepSpot {
  readonly piece: string;
  readonly name: string;
  /** `upper left` ... as it lies in the net. */
  readonly corner?: string;
  readonly edge: string;
  /** The yarn changes within a seam there. */
  readonly within?: true;
}

interface InRun {
  readonly run: number;
}

/** What the hands do next. Words are made from it apart, in the maker's terms. */
export type JoinStep =
  /** With the flat joins all behind, with none to do, or in between them. */
  | ({
      readonly does: 'fold';
      readonly flat: 'done' | 'none' | 'between';
      /** Which side of the fabric comes inside: the right one where seams are worked from within. */
      readonly inside: 'right' | 'wrong';
    } & InRun)
  | ({
      readonly does: 'begin';
      readonly hold: Hold;
      /** The first run, or the first held another way: how to hold the work must be said. */
      readonly sayHold: boolean;
      readonly yarn: number;
      readonly at: StepSpot;
      /** Which yarn, where it is not the same throughout. */
      readonly otherYarn: string | undefined;
    } & InRun)
  | (StepJoin & InRun)
  /** A square worked, and joined in its last round to what is there. */
  | ({
      readonly does: 'motif';
      readonly piece: string;
      readonly name: string;
      readonly joins: readonly StepJoin[];
    } & InRun)
  /** A boxed corner sewn across, mm. */
  | ({ readonly does: 'tuck'; readonly name: string; readonly length: number; readonly yarn: number } & InRun)
  /** The bag was closed inside out. */
  | ({ readonly does: 'turn-out' } & InRun)
  /** Over a join that is there already. */
  | ({ readonly does: 'cross' } & InRun)
  | ({ readonly does: 'turn'; readonly worked: boolean } & InRun)
  | ({ readonly does: 'end'; readonly at: StepSpot } & InRun);

/** A place this near to a corner is the corner, mm. */
const NEAR = 0.01;

/** Spells a join plan out, step by step, in working order. */
export function joinSteps(graph: BagGraph, joining: JoiningGraph, plan: JoinPlan): JoinStep[] {
  const piece = pieceIndex(graph);
  const pairing = seamPairing(graph);
  const nameOf = edgeNames(graph);
  const crossings = crossingsOf(plan, joining);
  const holdOf = (run: Run | undefined): Hold | undefined => run && joinMethod(run.how.method).hold;
  const [firstRun] = plan.runs;
  const sameYarn = plan.runs.every(({ how }) => how.yarn === firstRun?.how.yarn);

  const edge = (i: Interval, loops: number): StepEdge => {
    const own = piece(i.piece);
    const length = edgeOf(own, i.edge).length;
    const [low, high] = [Math.min(i.from, i.to), Math.max(i.from, i.to)];
    const [starts, ends] = [low < SAME_PLACE, high > length - SAME_PLACE];
    const part = starts ? (ends ? 'whole' : 'first part') : ends ? 'last part' : 'middle part';
    return { piece: own.id, name: own.name, edge: nameOf(i.piece, i.edge), loops, part };
  };
  /** The place at which a seam is begun or left. */
  const spot = ({ link, forward }: Pass<SeamLink>, end: 'begin' | 'leave'): StepSpot => {
    const { a } = link.seam;
    const own = piece(a.piece);
    const starts = forward === (end === 'begin');
    const p = inNet(own, pointOnEdge(own, a.edge, starts ? a.from : a.to));
    const corners = own.outline.map((q) => inNet(own, q));
    const named = nameOf(a.piece, a.edge);
    const within = link.part && (starts ? link.part.from > 0 : link.part.to < 1);
    const at: StepSpot = { piece: own.id, name: own.name, edge: named, ...(within && { within }) };
    const isCorner = own.edges.some((_, i) => distance(inNet(own, edgeEnds(own, i)[0]), p) < NEAR);
    if (named === 'round' || !isCorner) return at;
    const middle = {
      x: corners.reduce((sum, q) => sum + q.x / corners.length, 0),
      y: corners.reduce((sum, q) => sum + q.y / corners.length, 0),
    };
    return { ...at, corner: compass({ x: p.x - middle.x, y: p.y - middle.y }) };
  };
  const join = ({ link, forward }: Pass<SeamLink>): StepJoin => {
    const seam: Seam = link.seam;
    const { of: whole, from, to } = link.part ?? { of: seam, from: 0, to: 1 };
    const pairs = pairing(whole);
    const all = pairs.takes;
    // A seam worked in parts has the insertions of the whole one, each of them in one part.
    const takes = all.slice(Math.round(from * all.length), Math.round(to * all.length));
    const inOrder = forward ? takes : [...takes].reverse();
    const loops = (side: 'a' | 'b') =>
      link.part ? takes.reduce((sum, take) => sum + take[side], 0) : pairs[side];
    return {
      does: 'join',
      seam: seam.id,
      forward,
      a: edge(seam.a, loops('a')),
      b: edge(seam.b, loops('b')),
      insertions: takes.length,
      doubled: inOrder.flatMap((take, i) =>
        take.a === take.b
          ? []
          : [
              {
                at: i + 1,
                side: take.a > take.b ? ('a' as const) : ('b' as const),
                take: Math.max(take.a, take.b),
              },
            ],
      ),
    };
  };

  let folded = false;
  let insideOut = false;
  const steps = plan.runs.flatMap((run, r): JoinStep[] => {
    const { number } = run;
    if (run.asYouGo) return squaresAsYouGo(run, graph.pieces, join);
    const [first, final] = [run.passes[0], run.passes.at(-1)];
    if (!first || !final) return [];
    const own: JoinStep[] = [];
    const foldBefore = (pass: Pass<SeamLink>) => {
      if (folded || (plan.flatFirst && pass.link.seam.kind !== 'closing')) return;
      folded = true;
      insideOut = holdOf(run) === 'right sides together';
      const flat = joining.flat.length === 0 ? 'none' : plan.flatFirst ? 'done' : 'between';
      own.push({ does: 'fold', run: number, flat, inside: insideOut ? 'right' : 'wrong' });
    };
    foldBefore(first);
    const hold = holdOf(run) ?? 'right sides up';
    const before = plan.runs[r - 1];
    own.push({
      does: 'begin',
      run: number,
      hold,
      sayHold: before === undefined || before.asYouGo || before.how.method !== run.how.method,
      yarn: run.yarn,
      at: spot(first, 'begin'),
      otherYarn: sameYarn ? undefined : run.how.yarn,
    });
    run.passes.forEach((pass, i) => {
      const crossing = i > 0 ? crossings[r]?.[i - 1] : undefined;
      if (i > 0) foldBefore(pass);
      if (crossing?.turns) own.push({ does: 'turn', run: number, worked: crossing.worked });
      else if (crossing?.worked) own.push({ does: 'cross', run: number });
      own.push({ ...join(pass), run: number });
    });
    own.push({ does: 'end', run: number, at: spot(final, 'leave') });
    return own;
  });
  const last = plan.runs.at(-1)?.number ?? 1;
  for (const { name, length, yarn } of plan.corners)
    steps.push({ does: 'tuck', run: last, name, length, yarn });
  if (insideOut) steps.push({ does: 'turn-out', run: last });
  return steps;
}

/** Each square in its order, with the joins of its last round: its own edge is named first. */
function squaresAsYouGo(
  { passes, number }: Run,
  pieces: readonly Piece[],
  join: (pass: Pass<SeamLink>) => StepJoin,
): JoinStep[] {
  const at = new Map(pieces.map(({ id }, i) => [id, i]));
  const order = (id: string) => must(at.get(id), 'piece');
  const joins = new Map<string, StepJoin[]>();
  const of = (id: string) => {
    const own = joins.get(id) ?? [];
    joins.set(id, own);
    return own;
  };
  for (const pass of passes) {
    const own = join(pass);
    const firstIsLater = order(own.a.piece) > order(own.b.piece);
    of(firstIsLater ? own.b.piece : own.a.piece);
    of(firstIsLater ? own.a.piece : own.b.piece).push(
      firstIsLater ? own : { ...own, a: own.b, b: own.a, doubled: swapped(own.doubled) },
    );
  }
  return [...joins]
    .sort(([a], [b]) => order(a) - order(b))
    .map(([id, own]) => ({
      does: 'motif',
      run: number,
      piece: id,
      name: pieces[order(id)]?.name ?? id,
      joins: own,
    }));
}

const swapped = (doubled: StepJoin['doubled']): StepJoin['doubled'] =>
  doubled.map((one) => ({ ...one, side: one.side === 'a' ? 'b' : 'a' }));
