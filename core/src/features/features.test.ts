import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkGraph, cornersOf, insideOf, levelCuts, measure, move } from '../bag/index.ts';
import type { Features } from '../document/index.ts';
import { type Construction, type FaceMake, familyOf } from '../families/index.ts';
import { rimBehind } from '../families/layout/flap.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { distance3 } from '../geometry/index.ts';
import { constructions, features, testDocument } from '../testing/arbitraries.ts';
import { withFeatures } from './index.ts';

function build(construction: Construction, own: Features = {}) {
  const document = testDocument(construction);
  const materials = materialsOf(sizeTable(document), document);
  const plain = familyOf(construction).build(materials);
  return { plain, graph: withFeatures(plain, own, materials), materials };
}

const squares = (columns: number, rows: number) =>
  ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;
const boxed: Construction = {
  family: 'boxed',
  front: squares(3, 3),
  side: squares(1, 3),
  bottom: squares(3, 1),
};
const one = (motif: string, rounds: number): FaceMake => ({ of: 'one', motif, rounds, open: 30 });

describe('features on any bag', () => {
  test('keep the invariants of the bag graph', () => {
    fc.assert(
      fc.property(constructions, features, (construction, own) => {
        const { graph, plain } = build(construction, own);
        expect(checkGraph(graph)).toEqual([]);
        // A flap hangs on the one rim there is: it opens no other.
        expect(cornersOf(graph).rims()).toHaveLength(plain.rims);
      }),
      { numRuns: 250 },
    );
  });

  test('a flap changes neither the size of the body nor its mouth', () => {
    fc.assert(
      fc.property(constructions, features, (construction, { flap }) => {
        if (!flap) return;
        const { graph, plain } = build(construction, { flap });
        const [with_, without] = [measure(graph), measure(plain)];
        for (const key of ['width', 'height', 'depth', 'opening'] as const)
          expect(with_[key]).toBeCloseTo(without[key], 2);
      }),
    );
  });
});

describe('a flap', () => {
  test('is tried in four kinds: square-edged, pointed, half round, a motif', () => {
    const pointed: FaceMake = {
      of: 'shaped',
      swatch: 's2',
      chain: 4,
      parts: [{ rows: 30, stitches: 50 }],
    };
    const straight: FaceMake = {
      of: 'worked',
      swatch: 's2',
      stitches: 50,
      rows: 30,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    };
    for (const flap of [straight, pointed, one('half-disc', 12), one('m1', 6)]) {
      const { graph, plain } = build(boxed, { flap });
      const own = graph.facets.filter(({ face }) => face === 'flap');
      expect(own.length).toBeGreaterThan(0);
      expect(graph.pieces.length).toBeGreaterThan(plain.pieces.length);
      // It lies over the opening, square side deep, and hangs down in front of it from the bag's full height.
      const points = own.flatMap(({ motion, outline }) => outline.map((p) => move(motion, p)));
      const { depth, height } = measure(plain);
      expect(Math.max(...points.map(({ z }) => z))).toBeCloseTo(depth / 2, 3);
      expect(Math.min(...points.map(({ z }) => z))).toBeCloseTo(-depth / 2, 3);
      expect(Math.max(...points.map(({ y }) => y))).toBeCloseTo(height, 3);
      // Equal overhang left and right.
      expect(Math.max(...points.map(({ x }) => x)) + Math.min(...points.map(({ x }) => x))).toBeCloseTo(0, 2);
    }
  });

  test('worked out of the rim it is grown, of a motif it is joined', () => {
    const kindOf = (flap: FaceMake) =>
      build(boxed, { flap }).graph.seams.find(({ line }) => line === 'flap')?.kind;
    expect(kindOf(one('m1', 4))).toBe('flat');
    expect(kindOf({ of: 'shaped', swatch: 's2', chain: 4, parts: [{ rows: 20, stitches: 40 }] })).toBe(
      'grown',
    );
  });

  test('finds the rim behind on a straight bag and none on a zigzag one', () => {
    // Three squares across, joined at both sides.
    const { plain, materials } = build(boxed);
    const wide = rimBehind(plain).reduce((sum, { from, to }) => sum + to.x - from.x, 0);
    expect(wide).toBeCloseTo(3 * (materials.motifSide('m1', 4) + materials.join()), 2);
    const peaks = build({
      family: 'on-point',
      motif: 'm1',
      rounds: 4,
      across: 2,
      rows: 3,
      bottom: 'tapered',
    });
    expect(rimBehind(peaks.plain)).toEqual([]);
  });
});

describe('edge rounds', () => {
  test('add their height, and make the mouth longer or shorter by their growth', () => {
    const { plain, graph, materials } = build(boxed, { edge: { swatch: 's2', rounds: 5, growth: -20 } });
    // Five rows of 5.5 mm: 20 rows measure 110 mm.
    expect(measure(graph).height - measure(plain).height).toBeCloseTo(5 * materials.rowHeight('s2'), 6);
    expect(measure(graph).opening).toBeCloseTo(0.8 * measure(plain).opening, 6);
  });
});

describe('a drawn-in waist', () => {
  test('decides what goes in: a quarter drawn in leaves three quarters of the way round', () => {
    const { plain, graph } = build(boxed, { waist: { at: 70, draw: 25 } });
    const { width, depth } = measure(plain);
    expect(insideOf(graph).girth).toBeCloseTo(0.75 * 2 * (width + depth), 4);
    // Neither the size nor the mouth changes.
    expect(measure(graph)).toEqual(measure(plain));
  });

  test('is cut through all walls and nothing else', () => {
    const { plain } = build(boxed);
    const cuts = levelCuts(plain, measure(plain).height * 0.5);
    const round = cuts.reduce((sum, { from, to }) => sum + distance3(from, to), 0);
    const { width, depth } = measure(plain);
    expect(round).toBeCloseTo(2 * (width + depth), 4);
    for (const { normal } of cuts) expect(normal.y).toBeCloseTo(0, 9);
  });
});
