import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { familyOf } from '../families/index.ts';
import { withFeatures } from '../features/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { distance3, dot } from '../geometry/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { bodyRims, edgingParts, eyeletPlaces, measure, rimWalk, strapPath } from './index.ts';

const built = constructions.map((construction) => {
  const document = testDocument(construction);
  const materials = materialsOf(sizeTable(document), document);
  return { graph: familyOf(construction).build(materials), materials };
});
const lengthOf = (
  stretches: ReadonlyArray<{ from: Parameters<typeof distance3>[0]; to: Parameters<typeof distance3>[0] }>,
) => stretches.reduce((sum, { from, to }) => sum + distance3(from, to), 0);

describe('the made-up rim', () => {
  test('is as long as the opening of a bag without flap and handles', () => {
    fc.assert(
      fc.property(built, ({ graph }) => {
        if (graph.facets.some(({ face }) => face === 'flap' || face === 'handle')) return;
        // Fabric that is eased or taken in lies longer or shorter on the bag than it is.
        const eased = graph.seams.some(
          ({ a, b }) => Math.abs(Math.abs(a.to - a.from) - Math.abs(b.to - b.from)) > 1e-3,
        );
        if (eased) return;
        expect(lengthOf(rimWalk(graph).flat())).toBeCloseTo(measure(graph).opening, 1);
      }),
    );
  });

  test('looks out of the fabric at right angles to its way and to the right side', () => {
    fc.assert(
      fc.property(built, ({ graph }) => {
        for (const { out, normal } of rimWalk(graph).flat()) {
          expect(Math.hypot(out.x, out.y, out.z)).toBeCloseTo(1, 6);
          expect(dot(out, normal)).toBeCloseTo(0, 6);
        }
      }),
    );
  });

  test('carries its edge rounds all along, each part as high as the rounds', () => {
    fc.assert(
      fc.property(built, fc.integer({ min: 1, max: 9 }), ({ graph, materials }, rounds) => {
        const edged = withFeatures(graph, { edge: { swatch: 's2', rounds, growth: 0 } }, materials);
        const parts = edgingParts(edged);
        const along = parts.reduce((sum, { piece }) => sum + (piece.outline[2]?.x ?? 0), 0);
        expect(along).toBeCloseTo(lengthOf(rimWalk(graph).flat()), 3);
        for (const { piece } of parts)
          expect(piece.outline[2]?.y).toBeCloseTo(rounds * materials.rowHeight('s2'), 9);
      }),
    );
  });

  test('has its eyelets just inside, as many as are wanted', () => {
    fc.assert(
      fc.property(built, fc.integer({ min: 2, max: 20 }), ({ graph, materials }, half) => {
        const [mouth = []] = bodyRims(graph);
        const places = eyeletPlaces(withFeatures(graph, { drawstring: { eyelets: 2 * half } }, materials));
        expect(places).toHaveLength(mouth.length > 0 ? 2 * half : 0);
        for (const { at } of places) {
          const nearest = Math.min(
            ...mouth.map(({ from, to, out }) => {
              // 14 mm below the rim, on the stretch it belongs to.
              const p = { x: at.x + 14 * out.x, y: at.y + 14 * out.y, z: at.z + 14 * out.z };
              return distance3(p, from) + distance3(p, to) - distance3(from, to);
            }),
          );
          expect(nearest).toBeLessThan(1e-3);
        }
      }),
    );
  });
});

test('a strap hangs about as long as it is, up over the opening or out behind', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 50, max: 400 }),
      fc.double({ min: 1.05, max: 4, noNaN: true }),
      fc.boolean(),
      (apart, times, behind) => {
        const length = apart * times;
        const strap = {
          name: 'Strap',
          from: { x: -apart / 2, y: 300, z: 0 },
          to: { x: apart / 2, y: 300, z: 0 },
          length,
          width: 30,
          on: 'sides' as const,
          behind,
        };
        const path = strapPath(strap);
        const drawn = path.reduce((sum, p, i) => sum + distance3(path[i - 1] ?? p, p), 0);
        expect(path[0]).toEqual(strap.from);
        if (!behind) expect(Math.abs(drawn / length - 1)).toBeLessThan(0.12);
        for (const { y, z } of path) {
          if (behind) expect(z).toBeLessThanOrEqual(1e-9);
          else expect(y).toBeGreaterThanOrEqual(300 - 1e-9);
        }
      },
    ),
  );
});
