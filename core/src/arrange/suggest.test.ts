import fc from 'fast-check';
import highsLoader from 'highs';
import { describe, expect, test } from 'vitest';
import type { Arrangement, BagDocument } from '../document/index.ts';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import {
  annealed,
  cellsOf,
  costOf,
  countedBound,
  freeGroups,
  judged,
  type Laying,
  leastTwins,
  suggestions,
  type Task,
  taskOf,
} from './index.ts';

const tube = (columns: number, rows: number, laid: 'tube' | 'folded' = 'tube'): Construction => ({
  family: 'wrap-round',
  laid,
  bottom: 'seam',
  sides: 'joins',
  body: squares(columns, rows),
});

/** A bag whose squares come in so many designs, every second of them ending in the same yarn. */
function bagOf(construction: Construction, designs: number, arrangement: Arrangement = {}): BagDocument {
  const document = testDocument(construction);
  const yarns = document.yarns.map(({ id }) => id);
  const colourways = Array.from({ length: designs }, (_, i) => ({
    id: `d${i}`,
    name: `Design ${i}`,
    rounds: [yarns[i % yarns.length] ?? '', yarns[(i % 2) % yarns.length] ?? ''],
  }));
  return {
    ...document,
    motifs: document.motifs.map((motif) => (motif.id === 'm1' ? { ...motif, colourways } : motif)),
    arrangement,
  };
}

function taskIn(document: BagDocument): Task {
  const { graph } = planOf(document);
  return taskOf(document, graph, cellsOf(document, graph));
}

const weights = fc.record({
  like: fc.integer({ min: 0, max: 4 }),
  outer: fc.integer({ min: 0, max: 4 }),
  near: fc.integer({ min: 0, max: 4 }),
  lines: fc.integer({ min: 0, max: 4 }),
  faces: fc.integer({ min: 0, max: 4 }),
  apart: fc.integer({ min: 0, max: 4 }),
});

/** Bags of up to so many squares, some of them locked, with stock that is short, enough, or left over. */
const tasks = (most: number) =>
  fc
    .record({
      columns: fc.integer({ min: 1, max: most }),
      rows: fc.integer({ min: 1, max: most }),
      laid: fc.constantFrom('tube' as const, 'folded' as const),
      designs: fc.integer({ min: 1, max: 4 }),
      weights,
      locked: fc.array(fc.record({ at: fc.nat(), design: fc.nat(3) }), { maxLength: 3 }),
      stock: fc.option(fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 4, maxLength: 4 }), {
        nil: undefined,
      }),
    })
    .filter(({ columns, rows }) => columns * rows <= most)
    .map(({ columns, rows, laid, designs, locked, stock, ...rest }) => {
      const construction = tube(columns, rows, laid);
      const cells = Object.fromEntries(
        locked.map(({ at, design }) => {
          const cell = at % (columns * rows);
          return [
            `body/${Math.floor(cell / columns)}/${cell % columns}`,
            { design: `d${design % designs}`, locked: true as const },
          ];
        }),
      );
      return taskIn(
        bagOf(construction, designs, {
          cells,
          weights: rest.weights,
          ...(stock && {
            stock: stock.slice(0, designs).map((many, i) => ({ motif: 'm1', design: `d${i}`, many })),
          }),
        }),
      );
    });

const counted = (laying: Laying) => {
  const counts = new Map<number, number>();
  for (const design of laying) counts.set(design, (counts.get(design) ?? 0) + 1);
  return [...counts].sort(([p], [q]) => p - q);
};

/** Every arrangement of a small task, by nothing but trying. */
function* everyLaying(task: Task): Generator<Laying> {
  const free = task.slots.flatMap((piece, i) => (piece === undefined || task.locked[i] ? [] : [i]));
  const pool = task.start.filter((_, i) => !task.locked[i]);
  const laying = [...task.start];
  function* place(k: number, left: readonly number[]): Generator<Laying> {
    const slot = free[k];
    if (slot === undefined) {
      yield laying;
      return;
    }
    for (const design of new Set(left)) {
      laying[slot] = design;
      const at = left.indexOf(design);
      yield* place(k + 1, [...left.slice(0, at), ...left.slice(at + 1)]);
    }
  }
  yield* place(0, pool);
}
const fewestTwins = (task: Task) => {
  let fewest = Infinity;
  for (const laying of everyLaying(task)) fewest = Math.min(fewest, judged(task, laying).twins.length);
  return fewest;
};

let solver: ReturnType<typeof highsLoader> | undefined;
const highs = () => {
  solver ??= highsLoader();
  return solver;
};

describe('the cost of an arrangement', () => {
  test('changes by an exchange as much as the whole says', () => {
    fc.assert(
      fc.property(tasks(30), fc.nat(), fc.nat(), (task, i, k) => {
        const cost = costOf(task);
        for (const own of freeGroups(task)) {
          const [p, q] = [own[i % own.length] ?? 0, own[k % own.length] ?? 0];
          const after = [...task.start];
          after[p] = task.start[q] ?? 0;
          after[q] = task.start[p] ?? 0;
          expect(cost.swap(task.start, p, q)).toBeCloseTo(cost.total(after) - cost.total(task.start), 9);
        }
      }),
    );
  });
});

describe('a suggestion', () => {
  test('moves nothing that is locked, and lays what there is and no more', () => {
    fc.assert(
      fc.property(tasks(30), fc.nat(99), (task, seed) => {
        const laying = annealed(task, seed);
        for (const [i, locked] of task.locked.entries()) if (locked) expect(laying[i]).toBe(task.laid[i]);
        expect(counted(laying)).toEqual(counted(task.start));
        expect(annealed(task, seed)).toEqual(laying);
      }),
    );
  });

  test('has as few touching twins as any arrangement of up to nine squares', () => {
    fc.assert(
      fc.property(tasks(9), (task) => {
        // Where twins are not minded, nothing keeps them apart.
        if (task.weights.like < 3) return;
        const all = [...suggestions(task)].at(-1) ?? [];
        expect(all[0]?.judged.twins.length).toBe(fewestTwins(task));
      }),
      { numRuns: 60 },
    );
  });

  test('comes with others that lie otherwise in a quarter of the bag, the best first', () => {
    const task = taskIn(bagOf(tube(6, 4), 5));
    const list = [...suggestions(task)].at(-1) ?? [];
    expect(list.length).toBeGreaterThan(1);
    for (const [i, one] of list.entries())
      for (const other of list.slice(i + 1)) {
        const apart = task.slots.filter((_, k) => one.laying[k] !== other.laying[k]).length;
        expect(apart).toBeGreaterThanOrEqual(6);
        expect(other.judged.twins.length).toBeGreaterThanOrEqual(one.judged.twins.length);
      }
  });
});

describe('the fewest twins that are possible', () => {
  test('are those of trying every arrangement of up to nine squares; counting alone never says too many', async () => {
    await fc.assert(
      fc.asyncProperty(tasks(9), async (task) => {
        const fewest = fewestTwins(task);
        expect(countedBound(task)).toBeLessThanOrEqual(fewest);
        const worst = judged(task, task.start).twins.length;
        const bound = await leastTwins(task, worst, highs);
        expect(bound.proven).toBe(true);
        expect(bound.least).toBe(fewest);
        // What the proof came upon is an arrangement of what there is.
        if (bound.found) {
          expect(judged(task, bound.found).twins.length).toBe(fewest);
          expect(counted(bound.found)).toEqual(counted(task.start));
          for (const [i, locked] of task.locked.entries())
            if (locked) expect(bound.found[i]).toBe(task.start[i]);
        }
        const reached = await leastTwins(task, fewest, highs);
        expect(reached).toEqual({ least: fewest, proven: true });
      }),
      { numRuns: 40 },
    );
  });

  test('of seven columns round and two designs: one pair in each row, at least', async () => {
    // Seven in a ring cannot take turns: each of four rows has a pair of twins. Upwards they could all take turns, but
    // seven is odd at the bottom, too: three of the front's columns meet three behind, one folds onto itself.
    const task = taskIn(bagOf(tube(7, 4), 2));
    const bound = await leastTwins(task, 99, highs, 20);
    expect(bound.proven).toBe(true);
    expect(bound.least).toBeGreaterThanOrEqual(4);
    expect(bound.found && judged(task, bound.found).twins.length).toBe(bound.least);
  });

  test('of a design that most of the bag is of, by counting', () => {
    // Three by two, folded: six squares in three pairs, so four of one design are one more than keep apart.
    const stock = [
      { motif: 'm1', design: 'd0', many: 4 },
      { motif: 'm1', design: 'd1', many: 2 },
    ];
    expect(countedBound(taskIn(bagOf(tube(3, 2, 'folded'), 2, { stock })))).toBe(1);
  });
});

describe('what there is to lay', () => {
  const supplyOf = (many: number[], arrangement: Arrangement = {}) => {
    const stock = many.map((one, i) => ({ motif: 'm1', design: `d${i}`, many: one }));
    return taskIn(bagOf(tube(4, 2), many.length, { ...arrangement, stock }));
  };

  test('is left over when it is more than the cells: nine for eight leave one beside the bag', () => {
    const task = supplyOf([3, 3, 3]);
    expect(task.supply[0]?.over).toBe(1);
    expect(task.slots).toHaveLength(9);
    expect(counted(task.start)).toEqual([
      [0, 3],
      [1, 3],
      [2, 3],
    ]);
  });

  test('is short when it is less: six for eight, and two more are made, of both designs alike', () => {
    const task = supplyOf([3, 3]);
    expect(task.supply[0]?.over).toBe(-2);
    expect(counted(task.start)).toEqual([
      [0, 4],
      [1, 4],
    ]);
  });

  test('is none at all: still every cell has a design', () => {
    const task = supplyOf([0, 0, 0]);
    expect(task.supply[0]?.over).toBe(-8);
    expect(task.start).toHaveLength(8);
  });

  test('that is locked stays, though there is none of it', () => {
    const task = supplyOf([0, 8], { cells: { 'body/0/0': { design: 'd0', locked: true } } });
    expect(task.start[task.slots.indexOf('body/0/0')]).toBe(0);
    expect(counted(annealed(task, 1))).toEqual(counted(task.start));
  });
});
