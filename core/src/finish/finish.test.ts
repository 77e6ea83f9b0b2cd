import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { measure } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { area, contains } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, features, finishes, testDocument } from '../testing/arbitraries.ts';
import {
  evenPlaces,
  eyeletGaps,
  eyeletStitches,
  finishOf,
  holePlaces,
  holeSkip,
  inOrder,
  layLining,
  liningPieces,
  liningSvg,
  loopChains,
  operationsOf,
  readyVerdict,
  roundsToFill,
  withAllowance,
  zipFor,
} from './index.ts';

const squares = (columns: number, rows: number) =>
  ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;
const plain: Construction = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(6, 3),
};

describe('edge rounds', () => {
  test('so many rounds fill a bag up to its lining: 30 mm by 5.5 mm a round', () => {
    expect(roundsToFill(300, 330, 5.5)).toBe(5);
    expect(roundsToFill(340, 330, 5.5)).toBe(0);
  });
});

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

describe('filling up to a lining', () => {
  test('a bag 12 cm under a ready-made one wants the rounds that bring it to 98 per cent of it', () => {
    const document = testDocument(plain);
    const bare = measure(planOf(document).graph).height;
    const lining = { of: 'ready', width: 300, height: bare + 120 } as const;
    const filled = (rounds: number) => {
      const features = rounds > 0 ? { edge: { swatch: 's2', rounds, growth: 0 } } : {};
      return planOf({ ...document, features, finish: { lining } });
    };
    const fill = finishOf(filled(1)).fill;
    const round = measure(filled(1).graph).height - bare;
    // 0.98 (bare + 120) - bare, in whole rounds.
    expect(fill).toEqual({ swatch: 's2', rounds: Math.round((0.98 * (bare + 120) - bare) / round) });
    // Rounds that are there already do not change how many it takes in all.
    expect(finishOf(filled(4)).fill?.rounds).toBe(fill?.rounds);
    const height = measure(filled(fill?.rounds ?? 0).graph).height;
    expect(Math.abs(height - 0.98 * lining.height)).toBeLessThanOrEqual(round / 2 + 1e-6);
  });

  test('a bag as high as its lining wants none, one without a lining says nothing', () => {
    const document = testDocument(plain);
    const bare = measure(planOf(document).graph).height;
    const lining = { of: 'ready', width: 300, height: bare } as const;
    expect(finishOf(planOf({ ...document, finish: { lining } })).fill?.rounds).toBe(0);
    expect(finishOf(planOf(document)).fill).toBeUndefined();
  });
});

describe('lining', () => {
  test('of a flat bag: two pieces of its width and height', () => {
    const { graph } = planOf(testDocument(plain));
    const [piece, ...others] = liningPieces(graph);
    expect(others).toEqual([]);
    expect(piece?.cut).toBe(2);
    const { width, height } = measure(graph);
    expect(area(piece?.outline ?? [])).toBeCloseTo(width * height, 1);
  });

  test('of a boxed bag: two faces and a strip as long as down, across and up', () => {
    const { graph } = planOf(
      testDocument({ family: 'boxed', front: squares(3, 2), side: squares(1, 2), bottom: squares(3, 1) }),
    );
    const pieces = liningPieces(graph);
    expect(pieces.map(({ name }) => name)).toEqual(['Front and back', 'Side strip']);
    const { width, height, depth } = measure(graph);
    expect(area(pieces[1]?.outline ?? [])).toBeCloseTo(depth * (width + 2 * height), 1);
  });

  test('of any bag: sound outlines, and a cutting line all round them', () => {
    fc.assert(
      fc.property(constructions, fc.integer({ min: 5, max: 20 }), (construction, allowance) => {
        const { graph } = planOf(testDocument(construction));
        for (const { outline, cut } of liningPieces(graph)) {
          expect(cut).toBeGreaterThan(0);
          const own = area(outline);
          expect(own).toBeGreaterThan(0);
          const cutting = withAllowance(outline, allowance);
          // Every corner of the seam line lies inside the cutting line, at least the allowance from it.
          for (const p of outline) expect(contains(cutting, p, 0.01 - allowance)).toBe(true);
          expect(area(cutting)).toBeGreaterThan(own);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('is drawn at true size, with a square to check it by', () => {
    const pieces = liningPieces(planOf(testDocument(plain)).graph);
    const sheet = layLining(pieces, 10);
    const svg = liningSvg(pieces, 10, 'A <bag> & more');
    expect(svg).toContain(`width="${sheet.width.toFixed(1)}mm"`);
    expect(svg).toContain(`viewBox="0 0 ${sheet.width.toFixed(1)} `);
    expect(svg).toContain('h100v100h-100');
    expect(svg).not.toContain('<bag>');
  });

  test('lies on its sheet without overlapping, strips lying down, everything within it', () => {
    fc.assert(
      fc.property(constructions, fc.integer({ min: 5, max: 20 }), (construction, allowance) => {
        const pieces = liningPieces(planOf(testDocument(construction)).graph);
        const sheet = layLining(pieces, allowance);
        expect(sheet.pieces).toHaveLength(pieces.length);
        const boxes = sheet.pieces.map(({ cutting }) => {
          const [xs, ys] = [cutting.map(({ x }) => x), cutting.map(({ y }) => y)];
          return {
            left: Math.min(...xs),
            right: Math.max(...xs),
            top: Math.min(...ys),
            low: Math.max(...ys),
          };
        });
        const { check, checkSide } = sheet;
        boxes.push({ left: check.x, right: check.x + checkSide, top: check.y - checkSide, low: check.y });
        boxes.forEach((box, i) => {
          expect(box.left).toBeGreaterThan(0);
          expect(box.top).toBeGreaterThan(0);
          expect(box.right).toBeLessThan(sheet.width);
          expect(box.low).toBeLessThan(sheet.height);
          for (const other of boxes.slice(i + 1)) {
            const apart =
              box.right < other.left || other.right < box.left || box.low < other.top || other.low < box.top;
            expect(apart).toBe(true);
          }
        });
        // Turned or not, a piece is as large as it was, and not mirrored.
        for (const { piece, seam } of sheet.pieces)
          expect(area([...seam].reverse())).toBeCloseTo(area(piece.outline), 3);
      }),
      { numRuns: 60 },
    );
  });

  test('a ready-made bag wants the crochet a little under, never over', () => {
    const ready = { width: 360, height: 400 };
    expect(readyVerdict({ width: 352, height: 392 }, ready)).toBe('fits');
    expect(readyVerdict({ width: 365, height: 392 }, ready)).toBe('crochet too large');
    expect(readyVerdict({ width: 330, height: 392 }, ready)).toBe('crochet too small');
  });
});

describe('the order of work', () => {
  test('can always be kept: nothing before what it needs, and every need has its reason', () => {
    fc.assert(
      fc.property(constructions, features, finishes, (construction, own, finish) => {
        const plan = planOf({ ...testDocument(construction), features: own, finish });
        const operations = operationsOf(plan);
        const order = inOrder(operations).map(({ id }) => id);
        expect(order).toHaveLength(operations.length);
        for (const { id, after } of operations) {
          for (const need of after) {
            expect(need.because).not.toBe('');
            expect(order).toContain(need.id);
            expect(order.indexOf(need.id)).toBeLessThan(order.indexOf(id));
          }
        }
        expect(order.at(-1)).toBe('last');
      }),
      { numRuns: 60 },
    );
  });

  test('a lining goes in before the opening is drawn in, and after the edge otherwise', () => {
    const order = (growth: number) => {
      const document = {
        ...testDocument(plain),
        features: { edge: { swatch: 's2', rounds: 3, growth } },
        finish: { lining: { of: 'cloth' as const, allowance: 10 } },
      };
      return inOrder(operationsOf(planOf(document))).map(({ id }) => id);
    };
    const drawn = order(-30);
    expect(drawn.indexOf('lining')).toBeLessThan(drawn.indexOf('edge'));
    const straight = order(0);
    expect(straight.indexOf('edge')).toBeLessThan(straight.indexOf('lining'));
  });

  test('two that wait for each other are told', () => {
    const waits = (id: string, other: string) => ({ id, title: id, after: [{ id: other, because: 'so' }] });
    expect(() => inOrder([waits('a', 'b'), waits('b', 'a')])).toThrow('wait for each other');
  });
});
