import { describe, expect, test } from 'vitest';
import { withFeatures } from '../features/index.ts';
import { area } from '../geometry/index.ts';
import { built, panel, squares } from '../testing/built.ts';
import { type BagGraph, drawnFacets, move } from './index.ts';

const bag = () =>
  built({ family: 'wrap-round', laid: 'tube', bottom: 'seam', sides: 'joins', body: squares(6, 3) });
const waisted = (at: number, draw: number): BagGraph => {
  const { graph, materials } = bag();
  return withFeatures(graph, { waist: { at, draw } }, materials);
};
/** How wide the drawn bag is at a height. */
function widthAt(graph: BagGraph, y: number): number {
  const xs = drawnFacets(graph).flatMap(({ outline, motion }) => {
    const points = outline.map((p) => move(motion, p));
    const heights = points.map((p) => p.y);
    return Math.min(...heights) <= y && y <= Math.max(...heights) ? points.map(({ x }) => x) : [];
  });
  return Math.max(...xs) - Math.min(...xs);
}

describe('a bag drawn with its waist', () => {
  test('is the facets themselves without one', () => {
    const { graph } = bag();
    expect(drawnFacets(graph)).toBe(graph.facets);
  });

  test('is narrower at the waist by what is drawn in, and as wide as ever far from it', () => {
    const graph = waisted(60, 30);
    const { width, height } = bag().size;
    expect(widthAt(graph, 0.6 * height) / width).toBeCloseTo(0.7, 2);
    expect(widthAt(graph, 1) / width).toBeGreaterThan(0.97);
    // Narrower the nearer; bands slant a little, so they are told to the millimetre.
    const widths = [0.1, 0.3, 0.45, 0.55].map((share) => widthAt(graph, share * height));
    for (const [i, w] of widths.entries()) expect(w).toBeLessThanOrEqual((widths[i - 1] ?? width) + 1);
  });

  test('every bit of fabric is drawn, and little of it twice', () => {
    for (const graph of [waisted(60, 30), waisted(20, 10), waisted(95, 50)]) {
      const all = graph.facets.reduce((sum, { outline }) => sum + area(outline), 0);
      const drawn = drawnFacets(graph).reduce((sum, { outline }) => sum + area(outline), 0);
      expect(drawn / all).toBeGreaterThan(1);
      expect(drawn / all).toBeLessThan(1.1);
    }
  });

  test('a flap hangs as it did', () => {
    const { graph, materials } = bag();
    const flapped = withFeatures(graph, { flap: panel(30, 24), waist: { at: 60, draw: 40 } }, materials);
    const flaps = drawnFacets(flapped).filter(({ face }) => face === 'flap');
    expect(flaps).toEqual(flapped.facets.filter(({ face }) => face === 'flap'));
  });
});
