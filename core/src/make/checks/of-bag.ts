import type { Piece } from '../../bag/index.ts';
import { motifOf } from '../../document/index.ts';
import { sizeTable } from '../../fit/index.ts';
import { range90 } from '../../gauge/index.ts';
import { groupBy } from '../../geometry/index.ts';
import { isSquare } from '../../motif/index.ts';
import type { Plan } from '../../plan/index.ts';
import type { WorkRecord } from '../record.ts';
import { DONE, JOINS, type StepTask, seamOfStep } from '../task.ts';
import type { Check } from './check.ts';

/** Squares in a row that are joined before it is worth measuring what a join adds: a longer row says it better. */
const JOINED = 3;
/** Tapes that a lining is cut by; a strap is not among them. */
const LINED = ['width', 'height', 'depth', 'opening'] as const;
/** A measure that is less, mm, is none: the depth of a flat bag. */
const THERE = 1;

/** What is measured at a step that makes no piece: after blocking, after the first joined line, before a lining is cut, and at the end. */
export function stepChecks(plan: Plan, task: StepTask, record: WorkRecord): Check[] {
  if (task.run !== undefined) return joinedCheck(plan, record);
  switch (task.operation) {
    case 'block':
      return record.steps.get(task.under)?.has(DONE) ? blockedChecks(plan, record) : [];
    case 'lining':
      return tapeChecks(plan, record, LINED);
    case 'last':
      return tapeChecks(plan, record, [...LINED, 'strapDrop']);
    default:
      return [];
  }
}

/** Each kind of motif once, when all are blocked: they should come to what the bag is planned with. */
function blockedChecks({ graph, document }: Plan, record: WorkRecord): Check[] {
  const table = sizeTable(document);
  const kinds = groupBy(graph.pieces, ({ make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds}` : '',
  );
  return [...kinds.values()].flatMap(([first]): Check[] => {
    if (first?.make.of !== 'motif') return [];
    const { motif, rounds } = first.make;
    const taken = record.measured.some(
      ({ what }) => what.of === 'motif' && what.motif === motif && what.rounds === rounds && what.blocked,
    );
    if (taken) return [];
    const { value, common, single } = table.side(motif, rounds);
    return [
      {
        id: `blocked/${motif}/${rounds}`,
        what: { of: 'motif', motif, rounds, blocked: true },
        at: 1,
        expected: value,
        range: range90(value, Math.hypot(common, single)),
      },
    ];
  });
}

/** A row of squares that are joined: with it the tape says what a join adds. */
function joinedCheck(plan: Plan, record: WorkRecord): Check[] {
  if (record.measured.some(({ what }) => what.of === 'joined')) return [];
  const seams = new Set([...(record.steps.get(JOINS)?.keys() ?? [])].map(seamOfStep));
  const row = longestRow(plan, seams);
  if (!row || row.motifs < Math.min(JOINED, longestRow(plan)?.motifs ?? JOINED)) return [];
  const { motif, rounds, motifs } = row;
  const table = sizeTable(plan.document);
  const [side, join] = [table.side(motif, rounds), table.join()];
  const expected = motifs * side.value + (motifs - 1) * join.value;
  const sd = Math.hypot(motifs * side.common, Math.sqrt(motifs) * side.single, (motifs - 1) * join.common);
  return [
    {
      id: `joined/${motif}/${rounds}`,
      what: { of: 'joined', motif, rounds, motifs },
      at: motifs,
      expected,
      range: range90(expected, sd),
    },
  ];
}

export interface JoinedRow {
  readonly motif: string;
  readonly rounds: number;
  readonly motifs: number;
}

/**
 * The longest straight row of squares of one kind that are joined by the bag's own method, across or down a sheet; nothing where no
 * two are.
 *
 * @param done seams that are joined; all where it is left out.
 */
export function longestRow({ graph, document }: Plan, done?: ReadonlySet<string>): JoinedRow | undefined {
  const { method, lines = {} } = document.joins;
  const joined = new Set(
    graph.seams.flatMap(({ id, a, b, kind, line }) =>
      kind === 'flat' && (!done || done.has(id)) && (lines[line]?.method ?? method) === method
        ? [`${a.piece} ${b.piece}`, `${b.piece} ${a.piece}`]
        : [],
    ),
  );
  let longest: JoinedRow | undefined;
  const rowOf = (pieces: readonly Piece[], along: 'row' | 'column') => {
    let motifs = 1;
    const sorted = [...pieces].sort((a, b) => a.cell[along] - b.cell[along]);
    sorted.forEach((piece, i) => {
      const before = sorted[i - 1];
      motifs = before && alike(before, piece) && joined.has(`${before.id} ${piece.id}`) ? motifs + 1 : 1;
      if (piece.make.of === 'motif' && motifs > (longest?.motifs ?? 1))
        longest = { motif: piece.make.motif, rounds: piece.make.rounds, motifs };
    });
  };
  const squares = graph.pieces.filter(
    ({ make }) => make.of === 'motif' && isSquare(motifOf(document, make.motif).kind),
  );
  for (const one of groupBy(squares, ({ cell }) => `${cell.sheet} ${cell.row}`).values())
    rowOf(one, 'column');
  for (const one of groupBy(squares, ({ cell }) => `${cell.sheet} ${cell.column}`).values())
    rowOf(one, 'row');
  return longest;
}

const alike = ({ make: a }: Piece, { make: b }: Piece): boolean =>
  a.of === 'motif' && b.of === 'motif' && a.motif === b.motif && a.rounds === b.rounds;

type Taped = (typeof LINED)[number] | 'strapDrop';

/** Tapes of the bag itself, each until it has been taken. What is laid under it empty is not what use makes of it. */
function tapeChecks({ tapes }: Plan, record: WorkRecord, wanted: readonly Taped[]): Check[] {
  return tapes.flatMap(({ measure, finished: { value, sd } }): Check[] => {
    if (value < THERE || !wanted.includes(measure)) return [];
    if (record.measured.some(({ what }) => what.of === 'tape' && what.measure === measure)) return [];
    return [
      {
        id: `tape/${measure}`,
        what: { of: 'tape', measure },
        at: 1,
        expected: value,
        range: range90(value, sd),
      },
    ];
  });
}
