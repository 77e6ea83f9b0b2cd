import type { BagGraph } from '../bag/index.ts';
import type { BagDocument, Motif, Weights } from '../document/index.ts';
import { motifOf, yarnOf } from '../document/look-up.ts';
import type { LaidCell } from './cells.ts';
import { difference, mixed, type Seen, seen } from './colours.ts';
import type { Neighbour } from './neighbours.ts';
import { seenTogether } from './seen-together.ts';

/** What a maker wishes for unless they say otherwise: above all no twins side by side. */
export const USUAL_WEIGHTS: Weights = { like: 4, outer: 1, near: 1, lines: 2, faces: 1, apart: 1 };

/** A colourway of a motif, as it is told apart from the others. */
export interface Design {
  readonly motif: string;
  /** Rounds of the motifs that are worked in it: a larger one is another piece. */
  readonly rounds: number;
  readonly design: string;
  readonly name: string;
  /** Yarn of its last round. */
  readonly outer: string | undefined;
  /** Its colour all in all. */
  readonly colour: Seen;
}

/** Two cells that are seen together, by their places in the task. */
export interface Pair {
  readonly p: number;
  readonly q: number;
  /** How much it counts that they are alike. */
  readonly weight: number;
  /** `like`: colours count as well; `same`: only whether they are twins. */
  readonly by: 'like' | 'same';
}

/**
 * Which design goes into which cell, as numbers. A slot is a cell of the bag, or a place beside it where what is left
 * over lies; designs change places among the slots of one group, that is of one motif and size.
 */
export interface Task {
  readonly neighbours: readonly Neighbour[];
  readonly designs: readonly Design[];
  /** The piece of each slot; nothing where it lies beside the bag. */
  readonly slots: ReadonlyArray<string | undefined>;
  /** The group of each slot. */
  readonly group: readonly number[];
  /** Design of each slot as the bag lies now; what lies beside it is what is left over. */
  readonly laid: readonly number[];
  /** The same, brought to what there is: no more of a design than its stock, as far as the stock reaches. */
  readonly start: readonly number[];
  readonly locked: readonly boolean[];
  readonly pairs: readonly Pair[];
  readonly lines: ReadonlyArray<readonly [number, number, number]>;
  readonly weights: Weights;
  /** Of each motif and size: how many cells there are for how many motifs. */
  readonly supply: readonly Supply[];
}

/** How many of each design there are, against how many are wanted. */
export interface Supply {
  readonly motif: string;
  readonly rounds: number;
  readonly cells: number;
  /** Of each design, by its place in the task: as many as there are, or are to be. */
  readonly many: ReadonlyArray<{ readonly design: number; readonly many: number; readonly given: boolean }>;
  /** What is left over when all cells are laid; less than none where there are too few. */
  readonly over: number;
}

/** At a corner two motifs are seen less together than along a side. */
const CORNER = 0.15;
const STRIP = 0.6;
/** How much each wish weighs at weight 1, against one pair of neighbours. */
const LINE = 1;
const FACE = 0.25;
const APART = 0.12;

/** Sets the task of a bag: its cells with what lies there, what sees what, and what there is to lay. */
export function taskOf(document: BagDocument, graph: BagGraph, cells: readonly LaidCell[]): Task {
  const { neighbours, seconds, facing, lines: straight } = seenTogether(graph);
  const designs: Design[] = [];
  const supply: Supply[] = [];
  const group: number[] = [];
  const laid: number[] = [];
  const start: number[] = [];
  const slots: Array<string | undefined> = [];
  const locked: boolean[] = [];
  const groups = [...new Set(cells.map(({ motif, rounds }) => `${motif} ${rounds}`))];
  for (const [g, key] of groups.entries()) {
    const own = cells.filter(({ motif, rounds }) => `${motif} ${rounds}` === key);
    const { motif: id = '', rounds = 1 } = own[0] ?? {};
    const motif = motifOf(document, id);
    const first = designs.length;
    designs.push(...designsIn(document, motif, rounds));
    const find = (design: string) => designs.findIndex((one, i) => i >= first && one.design === design);
    const given = supplyOf(document, motif, own, first);
    const now = own.map(({ design }) => find(design));
    const stocked = dealtOut(
      given,
      now,
      own.map((cell) => cell.locked),
    );
    supply.push(given);
    for (const [i, { piece, locked: kept }] of own.entries()) {
      slots.push(piece);
      group.push(g);
      laid.push(now[i] ?? first);
      start.push(stocked.cells[i] ?? first);
      locked.push(kept);
    }
    // What is left over lies beside the bag, where nothing sees it.
    for (const design of stocked.over) {
      slots.push(undefined);
      group.push(g);
      laid.push(design);
      start.push(design);
      locked.push(false);
    }
  }
  const at = new Map(slots.flatMap((piece, i) => (piece === undefined ? [] : [[piece, i] as const])));
  const pair = (a: string, b: string, weight: number, by: Pair['by']): Pair[] => {
    const [p, q] = [at.get(a), at.get(b)];
    return p === undefined || q === undefined || weight === 0 ? [] : [{ p, q, weight, by }];
  };
  const weights = document.arrangement?.weights ?? USUAL_WEIGHTS;
  const pairs = [
    ...neighbours.flatMap(({ a, b, how, share }) =>
      pair(a, b, how === 'corner' ? CORNER : how === 'strip' ? STRIP * share : Math.max(0.25, share), 'like'),
    ),
    ...facing.flatMap(([a, b]) => pair(a, b, FACE * weights.faces, 'same')),
    ...seconds.flatMap(([a, b]) => pair(a, b, APART * weights.apart, 'same')),
  ];
  const lines = straight.flatMap((line) => {
    const [a, b, c] = line.map((piece) => at.get(piece));
    return a === undefined || b === undefined || c === undefined ? [] : [[a, b, c] as const];
  });
  return { neighbours, designs, slots, group, laid, start, locked, pairs, lines, weights, supply };
}

/** How much it counts that three lie in a line. */
export const lineWeight = ({ weights }: Pick<Task, 'weights'>): number => LINE * weights.lines;

function designsIn(document: BagDocument, motif: Motif, rounds: number): Design[] {
  return motif.colourways.map(({ id, name, rounds: yarns }): Design => {
    const yarn = (round: number) => yarns[Math.min(round, yarns.length) - 1];
    return {
      motif: motif.id,
      rounds,
      design: id,
      name,
      outer: yarn(rounds),
      // Each round covers as much as it is long: about as many times as its number.
      colour: mixed(
        Array.from({ length: rounds }, (_, k) => ({
          colour: seen(yarnOf(document, yarn(k + 1) ?? '').colour),
          much: k + 0.75,
        })),
      ),
    };
  });
}

/** What there is of each design: as its maker says, or as it lies now. */
function supplyOf(document: BagDocument, motif: Motif, own: readonly LaidCell[], first: number): Supply {
  const stock = (document.arrangement?.stock ?? []).filter((one) => one.motif === motif.id);
  const many = motif.colourways.map(({ id }, i) => {
    const given = stock.find(({ design }) => design === id);
    const laid = own.filter(({ design }) => design === id).length;
    return { design: first + i, many: given?.many ?? laid, given: given !== undefined };
  });
  const all = many.reduce((sum, one) => sum + one.many, 0);
  const { rounds = 1 } = own[0] ?? {};
  return { motif: motif.id, rounds, cells: own.length, many, over: all - own.length };
}

/**
 * Lays what there is: what is locked stays; what lies already stays as far as there is enough of it; the rest of the
 * cells take what there is most of. Where all there is does not reach, as many more of each as evenly as can be.
 */
function dealtOut({ many }: Supply, laid: readonly number[], locked: readonly boolean[]) {
  const left = new Map(many.map(({ design, many: there }) => [design, there]));
  const take = (design: number) => left.set(design, (left.get(design) ?? 0) - 1);
  const cells = laid.map((design, i) => (locked[i] ? design : -1));
  for (const design of cells) if (design >= 0) take(design);
  for (const [i, design] of laid.entries()) {
    if (cells[i] !== -1 || (left.get(design) ?? 0) <= 0) continue;
    cells[i] = design;
    take(design);
  }
  for (const [i, design] of cells.entries()) {
    if (design !== -1) continue;
    let most = laid[i] ?? 0;
    for (const [one, there] of left) if (there > (left.get(most) ?? -Infinity)) most = one;
    cells[i] = most;
    take(most);
  }
  const over = [...left].flatMap(([design, there]) =>
    Array.from({ length: Math.max(0, there) }, () => design),
  );
  return { cells, over };
}

/** From this weight on no twins side by side come before everything else. */
const BEFORE_ALL = 3;
export const twinsFirst = ({ weights }: Pick<Task, 'weights'>): boolean => weights.like >= BEFORE_ALL;

/**
 * How much it counts that two designs lie side by side.
 *
 * @param times twins count so many times as much as they are weighed.
 */
export function likeness({ designs, weights }: Pick<Task, 'designs' | 'weights'>, times = 1): number[][] {
  return designs.map((one, i) =>
    designs.map((other, k) => {
      const same = i === k ? SAME * weights.like * times : 0;
      const outer = one.outer !== undefined && one.outer === other.outer ? OUTER * weights.outer : 0;
      const near = Math.max(0, 1 - difference(one.colour, other.colour) / ALIKE);
      return same + outer + NEAR * weights.near * near;
    }),
  );
}

const SAME = 3;
const OUTER = 0.3;
const NEAR = 0.5;
/** Colours farther apart than this are not taken for one another. */
const ALIKE = 0.2;
