import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Content } from '../document/index.ts';
import { mm } from '../units/index.ts';
import { contentFits } from './index.ts';

const side = fc.integer({ min: 5, max: 600 }).map(mm);
const box: fc.Arbitrary<Content> = fc.record({
  shape: fc.constant('box' as const),
  id: fc.constant('b'),
  name: fc.constant('Box'),
  height: side,
  width: side,
  thickness: side,
});
const round: fc.Arbitrary<Content> = fc.record({
  shape: fc.constant('cylinder' as const),
  id: fc.constant('c'),
  name: fc.constant('Tin'),
  height: side,
  diameter: side,
});
const sizes = fc.record({
  height: fc.integer({ min: 50, max: 600 }),
  opening: fc.integer({ min: 100, max: 1600 }),
});
const narrowest = fc.integer({ min: 100, max: 1600 });
const fit = (of: { readonly height: number; readonly opening: number }, around: number, content: Content) => {
  const [one] = contentFits({ ...of, girth: around }, [content]);
  if (!one) throw new Error('nothing was held against the bag');
  return one;
};

describe('whatever it must hold', () => {
  test('what goes into a bag goes into a larger one', () => {
    fc.assert(
      fc.property(
        fc.oneof(box, round),
        sizes,
        narrowest,
        fc.integer({ min: 0, max: 200 }),
        (thing, of, around, more) => {
          if (!fit(of, around, thing).fits) return;
          const larger = { ...of, height: of.height + more, opening: of.opening + more };
          expect(fit(larger, around + more, thing).fits).toBe(true);
        },
      ),
    );
  });

  test('what binds is short by what it says, and made up for by just that', () => {
    fc.assert(
      fc.property(fc.oneof(box, round), sizes, narrowest, (thing, of, around) => {
        const { fits, binds, room } = fit(of, around, thing);
        expect(fits).toBe(room >= 0);
        if (fits) return;
        const grown = {
          ...of,
          height: of.height + (binds === 'height' ? -room : 0),
          opening: of.opening + (binds === 'opening' ? -room : 0),
        };
        const after = fit(grown, around + (binds === 'body' ? -room : 0), thing);
        // That place is wide enough now; another may still bind.
        if (!after.fits) expect(after.binds).not.toBe(binds);
      }),
    );
  });

  test('a box is the same box however its sides are named', () => {
    fc.assert(
      fc.property(box, sizes, narrowest, (thing, of, around) => {
        if (thing.shape !== 'box') return;
        const { height, width, thickness } = thing;
        const turned: Content = { ...thing, height: thickness, width: height, thickness: width };
        expect(fit(of, around, turned).room).toBeCloseTo(fit(of, around, thing).room, 9);
      }),
    );
  });
});
