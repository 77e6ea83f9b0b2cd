import { groupBy, type MakeTask, type RowMark, type Stand, type WorkRow } from '@fennot/core';

const MARKS: Record<RowMark['is'], string> = {
  corner: 'put in a marker: a corner',
  quarter: 'put in a marker: a quarter of the way',
  half: 'put in a marker: half way',
  hole: 'leave a hole',
  'middle begins': 'put in a marker: the part that is sewn on begins',
  'middle ends': 'put in a marker: the part that is sewn on ends',
};

/** What is put in after a row: `After it, put in a marker: a corner. It meets Front C1 at loop 14.` */
export const markText = ({ is, on }: RowMark): string =>
  `After it, ${MARKS[is]}.${on ? ` It meets ${on.piece} at loop ${on.loop}.` : ''}`;

const counted = (many: number, one: string, more = `${one}s`) => `${many} ${many === 1 ? one : more}`;

/** How many of what a task is made of: `6, each of 4 rounds`, `156 rows`, `9 joins`, `20 ends`. */
export function sizeText(task: MakeTask): string {
  if (task.of === 'ends') return counted(task.many, 'end');
  if (task.of === 'steps') return task.run === undefined ? '' : counted(task.steps.length, 'join');
  const rows = counted(task.rows, task.counts === 'rounds' ? 'round' : 'row');
  return task.many === 1 ? rows : `${task.many}, each of ${rows}`;
}

/** How far it is: `4 of 6`, `row 37 of 156`. */
export function farText({ task, done, many, on }: Stand): string {
  const [first] = on;
  if (task.of === 'pieces' && first) {
    const word = task.counts === 'rounds' ? 'round' : 'row';
    const own = `${word} ${Math.min(first.rows + 1, task.rows)} of ${task.rows}`;
    return many === 1 ? own : `${done} of ${many} made, one at ${own}`;
  }
  if (many === 1) return done === 1 ? 'done' : '';
  return `${done} of ${many}`;
}

/** `Round 3`, `Row 37`. */
export const rowName = (task: Extract<MakeTask, { of: 'pieces' }>, { number }: WorkRow): string =>
  `${task.counts === 'rounds' ? 'Round' : 'Row'} ${number}`;

/** What usually comes before it, each reason once: `Usually after: Fold and close (it is fitted to the closed bag).` */
export function waitsText(waits: Stand['waits']): string {
  const reasons = [...groupBy(waits, ({ because }) => because)].map(([because, all]) => {
    const titles = all.map(({ title }) => title);
    const said = titles.length > 2 ? `${titles[0]} and ${titles.length - 1} more` : titles.join(', ');
    return `${said} (${because})`;
  });
  return `Usually after: ${reasons.join('; ')}.`;
}
