import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { gaugeOf } from '../gauge/index.ts';
import { area, distance } from '../geometry/index.ts';
import { fitSize, motifShape, motifStrokes, sideLoops, sideStitches } from './index.ts';

const cluster = { kind: 'cluster', cornerChains: 2, gapChains: 0 } as const;
const solid = { kind: 'solid', cornerChains: 2, gapChains: 0 } as const;

/** mm */
const HOOK = 5;

describe('counts', () => {
  test('a cluster square has a group of three more on each side with each round', () => {
    expect([1, 2, 3, 4].map((r) => sideStitches(cluster, r))).toEqual([3, 6, 9, 12]);
    // With a chain between the groups there is one gap fewer than groups: 12 + 3.
    expect(sideStitches({ ...cluster, gapChains: 1 }, 4)).toBe(15);
  });

  test('a solid square grows by the 2 + 2 of its corners', () => {
    expect([1, 2, 3, 4].map((r) => sideStitches(solid, r))).toEqual([3, 7, 11, 15]);
  });

  test('a corner gives each side one loop of two or three chains and none of a single chain', () => {
    expect([1, 2, 3].map((c) => sideLoops({ ...cluster, cornerChains: c }, 4))).toEqual([12, 14, 14]);
  });
});

describe('size by rounds', () => {
  const gauge = gaugeOf({
    stitch: 'tall',
    yarnWeight: 4,
    strands: 1,
    hook: HOOK,
    stitches: { count: 20, length: 140 },
    rows: { count: 10, length: 120 },
  });

  test('without a measured motif it is the ring and two row heights a round', () => {
    const { a, b } = fitSize(gauge, [], HOOK);
    expect(a).toBeCloseTo(gauge.pitch.value);
    expect(b).toBeCloseTo(2 * gauge.row.value);
  });

  test('many motifs measured at two round counts fix the line through them', () => {
    // All of them say S(3) = 80 and S(6) = 149: b = 23, a = 11.
    const measured = Array.from({ length: 40 }, (_, i) =>
      i % 2 === 0 ? { rounds: 3, size: 80 } : { rounds: 6, size: 149 },
    );
    const model = fitSize(gauge, measured, HOOK);
    expect(model.b).toBeCloseTo(23, 0);
    expect(model.at(6).value).toBeCloseTo(149, 0);
    expect(model.at(6).sd).toBeLessThan(1);
  });

  test('each further measurement narrows the common error', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 20 }), (rounds, n) => {
        const size = gauge.pitch.value + 2 * gauge.row.value * rounds;
        const some = Array.from({ length: n }, () => ({ rounds, size }));
        const before = fitSize(gauge, some, HOOK).at(rounds);
        const after = fitSize(gauge, [...some, { rounds, size }], HOOK).at(rounds);
        expect(after.sd).toBeLessThan(before.sd);
      }),
    );
  });

  test('motifs that scatter raise the piece-to-piece error', () => {
    const even = [100, 100, 100, 100, 100, 100].map((size) => ({ rounds: 4, size }));
    const uneven = [92, 108, 95, 105, 90, 110].map((size) => ({ rounds: 4, size }));
    expect(fitSize(gauge, uneven, HOOK).single).toBeGreaterThan(2 * fitSize(gauge, even, HOOK).single);
  });
});

describe('a half disc', () => {
  const half = { ...cluster, kind: 'half-disc' } as const;

  test('has half the stitches of a disc and one, until its maker says otherwise', () => {
    expect([1, 2, 3].map((row) => sideStitches(half, row))).toEqual([7, 13, 19]);
  });

  test('of five stitches and four more each row: 5, 9, 13', () => {
    expect([1, 2, 3].map((row) => sideStitches({ ...half, first: 5, more: 4 }, row))).toEqual([5, 9, 13]);
  });
});

describe('what was measured otherwise', () => {
  const gauge = gaugeOf({ stitch: 'tall', yarnWeight: 4, strands: 1, hook: HOOK });
  const five = (fields: object) => Array.from({ length: 12 }, () => ({ rounds: 5, size: 100, ...fields }));

  test('blocked sizes count once there are any, and tell what the others will come to', () => {
    // All of them blocked from 100 to 104.
    expect(fitSize(gauge, five({ blocked: 104 }), HOOK).at(5).value).toBeCloseTo(104, 0);
    // Half of them only: those grew by 4 in 100, so the others will.
    const half = [...five({ blocked: 104 }), ...five({})];
    expect(fitSize(gauge, half, HOOK).at(5).value).toBeCloseTo(104, 0);
    expect(fitSize(gauge, half, HOOK).at(5).origin).toBe('measured');
  });

  test('a square worked with a thinner hook says that one with a thicker comes out larger, by guess', () => {
    const same = fitSize(gauge, five({}), HOOK).at(5);
    const other = fitSize(gauge, five({ hook: HOOK * 0.8 }), HOOK).at(5);
    // 0.85 of the change: 1.25 ^ 0.85 = 1.209, less a little for what the yarn's own table says.
    expect(other.value / same.value).toBeGreaterThan(1.12);
    expect(other.value / same.value).toBeLessThan(1.22);
    expect(other.origin).toBe('estimated');
    expect(other.sd).toBeGreaterThan(2 * same.sd);
  });
});

describe('strokes', () => {
  const posts = (rounds: number, kind: 'cluster' | 'solid', round: number) =>
    motifStrokes({ ...cluster, kind }, rounds).filter((s) => s.part === 'post' && s.round === round);

  test('every round is drawn with as many posts as it has stitches', () => {
    for (const round of [1, 2, 3, 4]) {
      expect(posts(4, 'cluster', round)).toHaveLength(4 * sideStitches(cluster, round));
      expect(posts(4, 'solid', round)).toHaveLength(4 * sideStitches(solid, round));
    }
  });

  test('all stays within the square', () => {
    for (const kind of ['cluster', 'solid'] as const) {
      for (const { x1, y1, x2, y2 } of motifStrokes({ ...cluster, kind }, 6)) {
        expect(Math.max(Math.abs(x1), Math.abs(y1), Math.abs(x2), Math.abs(y2))).toBeLessThanOrEqual(0.501);
      }
    }
  });
});

describe('shapes', () => {
  const shapes = ['disc', 'half-disc', 'hexagon', 'triangle', 'rectangle'] as const;

  test('every outline is as long as its edges say, runs counter-clockwise, and stands on 0, 0', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shapes, 'solid' as const),
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: 10, max: 500, noNaN: true }),
        (kind, rounds, size) => {
          const { outline, edges } = motifShape({ ...solid, kind }, rounds, size, 1.5);
          expect(area(outline)).toBeGreaterThan(0);
          const round = outline.reduce((sum, p, i) => sum + distance(p, outline.at(i - 1) ?? p), 0);
          expect(edges.reduce((sum, edge) => sum + edge.length, 0)).toBeCloseTo(round, 6);
          expect(edges.reduce((sum, { sides = 1 }) => sum + sides, 0)).toBe(outline.length);
          expect(Math.min(...outline.map(({ x }) => x))).toBeGreaterThan(-size * 0.005);
          expect(Math.min(...outline.map(({ y }) => y))).toBeGreaterThan(-size * 0.005);
        },
      ),
    );
  });

  test('a hexagon 120 from flat to flat has sides of 120 / root 3, and one more stitch at either end each round', () => {
    const { edges } = motifShape({ ...solid, kind: 'hexagon', cornerChains: 1 }, 5, 120, 1);
    expect(edges).toHaveLength(6);
    for (const { length, loops } of edges) {
      expect(length).toBeCloseTo(120 / Math.sqrt(3), 9);
      expect(loops).toBe(10);
    }
  });

  test('half a square has legs of its side and the diagonal for its open edge', () => {
    const { edges } = motifShape({ ...solid, kind: 'triangle' }, 4, 100, 16);
    expect(edges.map(({ length }) => length)).toEqual([100, 100, 100 * Math.SQRT2]);
    // Four rounds end at either side of the middle, two insertions each.
    expect(edges[2]?.loops).toBe(16);
  });

  test('a disc is as long round as a circle of its size', () => {
    expect(motifShape({ ...solid, kind: 'disc' }, 6, 200, 1).edges[0]?.length).toBeCloseTo(Math.PI * 200, 9);
  });
});
