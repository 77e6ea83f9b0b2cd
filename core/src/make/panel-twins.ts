import type { Piece } from '../bag/index.ts';
import { NOTHING } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Work, WorkRecord } from './record.ts';
import { type MakeTask, type PieceTask, tasksOf } from './task.ts';

/** One of two or more that should be alike: two faces, two handles. */
export interface PanelTwin {
  readonly work: Work;
  readonly title: string;
  /** Its longest measure, where it was measured by its rows: mm over so many. */
  readonly measured: { readonly rows: number; readonly mm: number } | undefined;
}

/** Where two twins part: they differ in their rows, a marker lies elsewhere, or their rows are not equally high. */
export type Parting =
  | { readonly is: 'rows'; readonly one: number; readonly other: number }
  | { readonly is: 'marker'; readonly one: number; readonly other: number }
  /** By so many per cent the second one's rows are higher. */
  | { readonly is: 'height'; readonly percent: number };

/** Rows of twins differ in height by no more, per cent, where the hand is the same. */
const ALIKE = 2;

/** The pieces made so far that should be alike with those of a task, itself among them; they are counted in rows, and each is there by itself. */
export function panelTwinsOf(plan: Plan, task: PieceTask, record: WorkRecord): PanelTwin[] {
  if (task.counts !== 'rows') return [];
  const tasks = tasksOf(plan).filter((one): one is PieceTask => isTwin(plan, task, one));
  return tasks.flatMap((own) => {
    const works = [...record.works.values()].filter(({ task: of, is }) => of === own.id && is !== 'left');
    return works.map((work, i): PanelTwin => {
      const title = works.length > 1 ? `${own.title}, number ${i + 1}` : own.title;
      return { work, title, measured: works.length === 1 ? measuredOf(own, record) : undefined };
    });
  });
}

/** What is measured is known by its task: of several under one task nobody knows which it was. */
function measuredOf({ id }: PieceTask, { measured }: WorkRecord): PanelTwin['measured'] {
  let longest: PanelTwin['measured'];
  for (const { what, mm } of measured)
    if (what.of === 'rows' && what.task === id && what.count >= (longest?.rows ?? 0))
      longest = { rows: what.count, mm };
  return longest;
}

function isTwin({ graph }: Plan, task: PieceTask, other: MakeTask): other is PieceTask {
  if (other.of !== 'pieces') return false;
  if (other.id === task.id) return true;
  const [a, b] = [task, other].map(({ pieces }) => graph.pieces.find(({ id }) => id === pieces[0]));
  return a !== undefined && b !== undefined && task.rows === other.rows && madeAlike(a, b);
}

/** Panels by the same rows, of the same stitches, with the same sides. */
const madeAlike = ({ make: a, edges }: Piece, { make: b, edges: others }: Piece): boolean =>
  a.of === 'panel' &&
  b.of === 'panel' &&
  a.swatch === b.swatch &&
  a.stitches === b.stitches &&
  a.rows === b.rows &&
  a.panel === b.panel &&
  edges.length === others.length &&
  sameLengths(sorted(edges), sorted(others));

const sorted = (edges: Piece['edges']): number[] => edges.map(({ length }) => length).sort((a, b) => a - b);

const sameLengths = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((length, i) => Math.abs(length - (b[i] ?? 0)) < NOTHING);

/** Where two twins part, in the order in which it shows when one is laid on the other; empty while nothing tells them apart. */
export function partingOf(one: PanelTwin, other: PanelTwin): Parting[] {
  const partings: Parting[] = [];
  const both = Math.min(one.work.marks.length, other.work.marks.length);
  for (let i = 0; i < both; i++) {
    const [a = 0, b = 0] = [one.work.marks[i], other.work.marks[i]];
    if (a !== b) {
      partings.push({ is: 'marker', one: a, other: b });
      break;
    }
  }
  if (one.measured && other.measured) {
    const rate = ({ rows, mm }: NonNullable<PanelTwin['measured']>) => mm / rows;
    const percent = 100 * (rate(other.measured) / rate(one.measured) - 1);
    if (Math.abs(percent) > ALIKE) partings.push({ is: 'height', percent });
  }
  // While one is on the hook it has fewer: that parts nothing.
  if (one.work.is === 'done' && other.work.is === 'done' && one.work.rows !== other.work.rows)
    partings.push({ is: 'rows', one: one.work.rows, other: other.work.rows });
  return partings;
}
