import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { measure } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type Construction, FAMILIES, familyOf, type QuickSize, type Ranges } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { mm } from '../units/index.ts';
import {
  fullSearch,
  reaches,
  scoreOf,
  search,
  searchable,
  wantedOf,
  whatWouldGive,
  withFound,
} from './index.ts';
import { PER_EDGE_ROUND } from './score.ts';

const small: Ranges = {
  motifs: ['m1'],
  panels: ['s2'],
  strips: ['s1'],
  rounds: { from: 3, to: 5 },
  squares: 4,
  stitches: 60,
  stitchStep: 12,
  strip: 12,
};
const wanting = (width: number, height: number, depth?: number): BagDocument => ({
  ...testDocument(),
  brief: {
    width: { value: mm(width), tolerance: 12 },
    height: { value: mm(height), tolerance: 12 },
    ...(depth === undefined ? {} : { depth: { value: mm(depth), tolerance: 10 } }),
  },
});

/**
 * Every bag within the ranges, with the size its graph measures. A cover is told by the bag it fits: it comes out
 * two per cent smaller.
 */
function everyBag(document: BagDocument, ranges: Ranges) {
  const materials = materialsOf(sizeTable(document), document);
  return FAMILIES.flatMap(({ explore }) => {
    const bags: { construction: Construction; said: QuickSize; size: QuickSize }[] = [];
    let said: QuickSize = { width: 0, height: 0, depth: 0, squares: 0 };
    explore(
      ranges,
      materials,
      (size) => {
        said = { ...size };
        return true;
      },
      (construction) => {
        const graph = familyOf(construction).build(materials);
        const squares = graph.pieces.filter(({ make }) => make.of === 'motif').length;
        const drawn = construction.family === 'cover' ? 0.98 : 1;
        const { width, height, depth } = measure(graph);
        const size = { width: width / drawn, height: height / drawn, depth: depth / drawn, squares };
        bags.push({ construction, said, size });
      },
    );
    return bags;
  });
}

describe('target search', () => {
  test('the closed formulas of every family agree with its graph', () => {
    const document = wanting(300, 300);
    const bags = everyBag(document, { ...small, squares: 3, rounds: { from: 3, to: 4 }, strip: 6 });
    const families = new Set(bags.map(({ construction }) => construction.family));
    // Of nets of one's own there is no end.
    expect([...families].sort()).toEqual(
      FAMILIES.map(({ id }) => id)
        .filter((id) => id !== 'own')
        .sort(),
    );
    for (const { said, size } of bags) {
      for (const key of ['width', 'height', 'depth', 'squares'] as const)
        expect(said[key]).toBeCloseTo(size[key], 4);
    }
  });

  test('a cover is searched when asked for, and stays under the bag it is drawn over', () => {
    const document = wanting(300, 300);
    expect(fullSearch(document, false).families).not.toContain('cover');
    expect(searchable(document)).toContain('cover');
    const options = { ...fullSearch(document, false), families: ['cover' as const] };
    const [best] = [...search(document, options)].at(-1)?.answers ?? [];
    if (best?.construction.family !== 'cover') throw new Error('no cover');
    const { width, height } = measure(
      familyOf(best.construction).build(materialsOf(sizeTable(document), document)),
    );
    expect(width).toBeLessThan(best.construction.over.width);
    expect(height).toBeLessThan(best.construction.over.height);
  });

  test.each([
    [300, 280, undefined],
    [250, 300, 90],
    [120, 200, 120],
  ])('for %i by %i by %s its first answer is the best there is, by trying all', (width, height, depth) => {
    const document = wanting(width, height, depth);
    const wanted = wantedOf(document);
    const edge = { swatch: 's2', rounds: 5 };
    const { rowHeight } = materialsOf(sizeTable(document), document);
    const best = Math.min(
      ...everyBag(document, small).flatMap(({ size }) =>
        [0, 1, 2, 3, 4, 5].map(
          (rounds) =>
            scoreOf({ ...size, height: size.height + rounds * rowHeight('s2') }, wanted) +
            rounds * PER_EDGE_ROUND,
        ),
      ),
    );
    const options = {
      ...fullSearch(document, true),
      families: searchable(document),
      methods: [document.joins.method],
      ranges: small,
      edge,
    };
    const last = [...search(document, options)].at(-1);
    expect(last?.done).toBe(true);
    expect(last?.answers[0]?.score).toBeCloseTo(best, 6);
  });

  test('answers differ: no two alike, and several ways of building among them', () => {
    const document = wanting(300, 290);
    const answers = [...search(document, fullSearch(document, false))].at(-1)?.answers ?? [];
    expect(answers.length).toBeGreaterThanOrEqual(4);
    expect(new Set(answers.map(({ construction }) => construction.family)).size).toBeGreaterThanOrEqual(3);
    expect(new Set(answers.map(({ construction }) => JSON.stringify(construction))).size).toBe(
      answers.length,
    );
    for (const { size, reached } of answers) expect(reached).toBe(reaches(size, wantedOf(document)));
  });

  test('answers come from the start and only get better', () => {
    const document = wanting(330, 310, 80);
    const scores = [...search(document, fullSearch(document, false))].map(
      ({ answers }) => answers[0]?.score ?? Number.POSITIVE_INFINITY,
    );
    expect(Number.isFinite(scores[0])).toBe(true);
    scores.forEach((score, i) => {
      expect(score).toBeLessThanOrEqual((scores[i - 1] ?? score) + 1e-9);
    });
  });

  test('what cannot be reached still has nearest answers, and they are said to be so', () => {
    const document = wanting(1900, 30, 400);
    const answers = [...search(document, fullSearch(document, false))].at(-1)?.answers ?? [];
    expect(answers.length).toBeGreaterThan(0);
    expect(answers.every(({ reached }) => !reached)).toBe(true);
  });

  test('an answer put on the table measures what it said, edge rounds included', () => {
    const document = wanting(310, 345);
    const options = fullSearch(document, false);
    const answers = [...search(document, options)].at(-1)?.answers ?? [];
    expect(answers.some(({ edgeRounds }) => edgeRounds > 0)).toBe(true);
    for (const found of answers) {
      const [width, height] = planOf(withFound(document, found, options.edge.swatch)).tapes;
      expect(width?.finished.value).toBeCloseTo(found.size.width, 3);
      expect(height?.finished.value).toBeCloseTo(found.size.height, 3);
    }
  });
});

describe('what would have to give', () => {
  const wanted = [
    { measure: 'width', value: 300, tolerance: 10 },
    { measure: 'height', value: 300, tolerance: 10 },
  ] as const;
  const size = (width: number, height: number) => ({ width, height, depth: 0, squares: 9 });

  test('nothing where all is within its tolerance', () => {
    expect(whatWouldGive(size(305, 291), wanted)).toEqual([]);
  });

  test('a gauge that makes both large enough: 290 / 280 is 3.6 per cent', () => {
    const [give] = whatWouldGive(size(280, 285), wanted);
    expect(give).toMatchObject({ gives: 'gauge' });
    expect(give?.gives === 'gauge' && give.percent).toBeCloseTo(100 * (290 / 280 - 1), 9);
  });

  test('no gauge helps a bag too wide and too low at once: then the target, by how much', () => {
    expect(whatWouldGive(size(330, 270), wanted)).toEqual([
      { gives: 'target', measure: 'width', by: 30 },
      { gives: 'target', measure: 'height', by: -30 },
    ]);
  });

  test('the named change does bring every measure within its tolerance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 400, noNaN: true }),
        fc.double({ min: 200, max: 400, noNaN: true }),
        (w, h) => {
          const [give] = whatWouldGive(size(w, h), wanted);
          if (give?.gives !== 'gauge') return;
          const factor = 1 + give.percent / 100;
          for (const own of [w * factor, h * factor])
            expect(Math.abs(own - 300)).toBeLessThanOrEqual(10 + 1e-6);
        },
      ),
    );
  });
});
