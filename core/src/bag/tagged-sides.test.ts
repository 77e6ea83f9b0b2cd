import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { edgeMeetings } from '../match/index.ts';
import { constructions } from '../testing/arbitraries.ts';
import { built, squares } from '../testing/built.ts';
import {
  chainLength,
  chainLoops,
  inNet,
  intervalLength,
  netBounds,
  pieceIndex,
  taggedSides,
  wholeEdge,
} from './index.ts';

describe('the two sides of a line that comes together only when the bag is made up', () => {
  test('share a letter that no other line has', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { graph } = built(construction);
        const kinds = new Map(graph.seams.map(({ line, kind }) => [line, kind]));
        const apart = graph.lines.filter(({ id }) => ![undefined, 'flat'].includes(kinds.get(id)));
        const tagged = taggedSides(graph);
        expect(tagged).toHaveLength(2 * apart.length);
        const letters = new Map(tagged.map(({ line, tag }) => [tag, line]));
        expect(letters.size).toBe(apart.length);
        for (const { line, tag } of tagged) expect(letters.get(tag)).toBe(line);
      }),
    );
  });

  test('know on which hand their piece lies: a little that way is inside it', () => {
    const { graph } = built({
      family: 'wrap-round',
      laid: 'panels',
      bottom: 'seam',
      sides: 'joins',
      body: squares(2, 2),
    });
    for (const { paths, hand } of taggedSides(graph)) {
      for (const path of paths) {
        const [p, q] = [path[0], path[1]];
        if (!p || !q) throw new Error('a path has two ends');
        const length = Math.hypot(q.x - p.x, q.y - p.y);
        const inside = {
          x: (p.x + q.x) / 2 - (hand * (q.y - p.y)) / length,
          y: (p.y + q.y) / 2 + (hand * (q.x - p.x)) / length,
        };
        const held = graph.pieces.some((piece) => {
          const xs = piece.outline.map((corner) => inNet(piece, corner).x);
          const ys = piece.outline.map((corner) => inNet(piece, corner).y);
          return (
            inside.x > Math.min(...xs) &&
            inside.x < Math.max(...xs) &&
            inside.y > Math.min(...ys) &&
            inside.y < Math.max(...ys)
          );
        });
        expect(held).toBe(true);
      }
    }
  });
});

test('what an edge meets, all edges together, is every seam from both its sides', () => {
  fc.assert(
    fc.property(constructions, (construction) => {
      const { graph } = built(construction);
      let way = 0;
      let count = 0;
      for (const piece of graph.pieces) {
        piece.edges.forEach((edge, i) => {
          const meetings = edgeMeetings(graph, piece.id, i);
          const taken = meetings.reduce((sum, { own }) => sum + intervalLength(own), 0);
          expect(taken).toBeLessThanOrEqual(edge.length + 1e-3);
          way += taken;
          count += meetings.length;
        });
      }
      const both = graph.seams.reduce((sum, { a, b }) => sum + intervalLength(a) + intervalLength(b), 0);
      expect(count).toBe(2 * graph.seams.length);
      expect(way).toBeCloseTo(both, 3);
    }),
    { numRuns: 60 },
  );
});

test('a chain of whole edges is as long as they are, and gives all their loops', () => {
  const { graph } = built({
    family: 'wrap-round',
    laid: 'panels',
    bottom: 'seam',
    sides: 'joins',
    body: squares(3, 1),
  });
  const [first] = graph.pieces;
  if (!first) throw new Error('no piece');
  const chain = first.edges.map((_, edge) => wholeEdge(first, edge));
  const round = first.edges.reduce((sum, { length }) => sum + length, 0);
  expect(chainLength(chain)).toBeCloseTo(round, 9);
  // Four sides of 14 loops: a cluster square of four rounds with chain-2 corners.
  expect(chainLoops(chain, graph.pieces)).toBeCloseTo(56, 9);
  // Half of one side: half of its loops.
  const [side] = chain;
  if (!side) throw new Error('no side');
  expect(chainLoops([{ ...side, to: side.to / 2 }], graph.pieces)).toBeCloseTo(7, 9);
});

test('the box round a net holds every corner and is no larger', () => {
  fc.assert(
    fc.property(constructions, (construction) => {
      const { graph } = built(construction);
      const find = pieceIndex(graph);
      const { x, y, width, height } = netBounds(graph);
      const corners = graph.pieces.flatMap(({ id }) => find(id).outline.map((p) => inNet(find(id), p)));
      const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)];
      expect([Math.min(...xs), Math.max(...xs)]).toEqual([x, expect.closeTo(x + width, 6)]);
      expect([Math.min(...ys), Math.max(...ys)]).toEqual([y, expect.closeTo(y + height, 6)]);
    }),
    { numRuns: 60 },
  );
});
