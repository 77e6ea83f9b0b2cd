import { describe, expect, test } from 'vitest';
import { cornersOf, measure, move, pieceIndex, pointOnEdge } from '../../bag/index.ts';
import { materialsOf, sizeTable } from '../../fit/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { buildOnPoint, pitchOf, squaresNeeded } from './build.ts';
import type { OnPoint } from './schema.ts';

const bag = (across: number, rows: number, bottom: OnPoint['bottom']) => {
  const params: OnPoint = { family: 'on-point', motif: 'm1', rounds: 4, across, rows, bottom };
  const document = testDocument(params);
  const materials = materialsOf(sizeTable(document), document);
  return { params, graph: buildOnPoint(params, materials), d: pitchOf(params, materials) * Math.SQRT2 };
};
const every = [1, 2, 3, 4, 5, 6].flatMap((across) =>
  [1, 2, 3, 4, 5, 6, 7, 8].flatMap((rows) =>
    (['tapered', 'straight'] as const).map((bottom) => ({ across, rows, bottom })),
  ),
);

describe('on point', () => {
  test.each(every)('$across across, $rows rows, $bottom: width, peak and notch by their formulas', (p) => {
    const { graph, d, params } = bag(p.across, p.rows, p.bottom);
    const size = measure(graph);
    expect(size.width).toBeCloseTo(p.across * d, 6);
    // The top row is centred rows / 2 diamonds up and peaks half a diamond above that.
    expect(size.height).toBeCloseTo(((p.rows + 1) * d) / 2, 6);
    expect(graph.pieces).toHaveLength(squaresNeeded(params));
    const piece = pieceIndex(graph);
    const rim = cornersOf(graph).rims().flat();
    const heights = rim.map(({ interval }) => {
      const own = piece(interval.piece);
      const facet = graph.facets.find((f) => f.piece === own.id);
      return facet ? move(facet.motion, pointOnEdge(own, interval.edge, interval.from)).y : Number.NaN;
    });
    expect(Math.max(...heights)).toBeCloseTo(((p.rows + 1) * d) / 2, 6);
    expect(Math.min(...heights)).toBeCloseTo((p.rows * d) / 2, 6);
  });

  test('tapered, two across, three rows above the bottom: 13 squares', () => {
    // Bottom row 1; rows 1 and 3 two on each face; row 2 one on each face and one on either side.
    expect(squaresNeeded(bag(2, 3, 'tapered').params)).toBe(13);
  });

  test('straight, one across, one row: 3 squares, each folded once', () => {
    const { graph } = bag(1, 1, 'straight');
    expect(graph.pieces).toHaveLength(3);
    expect(graph.folds).toHaveLength(3);
    // Each side diamond closes its two outer edges: lower ones and upper ones are free or rim.
    expect(graph.seams.filter(({ kind }) => kind === 'closing')).toHaveLength(2);
  });

  test('the opening is the zigzag of the top row on both faces', () => {
    const { graph, d } = bag(3, 4, 'tapered');
    // Row 4 over a tapered bottom stands off the sides by shifting: 2 edges a diamond, front and back.
    const edge = d / Math.SQRT2;
    expect(measure(graph).opening).toBeCloseTo(3 * 2 * 2 * edge, 6);
  });
});
