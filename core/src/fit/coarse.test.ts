import fc from 'fast-check';
import { expect, test } from 'vitest';
import { MEASURES, measure } from '../bag/index.ts';
import { familyOf } from '../families/index.ts';
import { withFeatures } from '../features/index.ts';
import { constructions, features, testDocument } from '../testing/arbitraries.ts';
import { type Asked, finishedSizes, lengthsOf, type MaterialOptions, sizeTable } from './index.ts';

/** A bag of any family with anything on it, and how it is built again. */
const bags = fc.tuple(constructions, features).map(([construction, own]) => {
  const document = testDocument(construction);
  const lengths = lengthsOf(sizeTable(document), document);
  const family = familyOf(familyOf(construction).settle(lengths.materials()));
  const build = (options: MaterialOptions) => {
    const materials = lengths.materials(options);
    return withFeatures(family.build(materials), own, materials);
  };
  return { construction, build };
});

test('a bag whose sheets are one piece each measures the same as square by square', () => {
  fc.assert(
    fc.property(bags, ({ build }) => {
      const [fine, coarse] = [measure(build({})), measure(build({ coarse: true }))];
      for (const what of MEASURES) expect(coarse[what]).toBeCloseTo(fine[what], 6);
    }),
    { numRuns: 400 },
  );
});

test('what a bag rests on is the same by the coarse way and by nudging the whole bag, size by size', () => {
  fc.assert(
    fc.property(bags, ({ construction, build }) => {
      const used = new Set<Asked>();
      const graph = build({ used });
      const { sizes, rests } = finishedSizes(graph, used, build);
      for (const what of MEASURES) {
        // The slow way: every size by itself, wherever it enters, on the whole bag.
        const slopes = (by: number) =>
          rests.map((size) =>
            [...used]
              .filter((asked) => asked.includes(size))
              .reduce(
                (steep, asked) =>
                  steep + (measure(build({ nudged: { asked, by } }))[what] - measure(graph)[what]) / by,
                0,
              ),
          );
        const steep = slopes(0.2);
        const variance = rests.reduce((sum, size, i) => {
          const slope = steep[i] ?? 0;
          return sum + slope ** 2 * size.common ** 2 + Math.abs(slope) * size.single ** 2;
        }, 0);
        // On bags of a few stitches what is gathered bends over the larger step, and may come to its least zone in it.
        // So does the shape that written rows make: as wide a fan has another shape in another gauge.
        const rows = graph.pieces.some(({ make }) => make.of === 'panel' && make.panel !== undefined);
        const bends = rows || construction.family === 'gathered' ? 0.05 : 1e-3;
        const slow = Math.sqrt(variance);
        expect(sizes[what].value).toBe(measure(graph)[what]);
        // Sides that are drawn in take the zone to its most, and there the height has a corner: a slope found with a
        // small step may lie on one side of it and that of a large step on both.
        if (construction.family === 'gathered' && construction.sides !== undefined) continue;
        if (Math.abs(sizes[what].sd - slow) < 1e-4 + bends * slow) continue;
        // So has any measure where one size takes over from another, a face one stitch high from what is folded into it:
        // there the slopes to either side differ, and no one of them is right.
        const back = slopes(-0.2);
        expect(Math.max(...steep.map((slope, i) => Math.abs(slope - (back[i] ?? 0))))).toBeGreaterThan(0.05);
      }
    }),
    { numRuns: 60 },
  );
});
