import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagDocument, documentSchema } from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';
import { must } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { cellsOf, chance, laidAs, lockSet, painted, swapped, swapTrouble, taskOf, turned } from './index.ts';

function bag(columns: number, rows: number): BagDocument {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'folded',
    bottom: 'seam',
    sides: 'joins',
    body: squares(columns, rows),
  });
  const yarn = must(document.yarns[0], 'yarn').id;
  const colourways = [0, 1, 2].map((i) => ({ id: `d${i}`, name: `D${i}`, rounds: [yarn] }));
  return { ...document, motifs: document.motifs.map((motif) => ({ ...motif, colourways })) };
}
const cellsIn = (document: BagDocument) => cellsOf(document, planOf(document).graph);
const cellIn = (document: BagDocument, piece: string) =>
  must(
    cellsIn(document).find((cell) => cell.piece === piece),
    piece,
  );
const designs = (document: BagDocument) =>
  cellsIn(document)
    .map(({ design }) => design)
    .join(' ');

describe('motifs that change places', () => {
  test('take their turn along, and going back is as before', () => {
    const start = turned(bag(3, 2), cellsIn(bag(3, 2)), cellIn(bag(3, 2), 'body/0/0'));
    const [a, b] = [cellIn(start, 'body/0/0'), cellIn(start, 'body/1/1')];
    expect([a.design, a.turn, b.turn]).toEqual(['d0', 3, 0]);
    const once = swapped(start, cellsIn(start), a, b);
    expect(cellIn(once, 'body/1/1')).toMatchObject({ design: 'd0', turn: 3 });
    expect(cellIn(once, 'body/0/0')).toMatchObject({ design: b.design, turn: 0 });
    const back = swapped(once, cellsIn(once), cellIn(once, 'body/0/0'), cellIn(once, 'body/1/1'));
    expect(cellsIn(back)).toEqual(cellsIn(start));
  });

  test('stay where one is locked, and say so', () => {
    const start = bag(3, 2);
    const locked = lockSet(start, cellsIn(start), cellIn(start, 'body/0/0'), true);
    const [a, b] = [cellIn(locked, 'body/0/0'), cellIn(locked, 'body/0/1')];
    expect(swapTrouble(a, b)).toBe('stays: one of the two is locked. Unlock it first.');
    expect(swapped(locked, cellsIn(locked), a, b)).toBe(locked);
  });

  test.each([
    ['hexagon', 6],
    ['rectangle', 2],
    ['disc', 4],
  ] as const)(
    'a %s is turned %i times until it lies as it did, and lies another way before',
    (kind, steps) => {
      const lone = {
        family: 'two-faces',
        face: { of: 'one', motif: kind, rounds: 4, open: 20 },
        tuck: 0,
      } as const;
      let document = testDocument(lone);
      const [first] = cellsIn(document);
      if (!first) throw new Error('a face of one motif has one cell');
      const seen = new Set<number>();
      for (let i = 0; i < steps; i++) {
        const cell = cellIn(document, first.piece);
        seen.add(cell.turn / cell.steps);
        document = turned(document, cellsIn(document), cell);
      }
      expect(seen.size).toBe(steps);
      expect(cellIn(document, first.piece).turn).toBe(0);
      // With the clock: the first step brings it a step short of a whole turn against it.
      const once = turned(testDocument(lone), cellsIn(testDocument(lone)), first);
      expect(cellIn(once, first.piece).turn).toBe(steps - 1);
    },
  );

  test('four quarter turns are none', () => {
    let document = bag(2, 2);
    const before = document;
    for (let i = 0; i < 4; i++) document = turned(document, cellsIn(document), cellIn(document, 'body/0/0'));
    expect(cellsIn(document)).toEqual(cellsIn(before));
    expect(document.arrangement?.cells).toEqual({});
  });
});

test('what is locked is not forgotten when counts change: fewer columns and more again', () => {
  const start = bag(4, 2);
  const laid = painted(start, cellsIn(start), ['body/1/3'], 'd2');
  const locked = lockSet(laid, cellsIn(laid), cellIn(laid, 'body/1/3'), true);
  const construction = (columns: number) => ({ ...locked, construction: bag(columns, 2).construction });
  expect(cellsIn(construction(3)).map(({ piece }) => piece)).not.toContain('body/1/3');
  expect(cellIn(construction(6), 'body/1/3')).toMatchObject({ design: 'd2', locked: true });
});

test('a design that is gone is dealt anew; nothing else moves', () => {
  const start = painted(bag(3, 2), cellsIn(bag(3, 2)), ['body/0/0', 'body/0/1'], 'd2');
  const without = {
    ...start,
    motifs: start.motifs.map((motif) => ({
      ...motif,
      colourways: motif.colourways.filter(({ id }) => id !== 'd2'),
    })),
  };
  expect(documentSchema.safeParse(without).success).toBe(true);
  expect(designs(without).includes('d2')).toBe(false);
  expect(cellsIn(without)).toHaveLength(6);
});

test('by chance there are as many of each as before, and what is locked stays', () => {
  fc.assert(
    fc.property(constructions, fc.nat(99), (construction, seed) => {
      const document = testDocument(construction);
      const { graph } = planOf(document);
      const cells = cellsOf(document, graph);
      const task = taskOf(document, graph, cells);
      const mixed = laidAs(document, cells, task, chance(task, seed));
      expect(documentSchema.safeParse(mixed).success).toBe(true);
      const count = (list: readonly { motif: string; rounds: number; design: string }[]) =>
        list.map(({ motif, rounds, design }) => `${motif} ${rounds} ${design}`).sort();
      expect(count(cellsOf(mixed, graph))).toEqual(count(cells));
    }),
  );
});

test('more places than are kept: those of the bag are, the others go', () => {
  const start = bag(3, 2);
  const many = Object.fromEntries(
    Array.from({ length: LIMITS.cellsKept }, (_, i) => [`old/${i}/0`, { design: 'd1' }]),
  );
  const full = { ...start, arrangement: { cells: many } };
  const next = painted(full, cellsIn(full), ['body/0/0'], 'd2');
  expect(Object.keys(next.arrangement?.cells ?? {})).toEqual(['body/0/0']);
  expect(documentSchema.safeParse(next).success).toBe(true);
});
