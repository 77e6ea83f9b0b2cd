import { type BagDocument, lengthSchema, swatchOf } from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';
import { sizeTable } from '../fit/index.ts';
import { type Range, range90 } from '../gauge/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Measured } from './measured.ts';
import type { WorkRecord } from './record.ts';
import type { PieceTask } from './task.ts';

/** Something to be laid under the tape while a mistake is still cheap. */
export interface Check {
  /** It lasts: of one that was taken it is known that it was. */
  readonly id: string;
  readonly what: Extract<Measured, { of: 'motif' | 'rows' }>;
  /** Which one it is of all alike, or how many rows there are. */
  readonly at: number;
  /** What it should come to, with its 90 % range, mm. */
  readonly expected: number;
  readonly range: Range;
}

/** Motifs that are measured: the first, and the third, when the hand has settled. */
const MOTIFS = [1, 3] as const;
/** Nobody counts more rows under the tape. */
const MOST_COUNTED = 500;
/** Rows after which a panel is measured first; then half way. */
const ROWS = 10;

/** The checks of a task that are due by what is recorded and have not been taken. */
export function checksDue(plan: Plan, task: PieceTask, record: WorkRecord): Check[] {
  const make = plan.graph.pieces.find(({ id }) => id === task.pieces[0])?.make;
  if (!make) return [];
  return make.of === 'motif'
    ? motifChecks(plan, task, make, record)
    : rowChecks(plan, task, make.swatch, record);
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
    ({ what }) => what.of === 'motif' && what.motif === motif && what.rounds === rounds,
  ).length;
  const { value, common, single } = sizeTable(plan.document).side(motif, rounds);
  return MOTIFS.flatMap((at, i): Check[] =>
    finished >= at && taken === i
      ? [
          {
            id: `${task.kin}/${rounds}/${at}`,
            what: { of: 'motif', motif, rounds, blocked: false },
            at,
            expected: value,
            range: range90(value, Math.hypot(common, single)),
          },
        ]
      : [],
  );
}

/** Finished pieces of a motif and its rounds, of whatever design: they are of one size. */
function finishedOf(motif: string, rounds: number, { works, made }: WorkRecord): number {
  const isOne = (task: string, rows: number) => task.startsWith(`motif/${motif}/`) && rows === rounds;
  const one = [...works.values()].filter(({ is, task, rows }) => is === 'done' && isOne(task, rows)).length;
  return made.reduce((sum, { task, rows, many }) => sum + (isOne(task, rows) ? many : 0), one);
}

function rowChecks(plan: Plan, task: PieceTask, swatch: string, { works, measured }: WorkRecord): Check[] {
  const there = Math.max(
    0,
    ...[...works.values()].flatMap((work) => (work.task === task.id ? [work.rows] : [])),
  );
  const { value, common } = sizeTable(plan.document).row(swatch);
  return [ROWS, Math.round(task.rows / 2)].flatMap((at, i, all): Check[] => {
    // A panel of few rows has but one.
    if (at < ROWS || (i === 1 && at <= (all[0] ?? 0)) || there < at) return [];
    const taken = measured.some(
      ({ what }) => what.of === 'rows' && what.task === task.id && what.count >= at,
    );
    return taken
      ? []
      : [
          {
            id: `${task.id}/${at}`,
            what: { of: 'rows', task: task.id, swatch, count: there },
            at: there,
            expected: there * value,
            range: range90(there * value, there * common),
          },
        ];
  });
}

/** How a measure stands to what was expected, and by how much it is off, per cent. */
export interface CheckVerdict {
  readonly is: 'as expected' | 'smaller' | 'larger';
  readonly percent: number;
}

export function checkVerdict({ expected, range }: Check, mm: number): CheckVerdict {
  const percent = 100 * (mm / expected - 1);
  return { is: mm < range.low ? 'smaller' : mm > range.high ? 'larger' : 'as expected', percent };
}

/** The bag with what was measured in it: its sizes rest on it from now on. */
export function withMeasured(document: BagDocument, what: Check['what'], mm: number): BagDocument {
  const length = lengthSchema.parse(mm);
  if (what.of === 'motif')
    return {
      ...document,
      motifs: document.motifs.map((one) =>
        one.id === what.motif
          ? // Of more than can be kept the latest say how the hand works now.
            {
              ...one,
              measured: [...one.measured, { rounds: what.rounds, size: length }].slice(-LIMITS.measured),
            }
          : one,
      ),
    };
  const { rows } = swatchOf(document, what.swatch);
  // A longer piece says more than a shorter one did.
  if ((rows && rows.count > what.count) || what.count > MOST_COUNTED) return document;
  return {
    ...document,
    swatches: document.swatches.map((one) =>
      one.id === what.swatch ? { ...one, rows: { count: what.count, length } } : one,
    ),
  };
}
