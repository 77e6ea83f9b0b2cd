import type { BagDocument } from '../document/index.ts';
import { type Plan, withRounds } from '../plan/index.ts';
import type { Deed, MakeEvent } from './event.ts';
import { inOrderOfDoing, takenBack, type WorkRecord } from './record.ts';
import type { Misfit } from './stand.ts';
import { kinOf } from './task.ts';

/** Does something, and gives the event that came of it. */
type Do = (deed: Deed) => MakeEvent;

/** How it is settled. */
export type SettledBy =
  /** The pieces go back on the hook, to be worked on or ripped back to what the plan wants. */
  | 'work on'
  /** The plan wants what was made. */
  | 'plan for'
  /** They are put by: kept, or unravelled, but no longer counted here. */
  | 'put by'
  /** The joins are opened again. */
  | 'open';

/** One way to settle what was made and does not fit. Undone, all is as it was before. */
export interface Settling {
  readonly by: SettledBy;
  /** What is done in the log. */
  readonly act: (does: Do) => void;
  /** What changes in the bag; it may be refused. */
  readonly change?: (document: BagDocument) => BagDocument;
}

/** Pieces on the hook that nobody would go through one by one: more than so many made at once are not taken up again. */
const MOST_TAKEN_UP = 60;

/** What can be done about something that does not fit, each by one press. */
export function settlings(
  plan: Plan,
  misfit: Misfit,
  record: WorkRecord,
  events: readonly MakeEvent[],
): Settling[] {
  switch (misfit.is) {
    case 'rows': {
      const { task, rows, many } = misfit;
      const made = ofKin(record, task.kin, rows);
      return [
        ...(many <= MOST_TAKEN_UP ? [takenUp(made, rows, task.rows)] : []),
        ...plannedFor(plan, misfit),
        putBy(made, many),
      ];
    }
    case 'too many':
      return [putBy(ofKin(record, misfit.task.kin, misfit.task.rows), misfit.many)];
    case 'not wanted':
      return [
        putBy(
          misfit.work === undefined
            ? ofKin(record, misfit.task, misfit.rows)
            : { works: [misfit.work], atOnce: [] },
          misfit.many,
        ),
      ];
    case 'steps gone':
      return [opened(misfit, events)];
  }
}

/** Pieces by how they came into the log. */
interface Made {
  readonly works: readonly string[];
  readonly atOnce: WorkRecord['made'];
}

const ofKin = ({ works, made }: WorkRecord, kin: string, rows: number): Made => ({
  works: [...works.values()]
    .filter((work) => work.is === 'done' && kinOf(work.task) === kin && work.rows === rows)
    .map(({ id }) => id),
  atOnce: made.filter((one) => kinOf(one.task) === kin && one.rows === rows),
});

/** The bag with motifs of as many rounds as were made; what is joined in its last round has one more by the plan than is worked before. */
function plannedFor(
  { graph }: Plan,
  { task, rows }: Pick<Extract<Misfit, { is: 'rows' }>, 'task' | 'rows'>,
): Settling[] {
  const make = graph.pieces.find(({ id }) => id === task.pieces[0])?.make;
  if (make?.of !== 'motif') return [];
  const { motif, rounds } = make;
  const next = <T>(part: T): T => withRounds(part, motif, rounds, rounds + rows - task.rows);
  return [
    {
      by: 'plan for',
      act: () => {},
      change: (document) => ({
        ...document,
        construction: next(document.construction),
        ...(document.features && { features: next(document.features) }),
      }),
    },
  ];
}

/** They are on the hook again, with the rows they have or, where these are too many, ripped back to what is wanted. */
function takenUp({ works, atOnce }: Made, rows: number, wanted: number): Settling {
  const to = Math.min(rows, wanted);
  return {
    by: 'work on',
    act: (does) => {
      for (const work of works) onceMore(does, work, to, wanted);
      for (const { id, task, many } of atOnce) {
        does({ of: 'undone', event: id });
        for (let k = 0; k < many; k++) {
          const { id: work } = does({ of: 'begun', task, rows: wanted });
          onceMore(does, work, to, wanted, rows);
        }
      }
    },
  };
}

/** One piece on the hook with so many rows; one that needs no more is off it again. */
function onceMore(does: Do, work: string, to: number, wanted: number, worked?: number): void {
  if (worked !== undefined) does({ of: 'row', work, row: worked });
  does({ of: 'ripped', work, to });
  if (to === wanted) does({ of: 'finished', work, rows: to });
}

/** So many of them are put by, those that were counted one by one first. */
function putBy({ works, atOnce }: Made, many: number): Settling {
  return {
    by: 'put by',
    act: (does) => {
      // The latest first: of those that were made first most are in their places.
      const own = works.slice(Math.max(0, works.length - many));
      for (const work of own) does({ of: 'left', work });
      let left = many - own.length;
      for (const { id, task, rows, many: there } of [...atOnce].reverse()) {
        if (left <= 0) return;
        does({ of: 'undone', event: id });
        if (there > left) does({ of: 'made', task, rows, many: there - left });
        left -= there;
      }
    },
  };
}

/** Joins that the plan no longer has are taken out of the log; what was worked by the same press and is still there stays. */
function opened(
  { under, gone }: Extract<Misfit, { is: 'steps gone' }>,
  events: readonly MakeEvent[],
): Settling {
  return {
    by: 'open',
    act: (does) => {
      const sorted = inOrderOfDoing(events);
      const back = takenBack(sorted);
      const away = new Set(gone);
      for (const event of sorted) {
        if (event.of !== 'stepped' || event.task !== under || back.has(event.id)) continue;
        if (!event.steps.some((step) => away.has(step))) continue;
        does({ of: 'undone', event: event.id });
        const stay = event.steps.filter((step) => !away.has(step));
        if (stay.length > 0) does({ of: 'stepped', task: under, steps: stay });
      }
    },
  };
}
