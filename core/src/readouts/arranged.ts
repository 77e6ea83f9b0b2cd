import { costOf, judged, type Laying } from '../arrange/index.ts';
import { pieceIndex } from '../bag/index.ts';
import type { Plan } from '../plan/index.ts';

const round = (value: number) => Math.round(value * 100) / 100;

/** What lies in every cell, what is beside what, and how it scores, by the names that the maker reads. */
export function arrangedReadout(plan: Plan) {
  const task = plan.arranging();
  const find = pieceIndex(plan.graph);
  const name = (id: string) => find(id).name;
  const laying: Laying = task.laid;
  const score = judged(task, laying);
  const twins = new Set(score.twins);
  return {
    designs: task.supply.flatMap(({ many }) =>
      many.map(({ design, many: there }) => {
        const own = task.designs[design];
        return {
          motif: own?.motif,
          rounds: own?.rounds,
          design: own?.design,
          name: own?.name,
          laid: laying.filter((one, i) => one === design && task.slots[i] !== undefined).length,
          there,
        };
      }),
    ),
    cells: plan.cells.map(({ piece, ...cell }) => ({ piece, name: name(piece), ...cell })),
    neighbours: task.neighbours.map((one) => ({
      a: name(one.a),
      b: name(one.b),
      how: one.how,
      share: round(one.share),
      twins: twins.has(one),
    })),
    scores: {
      twins: score.twins.length,
      twinsAtCorners: score.corners,
      sameLastColour: score.outer,
      threeInALine: score.lines,
      cost: round(costOf(task).total(laying)),
    },
  };
}
