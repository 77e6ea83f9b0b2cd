import { type Swatch, swatchOf } from '../../document/index.ts';
import { sizeTable } from '../../fit/index.ts';
import { range90 } from '../../gauge/index.ts';
import { grownByBlocking } from '../../motif/index.ts';
import type { Plan } from '../../plan/index.ts';
import type { WorkRecord } from '../record.ts';
import { motifIn, type PieceTask } from '../task.ts';
import type { Check } from './check.ts';

/** Motifs that are measured: the first, and the third, when the hand has settled. */
const MOTIFS = [1, 3] as const;
/** Rows after which a panel is measured first; then half way, and before its last row. */
const ROWS = 10;

/** The checks of a task that are due by what is recorded and have not been taken. */
export function checksDue(plan: Plan, task: PieceTask, record: WorkRecord): Check[] {
  const make = plan.graph.pieces.find(({ id }) => id === task.pieces[0])?.make;
  if (!make) return [];
  if (make.of === 'motif') return motifChecks(plan, task, make, record);
  // Rows as their maker wrote them are each as high as their stitches: their number says nothing of their length.
  return make.panel === undefined ? rowChecks(plan, task, make.swatch, record) : [];
}

function motifChecks(
  plan: Plan,
  task: PieceTask,
  { motif, rounds }: { readonly motif: string; readonly rounds: number },
  record: WorkRecord,
): Check[] {
  // One that is joined in its last round cannot be measured whole.
  if (task.rows < rounds) return [];
  const finished = finishedOf(motif, rounds, record);
  const taken = record.measured.filter(
    ({ what }) => what.of === 'motif' && what.motif === motif && what.rounds === rounds && !what.blocked,
  ).length;
  const table = sizeTable(plan.document);
  const { value, common, single } = table.side(motif, rounds);
  // Off the hook it is as much smaller as blocking made those that were blocked.
  const grown = grownByBlocking(table.motif(motif).motif.measured) ?? 1;
  return MOTIFS.flatMap((at, i): Check[] =>
    finished >= at && taken === i
      ? [
          {
            id: `${task.kin}/${rounds}/${at}`,
            what: { of: 'motif', motif, rounds, blocked: false },
            at,
            expected: value / grown,
            range: range90(value / grown, Math.hypot(common, single) / grown),
          },
        ]
      : [],
  );
}

/** Finished pieces of a motif and its rounds, of whatever design: they are of one size. */
function finishedOf(motif: string, rounds: number, { works, made }: WorkRecord): number {
  const isOne = (task: string, rows: number) => motifIn(task) === motif && rows === rounds;
  const one = [...works.values()].filter(({ is, task, rows }) => is === 'done' && isOne(task, rows)).length;
  return made.reduce((sum, { task, rows, many }) => sum + (isOne(task, rows) ? many : 0), one);
}

function rowChecks(plan: Plan, task: PieceTask, swatch: string, { works, measured }: WorkRecord): Check[] {
  const there = Math.max(
    0,
    ...[...works.values()].flatMap(({ task: of, rows, is }) =>
      of === task.id && is !== 'left' ? [rows] : [],
    ),
  );
  const { value, common } = sizeTable(plan.document).row(swatch);
  const grown = rowsGrown(swatchOf(plan.document, swatch));
  const wanted = [...new Set([ROWS, Math.round(task.rows / 2), task.rows - 1])].filter(
    (at) => at >= ROWS && at < task.rows,
  );
  // Of several that have come one measure does for all.
  const at = wanted.findLast((rows) => there >= rows);
  const longest = Math.max(
    0,
    ...measured.flatMap(({ what }) => (what.of === 'rows' && what.task === task.id ? [what.count] : [])),
  );
  if (at === undefined || longest >= at) return [];
  const expected = (there * value) / grown;
  return [
    {
      id: `${task.id}/${at}`,
      what: { of: 'rows', task: task.id, swatch, count: there },
      at: there,
      expected,
      range: range90(expected, (there * common) / grown),
    },
  ];
}

/** By how much blocking made the rows of a swatch higher, as a factor. */
const rowsGrown = ({ rows, blocked }: Swatch): number =>
  rows && blocked ? blocked.rows.length / blocked.rows.count / (rows.length / rows.count) : 1;
