import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { measure } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { area, contains } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, features, finishes, testDocument } from '../testing/arbitraries.ts';
import { plans } from '../testing/plans.ts';
import {
  finishOf,
  inOrder,
  layLining,
  liningPieces,
  liningSvg,
  operationsOf,
  readyVerdict,
  roundsToFill,
  withAllowance,
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
    expect(fill).toEqual({
      swatch: 's2',
      under: Math.round((0.98 * (bare + 120) - bare) / round),
      // To the hem itself, and not over it.
      hem: Math.floor(120 / round),
    });
    // Rounds that are there already do not change how many it takes in all.
    expect(finishOf(filled(4)).fill?.under).toBe(fill?.under);
    const height = measure(filled(fill?.under ?? 0).graph).height;
    expect(Math.abs(height - 0.98 * lining.height)).toBeLessThanOrEqual(round / 2 + 1e-6);
  });

  test('a bag as high as its lining wants none, one without a lining says nothing', () => {
    const document = testDocument(plain);
    const bare = measure(planOf(document).graph).height;
    const lining = { of: 'ready', width: 300, height: bare } as const;
    expect(finishOf(planOf({ ...document, finish: { lining } })).fill?.under).toBe(0);
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
      fc.property(plans, fc.integer({ min: 5, max: 20 }), ({ graph }, allowance) => {
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
      fc.property(plans, fc.integer({ min: 5, max: 20 }), ({ graph }, allowance) => {
        const pieces = liningPieces(graph);
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
