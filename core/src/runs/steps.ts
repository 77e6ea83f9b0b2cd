import { type BagGraph, type Interval, pieceIndex, type Seam } from '../bag/index.ts';
import { seamPairing } from '../match/index.ts';
import { edgeNames, type JoiningGraph, type SeamLink } from './links.ts';
import { type Hold, type JoinMethodId, joinMethod } from './methods.ts';
import { crossingsOf, type JoinPlan } from './plan-runs.ts';
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

interface InRun {
  readonly run: number;
}

/** What the hands do next. Words are made from it apart, in the maker's terms. */
export type JoinStep =
  /** With the flat joins all behind, with none to do, or in between them. */
  | ({ readonly does: 'fold'; readonly flat: 'done' | 'none' | 'between' } & InRun)
  | ({ readonly does: 'begin'; readonly hold: Hold; readonly yarn: number } & InRun)
  | ({
      readonly does: 'join';
      readonly seam: string;
      readonly forward: boolean;
      readonly a: StepEdge;
      readonly b: StepEdge;
      readonly insertions: number;
      /** Insertions, from 1 in working order, at which one side gives more loops than one. */
      readonly doubled: readonly { readonly at: number; readonly side: 'a' | 'b'; readonly take: number }[];
    } & InRun)
  /** Over a join that is there already. */
  | ({ readonly does: 'cross' } & InRun)
  | ({ readonly does: 'turn'; readonly worked: boolean } & InRun)
  | ({ readonly does: 'end' } & InRun);

/** Spells a join plan out, step by step, in working order. */
export function joinSteps(
  graph: BagGraph,
  joining: JoiningGraph,
  plan: JoinPlan,
  method: JoinMethodId,
): JoinStep[] {
  const piece = pieceIndex(graph);
  const pairing = seamPairing(graph);
  const nameOf = edgeNames(graph);
  const crossings = crossingsOf(plan, joining);
  const { hold } = joinMethod(method);

  const edge = (i: Interval, loops: number): StepEdge => {
    const own = piece(i.piece);
    const length = own.edges[i.edge]?.length ?? 0;
    const [low, high] = [Math.min(i.from, i.to), Math.max(i.from, i.to)];
    const [starts, ends] = [low < 1e-3, high > length - 1e-3];
    const part = starts ? (ends ? 'whole' : 'first part') : ends ? 'last part' : 'middle part';
    return { piece: own.id, name: own.name, edge: nameOf(i.piece, i.edge), loops, part };
  };
  const join = (run: number, { link, forward }: Pass<SeamLink>): JoinStep => {
    const seam: Seam = link.seam;
    const pairs = pairing(seam);
    const inOrder = forward ? pairs.takes : [...pairs.takes].reverse();
    return {
      does: 'join',
      run,
      seam: seam.id,
      forward,
      a: edge(seam.a, pairs.a),
      b: edge(seam.b, pairs.b),
      insertions: pairs.takes.length,
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
  return plan.runs.flatMap((run, r): JoinStep[] => {
    const steps: JoinStep[] = [];
    const foldBefore = (pass: Pass<SeamLink> | undefined) => {
      if (folded || (plan.flatFirst && pass?.link.seam.kind !== 'closing')) return;
      folded = true;
      const flat = joining.flat.length === 0 ? 'none' : plan.flatFirst ? 'done' : 'between';
      steps.push({ does: 'fold', run: run.number, flat });
    };
    foldBefore(run.passes[0]);
    steps.push({ does: 'begin', run: run.number, hold, yarn: run.yarn });
    run.passes.forEach((pass, i) => {
      const crossing = i > 0 ? crossings[r]?.[i - 1] : undefined;
      if (i > 0) foldBefore(pass);
      if (crossing?.turns) steps.push({ does: 'turn', run: run.number, worked: crossing.worked });
      else if (crossing?.worked) steps.push({ does: 'cross', run: run.number });
      steps.push(join(run.number, pass));
    });
    steps.push({ does: 'end', run: run.number });
    return steps;
  });
}
