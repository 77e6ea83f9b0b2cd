import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { flapReach } from '../bag/index.ts';
import type { BagDocument, Closure } from '../document/index.ts';
import type { Construction } from '../families/index.ts';
import { sizeTable } from '../fit/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { evenPlaces, eyeletGaps, eyeletStitches, holePlaces, holeSkip, loopChains, zipFor } from './index.ts';

describe('closures', () => {
  test('things along a face read the same from both sides', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), fc.integer({ min: 1, max: 20 }), (loops, many) => {
        if (many > loops) return;
        const places = evenPlaces(loops, many);
        expect(places).toHaveLength(many);
        places.forEach((place, i) => {
          const mirrored = places[many - 1 - i] ?? Number.NaN;
          // The middle one of an odd number lies on a loop or between two, as the parity has it.
          if (i !== many - 1 - i) expect(place + mirrored).toBe(loops);
          else expect(Math.abs(2 * place - loops)).toBeLessThanOrEqual(1);
        });
        for (const [i, place] of places.entries())
          if (i > 0) expect(place).toBeGreaterThan((places[i - 1] ?? 0) - 1);
      }),
    );
  });

  test('eyelets and the stitches between them are the round, spread within two, alike from left and right', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 2, max: 10 }),
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        (stitches, half, share) => {
          const front = Math.round(stitches * share);
          const places = eyeletStitches(stitches, front, 2 * half);
          const gaps = eyeletGaps(places, stitches);
          expect(gaps).toHaveLength(2 * half);
          // Each eyelet takes a stitch of its own.
          expect(gaps.reduce((a, b) => a + b, 0) + 2 * half).toBe(stitches);
          expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(2);
          const alone = places.filter((at) => !places.includes((2 * stitches + front - 1 - at) % stitches));
          // Only one on a middle that lies between two stitches has no mirror image.
          expect(alone.length).toBeLessThanOrEqual(half % 2 === 0 ? 0 : 2);
        },
      ),
    );
  });

  test('eight eyelets in a round of 88, half of it in front, by hand', () => {
    // A gap of 11 from eyelet to eyelet, the first half of it from the middle of the front: 22 + 5.5, and its stitch.
    const places = eyeletStitches(88, 44, 8);
    expect(places).toEqual([5, 16, 27, 38, 49, 60, 71, 82]);
    expect(eyeletGaps(places, 88)).toEqual([10, 10, 10, 10, 10, 10, 10, 10]);
  });

  test('six in the same round have one on the middle of the front, and none at a side', () => {
    const places = eyeletStitches(88, 44, 6);
    // 22 lies between two stitches: the one after it, and 44 on. The others 14.67 off it, and 29.33, either way.
    expect(places).toEqual([7, 22, 36, 51, 66, 80]);
    expect(eyeletGaps(places, 88)).toEqual([14, 13, 14, 14, 13, 14]);
  });

  test('a zip is the next one at or above half of the mouth', () => {
    expect(zipFor(640)).toBe(350);
    expect(zipFor(700)).toBe(350);
    expect(zipFor(702.5)).toBe(400);
    expect(zipFor(9000)).toBeUndefined();
  });

  test('a hole for a button of 25 at 6 mm a stitch skips four: nine tenths of it are 22.5 mm', () => {
    expect(holeSkip(25, 6)).toBe(4);
    expect(holeSkip(5, 8)).toBe(1);
  });

  test('holes leave as many loops before the first as after the last', () => {
    expect(holePlaces(42, 3, 3)).toEqual([6, 20, 33]);
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 2, max: 8 }),
        fc.integer({ min: 1, max: 5 }),
        (loops, many, skip) => {
          const places = holePlaces(loops, many, skip);
          places.forEach((place, i) => {
            const mirrored = places[many - 1 - i] ?? Number.NaN;
            if (i !== many - 1 - i) expect(place).toBe(loops - mirrored - skip);
          });
        },
      ),
    );
  });

  test('a loop for a button of 30 on a bag 80 deep at 6 mm a chain: twice 80 and half its round', () => {
    expect(loopChains(30, 80, 6)).toBe(Math.ceil((2 * (80 + 15 * Math.PI)) / 6));
  });
});

describe('a bag with a flap', () => {
  const tube: Construction = {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 },
  };
  const worked = {
    of: 'worked',
    swatch: 's2',
    stitches: 30,
    rows: 24,
    multiple: { multiple: 1, extra: 0 },
    rowsRun: 'across',
  } as const;
  const closed = (flap: NonNullable<BagDocument['features']>['flap'], closure: Closure) => {
    const plan = planOf({ ...testDocument(tube), features: flap ? { flap } : {}, finish: { closure } });
    if (!plan.closure || plan.closure.of === 'zip') throw new Error('it has places');
    return { ...plan.closure, reach: flapReach(plan.graph)?.reach ?? 0 };
  };

  test('is closed by the edge of it, and by the front under it: of 30 stitches one button after 15', () => {
    const { places, reach } = closed(worked, { of: 'button', diameter: 25, many: 1 });
    // The button shows below the flap: a diameter under its edge.
    expect(places).toEqual({ on: 'flap', at: 'edge', stitches: 30, wide: 0, after: [15], below: reach + 25 });
    const magnet = closed(worked, { of: 'magnet' });
    expect(magnet.places).toMatchObject({ after: [15], below: reach - 20 });
    const holes = closed(worked, { of: 'holes', diameter: 20, many: 2 });
    // Each hole about the middle of its half.
    expect(holes.of === 'holes' && holes.places.on === 'flap' && holes.places.after).toEqual(
      holePlaces(30, 2, holes.of === 'holes' ? holes.skip : 0),
    );
  });

  test('its loop hangs from the flap and reaches over nothing, however thick the bag is', () => {
    const document = testDocument(tube);
    const pitch = sizeTable(document).swatch(document.swatches[0]?.id ?? '').gauge.pitch.value;
    const loop = closed(worked, { of: 'button', diameter: 25, many: 1, over: 90 });
    expect(loop.of === 'button' && [loop.over, loop.chains]).toEqual([
      undefined,
      Math.ceil((25 * Math.PI) / pitch),
    ]);
  });

  test('that ends in a point has room for one thing, there', () => {
    const flap = { of: 'one', motif: 'triangle', rounds: 6, open: 0 } as const;
    const { places } = closed(flap, { of: 'button', diameter: 25, many: 1 });
    // Both of its free sides have as many loops: the point is half way round.
    expect(places).toMatchObject({ on: 'flap', at: 'point' });
    if (places.on === 'flap') expect(places.after).toEqual([places.stitches / 2]);
    expect(closed(flap, { of: 'button', diameter: 25, many: 2 }).places).toMatchObject({ after: [] });
  });

  test('keeps eyelets on its rims, and without a flap all is there', () => {
    expect(closed(worked, { of: 'eyelets', perFace: 2 }).places.on).toBe('faces');
    expect(closed(undefined, { of: 'magnet' }).places.on).toBe('faces');
  });
});
