import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Arrangement, BagDocument } from '../document/index.ts';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { cellsOf, judged, ORDERS, type Order, ordered, placesOf, stepsOf, taskOf } from './index.ts';

/** Yarns from dark to light, and the colours of a wheel. */
const COLOURS = ['#101010', '#b02020', '#d0a020', '#309030', '#3030b0', '#f0f0f0'];

/** The bag with its squares in so many designs, each of one colour. */
function bagOf(construction: Construction, designs: number, arrangement: Arrangement = {}): BagDocument {
  const document = testDocument(construction);
  const [first] = document.yarns;
  if (!first) throw new Error('a yarn');
  const yarns = COLOURS.map((colour, i) => ({ ...first, id: `k${i}`, colour }));
  return {
    ...document,
    yarns: [...document.yarns, ...yarns],
    motifs: document.motifs.map((motif) => ({
      ...motif,
      colourways: Array.from({ length: designs }, (_, i) => ({
        id: `d${i}`,
        name: `D${i}`,
        rounds: [`k${i}`],
      })),
    })),
    arrangement,
  };
}

/** What an order lays, row by row as the sheet lies in the net. */
function laidBy(order: Order, construction: Construction, designs: number, arrangement: Arrangement = {}) {
  const document = bagOf(construction, designs, arrangement);
  const { graph } = planOf(document);
  const cells = cellsOf(document, graph);
  const task = taskOf(document, graph, cells);
  const { laying, needs } = ordered(task, graph, cells, order);
  const rows: string[] = [];
  for (const [i, piece] of task.slots.entries()) {
    const [, row, column] = /\/(\d+)\/(\d+)$/.exec(piece ?? '') ?? [];
    if (row === undefined || column === undefined) continue;
    rows[Number(row)] = `${rows[Number(row)] ?? ''}${laying[i]}`;
  }
  return { rows, needs, twins: judged(task, laying).twins.length };
}

const tube = (columns: number, rows: number): Construction => ({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(columns, rows),
});

describe('planned orders on a tube of six by four', () => {
  test('a chequer of two has no twins, over side and bottom seams as well', () => {
    const { rows, needs, twins } = laidBy('chequer', tube(6, 4), 2);
    expect(rows).toEqual(['010101', '101010', '010101', '101010']);
    expect(needs.map(({ needs: many }) => many)).toEqual([12, 12]);
    // At the bottom the first column meets the sixth, the second the fifth: of other designs, both times.
    expect(twins).toBe(0);
  });

  test('level stripes count from the bottom, three designs in turn', () => {
    expect(laidBy('stripes-level', tube(6, 4), 3).rows).toEqual(['000000', '222222', '111111', '000000']);
  });

  test('upright stripes are the same in front and behind: the back is laid the other way round', () => {
    expect(laidBy('stripes-upright', tube(6, 4), 3).rows).toEqual(Array(4).fill('012210'));
  });

  test('rings lie about the middle of each face', () => {
    // A face of three by three: its middle, and eight round it.
    expect(laidBy('rings', tube(6, 3), 2).rows).toEqual(['111111', '101101', '111111']);
  });

  test('light to dark goes by lightness, from the bottom, each as many as there are', () => {
    const stock = [18, 3, 3].map((many, i) => ({ motif: 'm1', design: `d${i}`, many }));
    // Black for three quarters of 24; then red, then yellow: of six each, three are laid.
    const { rows } = laidBy('light-to-dark', tube(6, 4), 3, { stock });
    expect(rows.slice(1)).toEqual(['000000', '000000', '000000']);
    expect([...(rows[0] ?? '')].sort().join('')).toBe('111222');
  });

  test('half a turn copies the front behind, mirrored the left half on the right', () => {
    const cells = {
      'body/0/0': { design: 'd3' },
      'body/0/1': { design: 'd1' },
      'body/0/2': { design: 'd2' },
    };
    const half = laidBy('half-turn', tube(6, 1), 4, { cells }).rows[0] ?? '';
    // Laid on, the back's columns follow the front's: turned by half, the first of either looks the same.
    expect(half.slice(0, 3)).toBe('312');
    expect(half.slice(3)).toBe('312');
    const mirrored = laidBy('mirrored', tube(6, 1), 4, { cells }).rows[0] ?? '';
    expect(mirrored.slice(0, 3)).toBe('313');
  });

  test('what is locked stays, and what is missing is told', () => {
    const { rows, needs } = laidBy('stripes-level', tube(6, 4), 2, {
      cells: { 'body/0/0': { design: 'd0', locked: true } },
      stock: [
        { motif: 'm1', design: 'd0', many: 12 },
        { motif: 'm1', design: 'd1', many: 12 },
      ],
    });
    expect(rows[0]).toBe('011111');
    expect(needs).toEqual([
      { design: 0, there: 12, needs: 13 },
      { design: 1, there: 12, needs: 11 },
    ]);
  });
});

test('every order lays every cell of any bag with one of its own designs, and locked ones not at all', () => {
  fc.assert(
    fc.property(
      constructions,
      fc.constantFrom(...ORDERS),
      fc.integer({ min: 1, max: 6 }),
      fc.nat(),
      (construction, order, designs, at) => {
        const bare = bagOf(construction, designs);
        const { graph } = planOf(bare);
        const pieces = cellsOf(bare, graph);
        const kept = pieces[at % Math.max(1, pieces.length)];
        const document = {
          ...bare,
          arrangement: kept
            ? { cells: { [kept.piece]: { design: kept.design, locked: true as const } } }
            : {},
        };
        const cells = cellsOf(document, graph);
        const task = taskOf(document, graph, cells);
        const { laying, needs } = ordered(task, graph, cells, order);
        for (const [i, design] of laying.entries()) {
          const own = cells.find(({ piece }) => piece === task.slots[i]);
          expect(task.designs[design]?.motif).toBe(own?.motif);
          expect(task.designs[design]?.rounds).toBe(own?.rounds);
          if (own?.locked) expect(task.designs[design]?.design).toBe(own.design);
        }
        expect(needs.reduce((sum, one) => sum + one.needs, 0)).toBe(cells.length);
      },
    ),
  );
});

describe('places', () => {
  test('of a tube: three columns in front, three behind, seen from there from right to left', () => {
    const { graph } = planOf(testDocument(tube(6, 1)));
    const places = placesOf(
      graph,
      graph.pieces.map(({ id }) => id),
    );
    expect(places.map(({ face }) => face)).toEqual(['front', 'front', 'front', 'back', 'back', 'back']);
    const x = places.map(({ at }) => Math.round(at.x) + 0);
    expect(x.slice(3)).toEqual([...x.slice(0, 3)].reverse());
    expect(places.every(({ upright }) => upright > 0.99)).toBe(true);
  });

  test('steps are counted from the lowest; what lies nearer than the grain is one', () => {
    expect(stepsOf([30, 10, 10.4, 20, 29.8], 1)).toEqual([2, 0, 0, 1, 2]);
  });
});
