import fc from 'fast-check';
import { expect, test } from 'vitest';
import { inNet } from '../bag/index.ts';
import { familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { unitOf } from './laid-out.ts';
import { meshOf } from './mesh/mesh.ts';
import { fabricOf } from './mesh/mesh-fabric.ts';
import { unfolding } from './unfold.ts';

const graphs = constructions.map((construction) => {
  const document = testDocument(construction);
  return familyOf(construction).build(materialsOf(sizeTable(document), document));
});

test('it begins as the flat net and ends as the pressed bag, and nothing is torn off on the way', () => {
  fc.assert(
    fc.property(graphs, (graph) => {
      const mesh = meshOf(graph, unitOf(graph) / 4);
      const { start } = fabricOf(mesh, 3);
      const way = unfolding(graph, mesh, start);
      const seen = new Set(mesh.corners);
      const [flat, halfway, made] = [way(0), way(0.5), way(1)];
      const between = (places: Float32Array, v: number, w: number) =>
        Math.hypot(...[0, 1, 2].map((k) => (places[3 * v + k] ?? 0) - (places[3 * w + k] ?? 0)));
      const all = [...seen].sort((a, b) => a - b);
      const [one = 0] = all;
      const net = (v: number) => {
        const vertex = mesh.vertices[v];
        return vertex ? inNet(vertex.piece, vertex) : { x: 0, y: 0 };
      };
      for (const v of all) {
        // Flat: as far from one another as in the net.
        const [p, q] = [net(one), net(v)];
        expect(between(flat, one, v)).toBeCloseTo(Math.hypot(p.x - q.x, p.y - q.y), 1);
        const node = mesh.vertices[v]?.node ?? 0;
        for (const k of [0, 1, 2]) expect(made[3 * v + k]).toBeCloseTo(start[3 * node + k] ?? 0, 2);
      }
      // Halfway every triangle is still as large as it is: facets only turn.
      for (let t = 0; t < mesh.corners.length; t += 3) {
        const [a = 0, b = 0] = mesh.corners.subarray(t, t + 3);
        const [p, q] = [net(a), net(b)];
        expect(between(halfway, a, b)).toBeCloseTo(Math.hypot(p.x - q.x, p.y - q.y), 1);
      }
    }),
    { numRuns: 40 },
  );
});
