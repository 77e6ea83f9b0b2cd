import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkGraph, cornersOf, insideOf, measure, mismatches } from '../bag/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { area } from '../geometry/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { type Body, type Construction, FAMILIES, type FaceMake, familyOf } from './index.ts';

function build(construction: Construction) {
  const document = testDocument(construction);
  const materials = materialsOf(sizeTable(document), document);
  return { graph: familyOf(construction).build(materials), materials };
}

describe('every family over its whole range', () => {
  test('keeps the invariants of the bag graph', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        expect(checkGraph(build(construction).graph)).toEqual([]);
      }),
      { numRuns: 400 },
    );
  });

  test('a flap that laps over the next square by a hair is sewn to the one and closes', () => {
    // The rectangle comes to 171.743 mm, the square behind to 171.728: 0.008 on either side, less than any stretch.
    const flapped: Construction = {
      family: 'pack',
      body: {
        family: 'faces-and-strip',
        face: { of: 'motifs', motif: 'm1', rounds: 7, columns: 3, rows: 1 },
        strip: {
          swatch: 's1',
          worked: 'across',
          depth: 1,
          length: { by: 'count', count: 3 },
          multiple: { multiple: 1, extra: 0 },
        },
      },
      worn: {
        on: 'back',
        flap: { of: 'one', motif: 'rectangle', rounds: 4, open: 5 },
        eyelets: 4,
        strap: 100,
      },
    };
    expect(checkGraph(build(flapped).graph)).toEqual([]);
  });

  test('has as many rims as it says, each closed, whose length is what the seams leave', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { graph } = build(construction);
        const rims = cornersOf(graph).rims();
        const length = rims.flat().reduce((sum, { interval }) => sum + interval.to - interval.from, 0);
        expect(rims).toHaveLength(graph.rims);
        const edges = graph.pieces
          .flatMap((piece) => piece.edges)
          .reduce((sum, edge) => sum + edge.length, 0);
        const sewn = graph.seams
          .flatMap(({ a, b }) => [a, b])
          .reduce((sum, { from, to }) => sum + Math.abs(to - from), 0);
        expect(length).toBeCloseTo(edges - sewn, 1);
        const hanging = graph.facets.some(({ face }) => face === 'flap' || face === 'handle');
        if (!hanging) expect(length).toBeCloseTo(measure(graph).opening, 1);
      }),
    );
  });

  test('uses every id once, and names no two pieces alike', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { graph } = build(construction);
        for (const list of [
          graph.pieces.map((p) => p.id),
          graph.pieces.map((p) => p.name),
          graph.seams.map((s) => s.id),
        ])
          expect(new Set(list).size).toBe(list.length);
      }),
    );
  });

  test('a control set to its own value changes nothing, and any value gives a sound bag', () => {
    fc.assert(
      fc.property(constructions, fc.nat(), (construction, pick) => {
        const document = testDocument(construction);
        const materials = materialsOf(sizeTable(document), document);
        const controls = familyOf(construction).controls(materials, document);
        const control = controls[pick % controls.length];
        if (!control) return;
        if (control.kind !== 'choice') {
          expect(control.set(control.value)).toEqual(construction);
          expect(checkGraph(build(control.set(Math.min(control.max, control.value + 1))).graph)).toEqual([]);
        } else {
          for (const { value } of control.options)
            expect(checkGraph(build(control.set(value)).graph)).toEqual([]);
        }
      }),
      { numRuns: 200 },
    );
  });

  test('begins near the wanted size', () => {
    const document = testDocument();
    const materials = materialsOf(sizeTable(document), document);
    for (const family of FAMILIES) {
      for (const body of [SQUARES, PANEL]) {
        const made = family.begin({ width: 330, height: 290, depth: 80 }, body, materials);
        const { width, height } = measure(familyOf(made).build(materials));
        expect(Math.abs(width - 330)).toBeLessThan(70);
        expect(Math.abs(height - 290)).toBeLessThan(70);
      }
    }
  });
});

const SQUARES: Body = { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 };
const PANEL: Body = {
  of: 'worked',
  swatch: 's2',
  stitches: 50,
  rows: 60,
  multiple: { multiple: 1, extra: 0 },
  rowsRun: 'across',
};
const wrap = (fields: Partial<Construction & { family: 'wrap-round' }> = {}): Construction => ({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: SQUARES,
  ...fields,
});

describe('wrap-round by its formulas', () => {
  test('a tube of n columns lies n s / 2 wide, and its height is r S + (r - 1/2) j', () => {
    const { graph, materials } = build(wrap());
    const [side, join] = [materials.motifSide('m1', 4), materials.join()];
    const size = measure(graph);
    // Six columns closed to a ring have six joins; three rows have two and half of the bottom seam.
    expect(size.width).toBeCloseTo((6 * (side + join)) / 2, 6);
    expect(size.height).toBeCloseTo(3 * side + 2.5 * join, 6);
    expect(size.opening).toBeCloseTo(6 * (side + join), 6);
  });

  test('an odd number of columns folds one of them down its middle', () => {
    const { graph } = build(wrap({ body: { ...SQUARES, columns: 5 } }));
    expect(graph.folds).toHaveLength(3);
    // Two and a half columns a face: that column has a facet on each.
    const folded = graph.folds[0]?.piece;
    expect(graph.facets.filter(({ piece }) => piece === folded).map(({ face }) => face)).toEqual([
      'front',
      'back',
    ]);
  });

  test('a bottom row makes the bag one square deep, and takes its columns from the sides', () => {
    const { graph, materials } = build(wrap({ bottom: 'row', body: { ...SQUARES, columns: 8 } }));
    const pitch = materials.motifSide('m1', 4) + materials.join();
    const size = measure(graph);
    expect(size.width).toBeCloseTo(3 * pitch, 6);
    expect(size.depth).toBeCloseTo(pitch, 6);
    expect(graph.pieces).toHaveLength(8 * 3 + 3);
  });

  test('folded and in panels the same squares make a bag of the same width', () => {
    const folded = measure(build(wrap({ laid: 'folded', body: { ...SQUARES, columns: 3, rows: 6 } })).graph);
    const panels = measure(build(wrap({ laid: 'panels', body: { ...SQUARES, columns: 3, rows: 3 } })).graph);
    expect(folded.width).toBeCloseTo(panels.width, 6);
    expect(folded.depth + panels.depth).toBeCloseTo(0, 9);
  });

  test('a folded sheet lays the back on its head, a tube does not', () => {
    const onHead = (construction: Construction) =>
      build(construction).graph.facets.some(({ motion }) => motion.v.y < 0);
    expect(onHead(wrap({ laid: 'folded' }))).toBe(true);
    expect(onHead(wrap())).toBe(false);
  });
});

describe('faces and strip', () => {
  const bag = (
    length: { by: 'way' } | { by: 'count'; count: number },
    worked: 'across' | 'along' = 'across',
  ) =>
    build({
      family: 'faces-and-strip',
      face: { ...SQUARES, columns: 3, rows: 3 },
      strip: { swatch: 's2', worked, depth: 14, length, multiple: { multiple: 1, extra: 0 } },
    });

  test('as many rows as it takes leave no side more than half a row off', () => {
    for (const worked of ['across', 'along'] as const) {
      const { graph, materials } = bag({ by: 'way' }, worked);
      const unit = worked === 'across' ? materials.rowHeight('s2') : materials.pitch('s2');
      const byLine = new Map<string, number>();
      for (const { by, seam } of mismatches(graph)) {
        const line = seam?.replace(/\/\d+$/, '') ?? '';
        byLine.set(line, (byLine.get(line) ?? 0) + by);
      }
      for (const off of byLine.values()) expect(Math.abs(off)).toBeLessThanOrEqual(unit / 2 + 1e-6);
    }
  });

  test('depth is the strip and one join, the opening both faces and twice the depth', () => {
    const { graph, materials } = bag({ by: 'way' });
    const size = measure(graph);
    expect(size.depth).toBeCloseTo(14 * materials.pitch('s2') + materials.join(), 6);
    expect(size.opening).toBeCloseTo(2 * size.width + 2 * size.depth, 6);
  });

  test('a strip too short is reported, and the bag is still whole', () => {
    const { graph } = bag({ by: 'count', count: 100 });
    expect(mismatches(graph).length).toBeGreaterThan(0);
    expect(checkGraph(graph)).toEqual([]);
  });

  test('the fold and the easing keep every area on the drawing', () => {
    const { graph } = bag({ by: 'count', count: 120 });
    const pieces = graph.pieces.reduce((sum, { outline }) => sum + area(outline), 0);
    const facets = graph.facets.reduce((sum, { outline }) => sum + area(outline), 0);
    expect(facets).toBeCloseTo(pieces, 3);
  });
});

describe('the narrowest place', () => {
  test('of a straight bag is twice its width and depth, of a drawn-in one what the top is drawn in to', () => {
    const box = build({
      family: 'boxed',
      front: { ...SQUARES, columns: 3, rows: 2 },
      side: { ...SQUARES, columns: 1, rows: 2 },
      bottom: { ...SQUARES, columns: 3, rows: 1 },
    }).graph;
    const { width, depth } = measure(box);
    expect(insideOf(box).girth).toBeCloseTo(2 * (width + depth), 6);
    const { graph: purse, materials } = build({
      family: 'gathered',
      body: PANEL,
      together: 2,
      band: { swatch: 's2', rows: 4 },
      slit: 0,
    });
    // 50 stitches worked two together are 25 of the band, in front and behind.
    expect(insideOf(purse).girth).toBeCloseTo(2 * 25 * materials.pitch('s2'), 6);
  });

  test('a piece gathered at its ends and open sides: opening and height by hand', () => {
    const { graph, materials } = build({
      family: 'gathered',
      body: PANEL,
      together: 2,
      band: { swatch: 's2', rows: 4 },
      slit: 0,
      sides: 2,
    });
    const join = materials.join();
    const [w, tall] = [50 * materials.pitch('s2') + join, 30 * materials.rowHeight('s2')];
    // Of 50 stitches two together leave 25 of the band: the end moves in by so much on either side.
    const end = 25 * materials.pitch('s2');
    const shift = (w - end) / 2;
    // A side of 60 rows has a loop a row; two together are half a stitch of the band for every row of the side.
    const ratio = (2 * materials.rowHeight('s2')) / materials.pitch('s2');
    // Drawn in, the side must still reach that far in, and a tenth farther, if the face is tall enough for it.
    const zone = Math.min(0.9 * tall, Math.max(0.25 * tall, 1.15 * shift, 1.1 * ratio * shift));
    const slope = zone / ratio;
    const rise = Math.max(0.3 * slope, Math.sqrt(Math.max(0, slope ** 2 - shift ** 2)));
    // Two ends, and at each side two faces of the slope.
    expect(measure(graph).opening).toBeCloseTo(2 * end + 4 * slope, 6);
    expect(measure(graph).height).toBeCloseTo(tall - zone + rise + 4 * materials.rowHeight('s2'), 6);
    expect(graph.pieces.map(({ name }) => name)).toEqual([
      'Body',
      'Front band',
      'Back band',
      'Left band',
      'Right band',
    ]);
  });

  test('a shaped face is as narrow as its counts make it', () => {
    // 60 stitches wide, drawn in to 30 over the middle rows and out again.
    const shaped: FaceMake = {
      of: 'shaped',
      swatch: 's2',
      chain: 60,
      parts: [
        { rows: 30, stitches: 60 },
        { rows: 20, stitches: 30 },
        { rows: 20, stitches: 60 },
      ],
    };
    const { graph, materials } = build({ family: 'two-faces', face: shaped, tuck: 0 });
    const waist = 30 * materials.pitch('s2');
    // The join moves the outline out a little; the levels measured lie close to the waist.
    expect(insideOf(graph).girth).toBeGreaterThan(2 * waist);
    expect(insideOf(graph).girth).toBeLessThan(2 * waist * 1.12);
  });
});

describe('boxed, two faces, fold-over and slip-through by their formulas', () => {
  test('boxed: a by b by c squares, counted by hand', () => {
    const body = (columns: number, rows: number): Body => ({
      of: 'motifs',
      motif: 'm1',
      rounds: 4,
      columns,
      rows,
    });
    const { graph, materials } = build({
      family: 'boxed',
      front: body(3, 2),
      side: body(1, 2),
      bottom: body(3, 1),
    });
    const [side, join] = [materials.motifSide('m1', 4), materials.join()];
    const size = measure(graph);
    expect(size.width).toBeCloseTo(3 * (side + join), 6);
    expect(size.depth).toBeCloseTo(side + join, 6);
    expect(size.height).toBeCloseTo(2 * side + 1.5 * join, 6);
    // Two faces of 6, two sides of 2, a bottom of 3.
    expect(graph.pieces).toHaveLength(2 * 6 + 2 * 2 + 3);
  });

  test('a corner sewn across at depth t takes t off the width and t / 2 off the height', () => {
    const face: Body = { ...SQUARES, columns: 3, rows: 3 };
    const flat = measure(build({ family: 'two-faces', face, tuck: 0 }).graph);
    const boxed = measure(build({ family: 'two-faces', face, tuck: 80 }).graph);
    expect(flat.depth).toBeCloseTo(0, 9);
    expect(boxed.depth).toBeCloseTo(80, 6);
    expect(boxed.width).toBeCloseTo(flat.width - 80, 6);
    expect(boxed.height).toBeCloseTo(flat.height - 40, 6);
    expect(boxed.opening).toBeCloseTo(flat.opening, 6);
  });

  test('a fold-over’s mouth is twice its width: the flap does not count', () => {
    for (const body of [{ ...SQUARES, columns: 3, rows: 7 }, PANEL]) {
      const size = measure(build({ family: 'fold-over', body, flap: 1 }).graph);
      expect(size.opening).toBeCloseTo(2 * size.width, 4);
    }
  });

  test('handles leave mouth and size of the body as they are', () => {
    const plain = measure(build(wrap()).graph);
    const handled = measure(
      build({ family: 'slip-through', motif: 'm1', rounds: 4, columns: 3, rows: 3, short: 2, long: 5 }).graph,
    );
    for (const key of ['width', 'height', 'depth', 'opening'] as const)
      expect(handled[key]).toBeCloseTo(plain[key], 4);
  });
});
