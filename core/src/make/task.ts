import type { Piece } from '../bag/index.ts';
import { type BagDocument, motifOf, swatchesUsed, swatchOf } from '../document/index.ts';
import { idFrom } from '../fields/index.ts';
import { inOrder, type Operation, operationsOf } from '../finish/index.ts';
import { groupBy, must } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Run } from '../runs/index.ts';
import { isStrap } from '../strap/index.ts';
import { designName } from '../yarn/index.ts';

/** Joins are kept by their seams under one name, whichever run they belong to in the plan of the day. */
export const JOINS = 'joins';

interface Head {
  /** A lasting name: an edit elsewhere renames nothing. */
  readonly id: string;
  readonly title: string;
  /** The operation of the order of work that it is part of. */
  readonly operation: string;
  readonly caution?: string;
}

/** So many alike, each worked in rows or rounds. */
export interface PieceTask extends Head {
  readonly of: 'pieces';
  readonly many: number;
  readonly rows: number;
  readonly counts: 'rounds' | 'rows';
  /** Pieces of the bag that are made so. */
  readonly pieces: readonly string[];
  /** What all pieces have in common that could take each other's place; of motifs of one design, whatever their rounds. */
  readonly kin: string;
}

/** Steps with names, in their order; what is done of them is kept under `under`. */
export interface StepTask extends Head {
  readonly of: 'steps';
  readonly steps: readonly string[];
  readonly under: string;
  /** Run of joins, from 1. */
  readonly run?: number;
}

/** Ends: so many, after so many others that are hidden. */
export interface EndTask extends Head {
  readonly of: 'ends';
  readonly from: number;
  readonly many: number;
}

/** Something to be done beside the hook. */
export type MakeTask = PieceTask | StepTask | EndTask;

/** The step of what is done at one go. */
export const DONE = 'done';

const known = new WeakMap<Plan, readonly MakeTask[]>();

/** Everything there is to do for a bag, in the order of work: made once for a plan. */
export function tasksOf(plan: Plan): readonly MakeTask[] {
  const before = known.get(plan);
  if (before) return before;
  const tasks = inOrder(operationsOf(plan)).flatMap((operation) => tasksIn(plan, operation));
  known.set(plan, tasks);
  return tasks;
}

function tasksIn(plan: Plan, operation: Operation): MakeTask[] {
  const { id, title, caution } = operation;
  const head = { operation: id, ...(caution === undefined ? {} : { caution }) };
  const { tally, joins, graph, straps, bands, document } = plan;
  const once: MakeTask = { ...head, of: 'steps', id, title, steps: [DONE], under: id };
  switch (id) {
    case 'swatch':
      return swatchesUsed(document)
        .filter((own, i, all) => all.indexOf(own) === i)
        .map((own) => ({
          ...once,
          id: `swatch/${own}`,
          title: `Swatch: ${swatchOf(document, own).name}`,
          under: `swatch/${own}`,
        }));
    case 'pieces':
      return pieces(plan, head);
    case 'flat':
    case 'close':
      return joins.runs
        .filter((run) => isFlat(run) === (id === 'flat'))
        .map((run) => runTask(plan, run, head))
        .concat(id === 'close' ? tucks(plan, head) : []);
    case 'ends':
      return tally.pieceEnds > 0
        ? [
            {
              ...head,
              of: 'ends',
              id: 'ends/pieces',
              title: 'Hide the ends of the pieces',
              from: 0,
              many: tally.pieceEnds,
            },
          ]
        : [];
    case 'last':
      return [
        ...(tally.joinEnds > 0
          ? [
              {
                ...head,
                of: 'ends' as const,
                id: 'ends/joins',
                title: 'Hide the ends of the joins',
                from: tally.pieceEnds,
                many: tally.joinEnds,
              },
            ]
          : []),
        { ...once, title: 'Fill it, hang it up, and measure it' },
      ];
    case 'edge': {
      const rows = graph.trim?.edging?.rounds ?? 0;
      return rows === 0 ? [] : [band(head, 'edge', 'Edge', 1, rows, 'rounds')];
    }
    case 'straps': {
      const own = document.finish?.straps;
      const title = own && own.many > 1 ? 'Straps' : 'Strap';
      return [
        ...named(head, bands.filter(isStrap)),
        ...(straps && own ? [band(head, 'strap', title, own.many, strapRows(straps), 'rows')] : []),
      ];
    }
    case 'waist':
      return [
        ...named(
          head,
          bands.filter((one) => !isStrap(one)),
        ),
        once,
      ];
    default:
      return [once];
  }
}

type In = Pick<Head, 'operation' | 'caution'>;

/** A task of pieces that are put on the bag, not part of it. */
const band = (
  head: In,
  id: string,
  title: string,
  many: number,
  rows: number,
  counts: 'rounds' | 'rows',
): MakeTask => ({ ...head, of: 'pieces', id, kin: id, title, many, rows, counts, pieces: [] });

/** One that is worked along its length, or onto a chain, has as many rows as it is wide; others as many as it is long. */
const strapRows = ({ counts, count, wide, adjust }: NonNullable<Plan['straps']>): number =>
  counts === 'rows' ? count + (adjust?.more ?? 0) : wide;

function named(head: In, bands: Plan['bands']): MakeTask[] {
  const taken: string[] = [];
  return bands.map(({ band: { name, many }, rows }) => {
    const id = idFrom(name, taken);
    taken.push(id);
    return band(head, `band/${id}`, name, many, rows, 'rows');
  });
}

/** Motifs by design and rounds; panels each by itself. */
function pieces(plan: Plan, head: In): MakeTask[] {
  const { document, graph, designs } = plan;
  const joinedLast = plan.joins.school === 'as-you-go' ? joinedAsYouGo(plan) : undefined;
  const kinds = groupBy(graph.pieces, ({ id, make }) =>
    make.of === 'panel'
      ? `panel/${id}`
      : `motif/${make.motif}/${designs.get(id) ?? ''}/${make.rounds - (joinedLast?.has(id) ? 1 : 0)}`,
  );
  return [...kinds].flatMap(([id, alike]): MakeTask[] => {
    const first = must(alike[0], 'piece');
    const own = {
      ...head,
      of: 'pieces' as const,
      id,
      many: alike.length,
      pieces: alike.map((one) => one.id),
    };
    if (first.make.of === 'panel')
      return [{ ...own, kin: id, title: first.name, rows: first.make.rows, counts: 'rows' }];
    const rows = first.make.rounds - (joinedLast?.has(first.id) ? 1 : 0);
    // A motif of one round, joined in it, is worked when it is joined.
    if (rows === 0) return [];
    return [
      {
        ...own,
        kin: kinOf(id),
        title: motifTitle(document, first, designs.get(first.id)),
        rows,
        counts: 'rounds',
      },
    ];
  });
}

/** What pieces of a task could take the place of: of motifs the same design, with whatever rounds. */
export const kinOf = (task: string): string =>
  task.startsWith('motif/') ? task.slice(0, task.lastIndexOf('/')) : task;

/** The motif that a task makes, by its name; nothing of what is no motif. */
export const motifIn = (task: string): string | undefined => {
  const [is, motif] = task.split('/');
  return is === 'motif' ? motif : undefined;
};

function motifTitle(document: BagDocument, { make, name }: Piece, design: string | undefined): string {
  if (make.of === 'panel') return name;
  const motif = motifOf(document, make.motif);
  return designName(
    document,
    motif,
    motif.colourways.find(({ id }) => id === design),
  );
}

/** Pieces that are joined in their own last rounds. */
function joinedAsYouGo(plan: Plan): ReadonlySet<string> {
  return new Set(plan.steps().flatMap((step) => (step.does === 'motif' ? [step.piece] : [])));
}

const isFlat = ({ passes }: Run): boolean => passes.every(({ link }) => link.seam.kind === 'flat');

/** The lasting names of what a run joins: its seams; of one worked in parts, with where the part begins, in thousandths. */
export const seamStep = ({ link }: Run['passes'][number]): string =>
  link.part ? `${link.part.of.id}@${Math.round(1000 * link.part.from)}` : link.seam.id;

/** The seam that a step of a run joins, or a part of which it joins. */
export const seamOfStep = (step: string): string => step.split('@', 1)[0] ?? step;

function runTask(plan: Plan, run: Run, head: In): MakeTask {
  const steps = run.asYouGo
    ? plan
        .steps()
        .flatMap((step) => (step.does === 'motif' && step.run === run.number ? [`piece/${step.piece}`] : []))
    : run.passes.map(seamStep);
  return {
    ...head,
    of: 'steps',
    id: `run/${steps[0] ?? run.number}`,
    title: `Run ${run.number}: ${run.title}`,
    steps,
    under: JOINS,
    run: run.number,
  };
}

const tucks = ({ joins }: Plan, head: In): MakeTask[] =>
  joins.corners.map(({ id, name }) => ({
    ...head,
    of: 'steps',
    id: `tuck/${id}`,
    title: `Sew across the ${name}`,
    steps: [`tuck/${id}`],
    under: JOINS,
  }));
