import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Construction, familyOf } from '../families/index.ts';
import { withFeatures } from '../features/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { area } from '../geometry/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { fillBag, meshOf, shapeOf } from './index.ts';

const graphOf = (construction: Construction) => {
  const document = testDocument(construction);
  return familyOf(construction).build(materialsOf(sizeTable(document), document));
};
const squares = { of: 'motifs', motif: 'm1', rounds: 4 } as const;
const folded: Construction = {
  family: 'wrap-round',
  laid: 'folded',
  bottom: 'seam',
  sides: 'joins',
  body: { ...squares, columns: 2, rows: 4 },
};

describe('mesh', () => {
  test('covers every piece once, right side up, and its rims are closed loops of vertices', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const graph = graphOf(construction);
        const mesh = meshOf(graph, 60);
        const at = (v: number) => ({ x: mesh.net[2 * v] ?? 0, y: mesh.net[2 * v + 1] ?? 0 });
        let covered = 0;
        for (let t = 0; t < mesh.triangles.length; t += 3) {
          const own = area([0, 1, 2].map((k) => at(mesh.triangles[t + k] ?? 0)));
          expect(own).toBeGreaterThan(0);
          covered += own;
        }
        const pieces = graph.pieces.reduce((sum, { outline }) => sum + area(outline), 0);
        expect(covered / pieces).toBeCloseTo(1, 6);
        expect(mesh.rims).toHaveLength(graph.rims);
        for (const rim of mesh.rims) expect(rim.length).toBeGreaterThanOrEqual(2);
      }),
      { numRuns: 60 },
    );
  });

  test('flat joins hold vertices that lie on one another in the net', () => {
    const mesh = meshOf(graphOf(folded), 25);
    for (const { a, b0, b1, share, kind } of mesh.holds) {
      if (kind !== 'flat') continue;
      const to = (axis: number) =>
        (1 - share) * (mesh.net[2 * b0 + axis] ?? 0) + share * (mesh.net[2 * b1 + axis] ?? 0);
      const off = Math.hypot((mesh.net[2 * a] ?? 0) - to(0), (mesh.net[2 * a + 1] ?? 0) - to(1));
      expect(off).toBeLessThan(1e-6);
    }
  });
});

const hexagons: Construction = {
  family: 'grown-sides',
  face: { of: 'one', motif: 'hexagon', rounds: 6, open: 30 },
  swatch: 's2',
  rounds: 6,
};

describe('filling', () => {
  const fill = (construction: Construction) => {
    const filling = fillBag(graphOf(construction));
    while (!filling.settled) filling.step();
    return { filling, shape: shapeOf(filling.cloth) };
  };

  const cases: [string, Construction][] = [
    ['a folded sheet', folded],
    ['on point', { family: 'on-point', motif: 'm1', rounds: 4, across: 1, rows: 2, bottom: 'straight' }],
    ['a pinwheel', { family: 'pinwheel', motif: 'm1', rounds: 4, wings: [2, 2, 2, 2] }],
    ['two hexagons with grown sides', hexagons],
    [
      'a gathered purse',
      {
        family: 'gathered',
        body: {
          of: 'worked',
          swatch: 's2',
          stitches: 40,
          rows: 70,
          multiple: { multiple: 1, extra: 0 },
          rowsRun: 'across',
        },
        together: 2,
        band: { swatch: 's2', rows: 6 },
        slit: 0,
      },
    ],
    [
      'a purse gathered at its sides, too',
      {
        family: 'gathered',
        body: {
          of: 'worked',
          swatch: 's2',
          stitches: 40,
          rows: 90,
          multiple: { multiple: 1, extra: 0 },
          rowsRun: 'across',
        },
        together: 2,
        band: { swatch: 's2', rows: 4 },
        slit: 80,
        sides: 2,
      },
    ],
  ];
  test.each(cases)('%s closes its seams, keeps its fabric, and holds something', (_, construction) => {
    const { filling, shape } = fill(construction);
    expect(shape.gap).toBeLessThan(1);
    // Fabric gathered from two sides at its corners crinkles.
    const twice = construction.family === 'gathered' && construction.sides !== undefined;
    expect(shape.strain).toBeLessThan(twice ? 0.16 : 0.08);
    expect(shape.volume).toBeGreaterThan(0.3);
    // No closed surface of this area holds more than a ball: V <= A^1.5 / (6 sqrt pi), and the lid is small.
    const fabric = graphOf(construction).pieces.reduce((sum, { outline }) => sum + area(outline), 0);
    const ball = (fabric * 1.5) ** 1.5 / (6 * Math.sqrt(Math.PI)) / 1e6;
    expect(shape.volume).toBeLessThan(ball);
    const standing = filling.upright();
    const heights = standing.filter((_v, i) => i % 3 === 1);
    expect(Math.min(...heights)).toBeCloseTo(0, 3);
  });

  test('the same bag fills the same way twice', () => {
    const [once, again] = [fill(folded), fill(folded)];
    expect(again.shape).toEqual(once.shape);
    expect(again.filling.upright()).toEqual(once.filling.upright());
  });

  const extentOf = (positions: Float32Array, axis: number) => {
    const values = positions.filter((_v, i) => i % 3 === axis);
    return Math.max(...values) - Math.min(...values);
  };

  test('pressed flat it is thinner than filled, and filled again as thick as before', () => {
    const { filling } = fill(folded);
    const thick = extentOf(filling.upright(), 2);
    filling.handle('flatten');
    while (!filling.settled) filling.step();
    const flat = extentOf(filling.upright(), 2);
    expect(flat).toBeLessThan(0.75 * thick);
    filling.handle('fill');
    while (!filling.settled) filling.step();
    expect(extentOf(filling.upright(), 2)).toBeGreaterThan(flat);
  });

  test('hung by four places of its mouth it keeps its seams closed and draws the mouth up there', () => {
    const { filling } = fill(folded);
    filling.handle('lift');
    while (!filling.settled) filling.step();
    const shape = shapeOf(filling.cloth);
    expect(shape.gap).toBeLessThan(1);
    expect(shape.strain).toBeLessThan(0.15);
  });

  test('a flap is laid over the opening and hangs in front', () => {
    const document = testDocument(folded);
    const materials = materialsOf(sizeTable(document), document);
    const flap = {
      of: 'worked' as const,
      swatch: 's2',
      stitches: 30,
      rows: 24,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across' as const,
    };
    const graph = withFeatures(graphOf(folded), { flap }, materials);
    const filling = fillBag(graph);
    while (!filling.settled) filling.step();
    const positions = filling.upright();
    const grid = filling.mesh.grids.find(({ piece }) => piece.name === 'Flap');
    if (!grid) throw new Error('no flap');
    // Its lower edge, farthest from the back's rim, lies in front of and below its root.
    const at = (v: number, axis: number) => positions[3 * v + axis] ?? 0;
    const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    const root = (grid.edges[2] ?? []).map(({ vertex }) => vertex);
    const hem = (grid.edges[0] ?? []).map(({ vertex }) => vertex);
    expect(mean(hem.map((v) => at(v, 1)))).toBeLessThan(mean(root.map((v) => at(v, 1))));
    expect(mean(hem.map((v) => at(v, 2)))).toBeGreaterThan(mean(root.map((v) => at(v, 2))));
  });

  test('corners sewn across make a bag deeper at its bottom, and hold nothing themselves', () => {
    const boxed = (tuck: number): Construction => ({
      family: 'two-faces',
      face: { ...squares, columns: 2, rows: 2 },
      tuck,
    });
    const [flat, deep] = [fill(boxed(0)), fill(boxed(60))];
    expect(deep.shape.gap).toBeLessThan(1);
    expect(deep.shape.strain).toBeLessThan(0.06);
    // What is tucked away is 60 / 2 by 60 / 2 at two corners of either face.
    const areaOf = (triangles: Int32Array) => {
      let sum = 0;
      for (let t = 0; t < triangles.length; t += 3) {
        const at = (k: number) => {
          const v = triangles[t + k] ?? 0;
          return { x: deep.filling.mesh.net[2 * v] ?? 0, y: deep.filling.mesh.net[2 * v + 1] ?? 0 };
        };
        sum += area([at(0), at(1), at(2)]);
      }
      return sum;
    };
    const { triangles, holding } = deep.filling.mesh;
    expect(areaOf(triangles) - areaOf(holding)).toBeCloseTo(4 * 30 * 30, 3);
    const lowDepth = (positions: Float32Array) => {
      const tall = extentOf(positions, 1);
      const zs: number[] = [];
      for (let i = 0; i < positions.length; i += 3)
        if ((positions[i + 1] ?? 0) < 0.12 * tall) zs.push(positions[i + 2] ?? 0);
      return Math.max(...zs) - Math.min(...zs);
    };
    expect(lowDepth(deep.filling.upright())).toBeGreaterThan(lowDepth(flat.filling.upright()) + 10);
  });

  test('a waist makes the filled bag narrower there than it is without', () => {
    const document = testDocument(folded);
    const materials = materialsOf(sizeTable(document), document);
    const girth = (draw: number) => {
      const graph = withFeatures(graphOf(folded), draw > 0 ? { waist: { at: 60, draw } } : {}, materials);
      const filling = fillBag(graph);
      while (!filling.settled) filling.step();
      const positions = filling.upright();
      const tall = extentOf(positions, 1);
      // The widest places at about the waist's height.
      const xs: number[] = [];
      for (let i = 0; i < positions.length; i += 3)
        if (Math.abs((positions[i + 1] ?? 0) / tall - 0.6) < 0.08) xs.push(positions[i] ?? 0);
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(girth(40)).toBeLessThan(0.9 * girth(0));
  });

  test('before it begins it lies flat as the net does', () => {
    const filling = fillBag(graphOf(folded));
    const depths = filling.upright().filter((_v, i) => i % 3 === 2);
    const spread = Math.max(...depths) - Math.min(...depths);
    const widths = filling.upright().filter((_v, i) => i % 3 === 0);
    expect(spread).toBeLessThan((Math.max(...widths) - Math.min(...widths)) * 0.6);
  });
});
