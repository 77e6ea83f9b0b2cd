import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkGraph, measure } from '../../bag/index.ts';
import { materialsOf, sizeTable } from '../../fit/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { facesAndStrip } from '../../testing/built.ts';
import { type Construction, familyOf, type NetEditor, type Own, ownFromGraph } from '../index.ts';

const document = testDocument();
const materials = materialsOf(sizeTable(document), document);
const build = (construction: Construction) => familyOf(construction).build(materials);
const editorOf = (own: Own): NetEditor<Construction> => {
  const editor = familyOf(own).editor(materials);
  if (!editor) throw new Error('A net of one’s own can be edited.');
  return editor;
};
const asOwn = (construction: Construction): Own => {
  if (construction.family !== 'own') throw new Error('The editor keeps the family.');
  return construction;
};

const one: Own = {
  family: 'own',
  motif: 'm1',
  rounds: 4,
  swatch: 's2',
  grid: 'straight',
  cells: [{ x: 0, y: 0, of: 'square' }],
  folds: [],
  pairs: [],
};

/** Adds a piece at a place beside the net. */
const add = (own: Own, id: string, of: 'square' | 'panel' = 'square'): Own => {
  const spot = editorOf(own).spots.find((place) => place.id === id);
  if (!spot) throw new Error(`There is no place ${id}.`);
  return asOwn(spot.add(of));
};
const fold = (own: Own, id: string): Own => {
  const line = editorOf(own).folds.find((place) => place.id === id);
  if (!line) throw new Error(`There is no fold line ${id}.`);
  return asOwn(line.next());
};

describe('a net from one square', () => {
  test('two squares, a fold between, and the two sides that are left to close: a small pouch', () => {
    const two = add(one, '0,1');
    expect(editorOf(two).edges).toHaveLength(6);
    // Flat on the table nothing lies on anything.
    expect(editorOf(two).suggested.many).toBe(0);
    const folded = fold(two, 'level/2');
    const { suggested } = editorOf(folded);
    // Left with left and right with right; the upper edges are the opening.
    expect(suggested.many).toBe(2);
    const closed = asOwn(suggested.close());
    expect(editorOf(closed).problems).toEqual([]);
    const graph = build(closed);
    expect(checkGraph(graph)).toEqual([]);
    expect(graph.rims).toBe(1);
    const side = materials.motifSide('m1', 4) + materials.join();
    const size = measure(graph);
    expect([size.width, size.height, size.depth].map((n) => Math.round(n * 100) / 100)).toEqual(
      [side, side, 0].map((n) => Math.round(n * 100) / 100),
    );
    expect(size.opening).toBeCloseTo(2 * side, 6);
  });

  test('four walls by three quarter folds close to a ring, which still wants a bottom', () => {
    let own = one;
    for (const x of [1, 2, 3]) own = add(own, `${x},0`);
    for (const at of [2, 4, 6]) own = fold(fold(own, `upright/${at}`), `upright/${at}`);
    const { suggested } = editorOf(own);
    expect(suggested.many).toBe(1);
    const ring = build(suggested.close());
    const side = materials.motifSide('m1', 4) + materials.join();
    expect(checkGraph(ring)).toEqual([]);
    expect(measure(ring).depth).toBeCloseTo(side, 6);
    expect(new Set(ring.facets.map(({ face }) => face))).toEqual(new Set(['front', 'right', 'back', 'left']));
    expect(editorOf(asOwn(suggested.close())).problems.join()).toContain('2 openings');
  });

  test('what is wrong is named: parts that nothing joins, pairs that do not come together', () => {
    const apart = add(one, '2,0');
    expect(editorOf(apart).problems.join()).toContain('2 parts');
    const flat = asOwn(editorOf(add(one, '0,1')).pair('0,0/3', '0,1/3'));
    expect(editorOf(flat).problems.join()).toContain('do not come together');
    // The same pair with a fold between is sound.
    expect(editorOf(fold(flat, 'level/2')).problems.join()).not.toContain('do not come together');
  });

  test('a third kind of press takes a fold away again, and parting opens a pair', () => {
    const two = add(one, '0,1');
    const three = fold(fold(fold(two, 'level/2'), 'level/2'), 'level/2');
    expect(three.folds).toEqual([]);
    const paired = asOwn(editorOf(fold(two, 'level/2')).pair('0,0/3', '0,1/3'));
    expect(paired.pairs).toHaveLength(1);
    expect(asOwn(editorOf(paired).part('0,1/3')).pairs).toEqual([]);
  });

  test('taking a piece takes its pairs along, and the last piece stays', () => {
    const two = add(one, '0,1');
    const closed = asOwn(editorOf(fold(two, 'level/2')).suggested.close());
    const taken = editorOf(closed)
      .pieces.find(({ id }) => id === '0,1')
      ?.take?.();
    expect(taken && asOwn(taken).pairs).toEqual([]);
    expect(editorOf(one).pieces[0]?.take).toBeUndefined();
  });
});

describe('a net from another family', () => {
  const squares = (columns: number, rows: number) =>
    ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;
  const convertible: fc.Arbitrary<Construction> = fc.oneof(
    fc
      .record({ columns: fc.integer({ min: 1, max: 4 }), rows: fc.integer({ min: 1, max: 4 }) })
      .map(({ columns, rows }) => ({
        family: 'wrap-round' as const,
        laid: 'tube' as const,
        bottom: 'seam' as const,
        sides: 'joins' as const,
        body: squares(2 * columns, rows),
      })),
    fc
      .record({ columns: fc.integer({ min: 1, max: 4 }), rows: fc.integer({ min: 1, max: 3 }) })
      .map(({ columns, rows }) => ({
        family: 'wrap-round' as const,
        laid: 'folded' as const,
        bottom: 'seam' as const,
        sides: 'joins' as const,
        body: squares(columns, 2 * rows),
      })),
    fc
      .record({ columns: fc.integer({ min: 1, max: 4 }), rows: fc.integer({ min: 1, max: 4 }) })
      .map(({ columns, rows }) => ({ family: 'two-faces' as const, face: squares(columns, rows), tuck: 0 })),
    fc
      .record({
        across: fc.integer({ min: 2, max: 4 }),
        rows: fc.integer({ min: 1, max: 4 }),
        bottom: fc.constantFrom('straight' as const, 'tapered' as const),
      })
      .map(({ across, rows, bottom }) => ({
        family: 'on-point' as const,
        motif: 'm1',
        rounds: 4,
        across,
        rows,
        bottom,
      })),
  );

  test('has the same pieces, the same size and the same seams, and is sound', () => {
    fc.assert(
      fc.property(convertible, (construction) => {
        const graph = build(construction);
        const own = ownFromGraph(graph, 's2', materials);
        expect(own, JSON.stringify(construction)).toBeDefined();
        if (!own) return;
        const copy = build(own);
        expect(checkGraph(copy)).toEqual([]);
        expect(copy.pieces).toHaveLength(graph.pieces.length);
        const [was, is] = [measure(graph), measure(copy)];
        // Outer edges carry half a join more or less.
        expect(Math.abs(was.width - is.width)).toBeLessThan(6);
        expect(Math.abs(was.height - is.height)).toBeLessThan(6);
      }),
      { numRuns: 60 },
    );
  });

  test('a bag with a strip is no net of squares', () => {
    const strip = build(facesAndStrip(squares(2, 2)));
    expect(ownFromGraph(strip, 's2', materials)).toBeUndefined();
  });
});
