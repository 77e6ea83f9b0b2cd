import { describe, expect, test } from 'vitest';
import { checkGraph, mismatches } from '../../bag/index.ts';
import { extent } from '../../geometry/index.ts';
import { built, panel, seamsByLine, squares } from '../../testing/built.ts';
import { familyOf } from '../index.ts';
import type { Boxed } from './index.ts';

const box = (fields: Partial<Boxed> = {}): Boxed => ({
  family: 'boxed',
  front: squares(3, 2),
  side: squares(1, 2),
  bottom: squares(3, 1),
  ...fields,
});

describe('boxed', () => {
  test('3 by 2 by 1 squares: its sizes, counted join by join', () => {
    const { size, s, j } = built(box());
    // Three squares across with two joins between and half a join at either upright seam; two rows with one join
    // between and half of the seam at the bottom; one square deep likewise.
    expect(size.width).toBeCloseTo(3 * s + 3 * j, 6);
    expect(size.height).toBeCloseTo(2 * s + 1.5 * j, 6);
    expect(size.depth).toBeCloseTo(s + j, 6);
    expect(size.opening).toBeCloseTo(2 * (4 * s + 4 * j), 6);
  });

  test('its 19 squares have 34 joins, 7 of them after folding', () => {
    const { graph } = built(box());
    // 2 x 6 in front and behind, 2 x 2 at the sides, 3 below.
    expect(graph.pieces).toHaveLength(19);
    // 7 within each of front and back, 1 in each side, 2 in the bottom; three upright lines of 2, and 3 under the front.
    expect(graph.seams.filter(({ kind }) => kind === 'flat')).toHaveLength(2 * 7 + 2 * 1 + 2 + 3 * 2 + 3);
    const lines = seamsByLine(graph);
    expect([lines['left-front'], lines['bottom-right'], lines['bottom-back'], lines['bottom-left']]).toEqual([
      2, 1, 3, 1,
    ]);
  });

  test('every square hangs upright but those of the bottom, which lie', () => {
    const { graph } = built(box());
    for (const { face, motion } of graph.facets) {
      if (face === 'bottom') expect(motion.v.y).toBeCloseTo(0, 9);
      else expect(motion.v.y).toBeCloseTo(1, 9);
    }
  });

  test('sides worked in rows are eased to the front, and the difference is told', () => {
    const rows = 40;
    const { graph, size, s, j, w, h } = built(box({ side: panel(16, rows), bottom: squares(3, 1) }));
    expect(size.depth).toBeCloseTo(16 * w + j, 6);
    // The front decides the height.
    expect(size.height).toBeCloseTo(2 * s + 1.5 * j, 6);
    const off = rows * h + j / 2 - (2 * s + 1.5 * j);
    const told = mismatches(graph).filter(({ seam }) => seam?.startsWith('front-right'));
    expect(Math.abs(told.reduce((sum, { by }) => sum + by, 0))).toBeCloseTo(Math.abs(off), 6);
  });

  test('a column more in front takes the bottom along, a deeper side the bottom’s rows', () => {
    const { materials, choices } = built(box());
    const control = (id: string) => {
      const found = familyOf(box())
        .controls(materials, choices)
        .find((one) => one.id === id);
      if (found?.kind !== 'count') throw new Error(`no control ${id}`);
      return found;
    };
    const wider = control('front-columns').set(4);
    expect(wider).toMatchObject({ front: { columns: 4 }, bottom: { columns: 4, rows: 1 } });
    const deeper = control('side-columns').set(2);
    expect(deeper).toMatchObject({ side: { columns: 2, rows: 2 }, bottom: { columns: 3, rows: 2 } });
    const taller = control('front-rows').set(3);
    expect(taller).toMatchObject({ side: { columns: 1, rows: 3 }, bottom: { columns: 3, rows: 1 } });
  });
});

describe('a box with walls that are panels by their rows', () => {
  test('front and back are the panel, as large as its counts: 33 stitches by 30 rows', () => {
    const own = built({
      family: 'boxed',
      front: { of: 'rows', panel: 'bobbles' },
      side: panel(20, 30),
      bottom: panel(33, 20),
    });
    expect(checkGraph(own.graph)).toEqual([]);
    expect(own.size.width).toBeCloseTo(33 * own.w + own.j, 3);
    const [front, back] = ['front', 'back'].map((id) => own.graph.pieces.find((piece) => piece.id === id));
    expect(front?.edges.map(({ kind, loops }) => [kind, loops])).toEqual([
      ['chain', 33],
      ['row-ends', 30],
      ['tops', 33],
      ['row-ends', 30],
    ]);
    expect(back?.edges).toEqual(front?.edges);
  });

  test('upright its rows run up the box; its own place is where it is drawn', () => {
    const own = built({
      family: 'boxed',
      front: { of: 'rows', panel: 'bobbles', upright: true },
      side: panel(20, 33),
      bottom: panel(30, 20),
    });
    const front = own.graph.pieces.find(({ id }) => id === 'front');
    expect(front?.edges.map(({ kind }) => kind)).toEqual(['row-ends', 'tops', 'row-ends', 'chain']);
    const make = front?.make;
    if (make?.of !== 'panel' || !make.placed) throw new Error('a panel by its rows');
    const [a, b, c, d, e, f] = make.placed;
    const { width, height } = extent(front?.outline ?? []);
    for (const { x, y } of own.materials.panel('bobbles').piece.outline) {
      expect(a * x + c * y + e).toBeGreaterThan(-1e-6);
      expect(a * x + c * y + e).toBeLessThan(width + 1e-6);
      expect(b * x + d * y + f).toBeGreaterThan(-1e-6);
      expect(b * x + d * y + f).toBeLessThan(height + 1e-6);
    }
  });
});
