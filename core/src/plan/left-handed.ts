import { type BagGraph, mirrored, mirroredWords, type Seam } from '../bag/index.ts';
import type { Control, NetEditor } from '../families/index.ts';
import type { Point } from '../geometry/index.ts';
import { markedEdges } from '../match/index.ts';
import { type JoiningGraph, type JoinPlan, joiningGraph, joinSteps, type SeamLink } from '../runs/index.ts';
import type { Plan } from './plan.ts';
import { standingRows } from './standing-rows.ts';

/** The seam of a mirrored bag, or the part of it that a run works. */
function seamIn(graph: BagGraph, link: SeamLink): Seam {
  const whole = graph.seams.find(({ id }) => id === link.seam.id);
  if (!whole || !link.part) return whole ?? link.seam;
  const { from, to } = link.part;
  const along = ({ from: low, to: high, ...rest }: Seam['a']) => ({
    ...rest,
    from: low + (high - low) * from,
    to: low + (high - low) * to,
  });
  return { ...whole, a: along(whole.a), b: along(whole.b) };
}

const across = ({ x, y }: Point): Point => ({ x: -x, y });

/** The same runs in the mirror: what is worked when stays, and in which direction, only the other way round. */
function mirroredJoins(joins: JoinPlan, graph: BagGraph, joining: JoiningGraph): JoinPlan {
  const known = new Map(joining.all.map((link) => [link.id, link]));
  const seams = new Map(graph.seams.map((seam) => [seam.id, seam]));
  const link = (one: SeamLink): SeamLink => {
    const whole = known.get(one.id);
    // A place within a seam is no corner, and keeps its number.
    const [starts, ends] = [(one.part?.from ?? 0) === 0, (one.part?.to ?? 1) === 1];
    return {
      ...one,
      from: starts && whole ? whole.from : one.from,
      to: ends && whole ? whole.to : one.to,
      seam: one.part ? seamIn(graph, one) : (seams.get(one.id) ?? one.seam),
      lie: whole?.lie ?? one.lie,
      net: [across(one.net[0]), across(one.net[1])],
      ...(one.part && whole ? { part: { ...one.part, of: whole.seam } } : {}),
    };
  };
  return {
    ...joins,
    corners: joins.corners.map((one) => ({ ...one, name: mirroredWords(one.name) })),
    runs: joins.runs.map((run) => ({
      ...run,
      title: mirroredWords(run.title),
      passes: run.passes.map((pass) => ({ ...pass, link: link(pass.link) })),
    })),
  };
}

/**
 * A plan as a left-handed maker reads it: everything drawn and said in the mirror. Sizes, counts and the order of work
 * are the same; the document is not touched.
 */
export function leftHanded(plan: Plan): Plan {
  const graph = mirrored(plan.graph);
  const joining = joiningGraph(graph);
  const joins = mirroredJoins(plan.joins, graph, joining);
  let steps: ReturnType<Plan['steps']> | undefined;
  return {
    ...plan,
    graph,
    lines: plan.lines.map((line) => ({ ...line, name: mirroredWords(line.name) })),
    marked: markedEdges(graph, standingRows(plan.document)),
    joins,
    steps: () => {
      steps ??= joinSteps(graph, joining, joins);
      return steps;
    },
  };
}

/** A control with its grip where a left-handed maker's net has it. */
export const leftHandedControl = <C>(control: Control<C>): Control<C> => {
  const label = mirroredWords(control.label);
  if (control.kind === 'choice' || !control.grip) return { ...control, label };
  const { at, axis, perStep } = control.grip;
  return {
    ...control,
    label,
    grip: { at: across(at), axis, perStep: axis === 'x' ? -perStep : perStep },
  };
};

/** The editor of a net in the mirror. */
export const leftHandedEditor = <C>(editor: NetEditor<C>): NetEditor<C> => ({
  ...editor,
  spots: editor.spots.map((spot) => ({ ...spot, outline: spot.outline.map(across) })),
  pieces: editor.pieces.map((piece) => ({ ...piece, outline: piece.outline.map(across) })),
  folds: editor.folds.map((fold) => ({ ...fold, from: across(fold.from), to: across(fold.to) })),
  edges: editor.edges.map((edge) => ({
    ...edge,
    name: mirroredWords(edge.name),
    from: across(edge.from),
    to: across(edge.to),
  })),
});
