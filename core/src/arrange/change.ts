import type { BagDocument, Cell, Cells } from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';
import type { LaidCell } from './cells.ts';
import type { Laying } from './cost.ts';
import { randomOf, shuffled } from './random.ts';
import type { Task } from './task.ts';

/**
 * A document with other cells. There is a most that is kept: beyond it, places that are no longer in the bag go.
 *
 * @param cells of the bag as it is.
 */
function withCells(document: BagDocument, cells: readonly LaidCell[], next: Cells): BagDocument {
  const own = new Set(cells.map(({ piece }) => piece));
  const filled = Object.entries(next).filter(([, cell]) => Object.keys(cell).length > 0);
  const kept = filled.length > LIMITS.cellsKept ? filled.filter(([piece]) => own.has(piece)) : filled;
  return { ...document, arrangement: { ...document.arrangement, cells: Object.fromEntries(kept) } };
}

/** A cell with some of it changed; what is as it would be by itself is left out. */
function changed(
  { design, turn, locked }: Cell,
  next: { design?: string; turn?: number; locked?: boolean },
): Cell {
  const way = next.turn ?? turn ?? 0;
  const named = next.design ?? design;
  return {
    ...(named === undefined ? {} : { design: named }),
    ...(way === 0 ? {} : { turn: way }),
    ...((next.locked ?? locked) ? { locked: true as const } : {}),
  };
}

const cellIn = (document: BagDocument, piece: string): Cell => document.arrangement?.cells?.[piece] ?? {};

/** Why two motifs cannot change places: the end of a sentence that begins with the first one's name; nothing where they can. */
export function swapTrouble(a: LaidCell, b: LaidCell): string | undefined {
  if (a.locked || b.locked) return 'stays: one of the two is locked. Unlock it first.';
  if (a.motif !== b.motif) return 'is another motif: only motifs of one kind change places.';
  if (a.rounds !== b.rounds) return 'has another size: only motifs of as many rounds change places.';
  return undefined;
}

/** The document with two motifs in one another's place, as they are turned; as it was where they cannot change places. */
export function swapped(
  document: BagDocument,
  cells: readonly LaidCell[],
  a: LaidCell,
  b: LaidCell,
): BagDocument {
  if (a.piece === b.piece || swapTrouble(a, b) !== undefined) return document;
  return withCells(document, cells, {
    ...document.arrangement?.cells,
    [a.piece]: changed(cellIn(document, a.piece), { design: b.design, turn: b.turn }),
    [b.piece]: changed(cellIn(document, b.piece), { design: a.design, turn: a.turn }),
  });
}

/** The document with another design laid in some places; locked ones stay. */
export function painted(
  document: BagDocument,
  cells: readonly LaidCell[],
  pieces: Iterable<string>,
  design: string,
): BagDocument {
  const own = new Map(cells.map((cell) => [cell.piece, cell]));
  const next: Cells = { ...document.arrangement?.cells };
  for (const piece of pieces)
    if (own.get(piece)?.locked === false) next[piece] = changed(next[piece] ?? {}, { design });
  return withCells(document, cells, next);
}

/** The document with a motif turned a step further, with the clock: a square by a quarter. */
export const turned = (
  document: BagDocument,
  cells: readonly LaidCell[],
  { piece, turn, steps }: LaidCell,
): BagDocument =>
  withCells(document, cells, {
    ...document.arrangement?.cells,
    [piece]: changed(cellIn(document, piece), { turn: (turn + steps - 1) % steps }),
  });

/** The document with a motif locked where it lies, or free again. */
export const lockSet = (
  document: BagDocument,
  cells: readonly LaidCell[],
  { piece, design }: LaidCell,
  locked: boolean,
): BagDocument =>
  withCells(document, cells, {
    ...document.arrangement?.cells,
    // What is locked is said: it must not depend on how the rest is dealt.
    [piece]: changed(cellIn(document, piece), { design, locked }),
  });

/** The document laid as an arrangement of its task says. */
export function laidAs(
  document: BagDocument,
  cells: readonly LaidCell[],
  task: Task,
  laying: Laying,
): BagDocument {
  const next: Cells = { ...document.arrangement?.cells };
  const own = new Map(cells.map((cell) => [cell.piece, cell]));
  for (const [i, piece] of task.slots.entries()) {
    const design = task.designs[laying[i] ?? -1]?.design;
    if (piece === undefined || design === undefined || own.get(piece)?.locked !== false) continue;
    next[piece] = changed(next[piece] ?? {}, { design });
  }
  return withCells(document, cells, next);
}

/** What is not locked, in another order by chance: as many of each design as lie there now. */
export function chance(task: Task, seed: number): Laying {
  const random = randomOf(seed);
  const laying = [...task.laid];
  for (const group of new Set(task.group)) {
    const free = task.slots.flatMap((piece, i) =>
      piece === undefined || task.locked[i] || task.group[i] !== group ? [] : [i],
    );
    const mixed = shuffled(
      free.map((i) => laying[i] ?? 0),
      random,
    );
    for (const [k, slot] of free.entries()) laying[slot] = mixed[k] ?? 0;
  }
  return laying;
}
