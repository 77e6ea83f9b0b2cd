import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagGraph, intervalLength, measure, move } from '../../bag/index.ts';
import { type Construction, familyOf } from '../../families/index.ts';
import { materialsOf, sizeTable } from '../../fit/index.ts';
import { area, distance } from '../../geometry/index.ts';
import { constructions, testDocument } from '../../testing/arbitraries.ts';
import { built } from '../../testing/built.ts';
import { unitOf } from '../laid-out.ts';
import { meshOf } from './mesh.ts';
import { fabricOf } from './mesh-fabric.ts';
import { ontoMesh } from './onto-mesh.ts';

// What has a mouth of less than a finger's way round is no bag; one narrower than six cells of a mesh is finer than it.
const graphs = constructions
  .map((construction) => {
    const document = testDocument(construction);
    return familyOf(construction).build(materialsOf(sizeTable(document), document));
  })
  .filter((graph) => measure(graph).opening > Math.max(40, unitOf(graph)));
const cells = fc.constantFrom(4, 6, 9);

/** No side of a seam is eased to less than a third: what is gathered more is laid where it cannot lie. */
const easedLittle = ({ seams }: BagGraph) =>
  seams.every(({ a, b }) => {
    const share = intervalLength(a) / intervalLength(b);
    return share < 3.01 && share > 1 / 3.01;
  });

const narrowTube: Construction = {
  family: 'wrap-round',
  body: {
    of: 'worked',
    swatch: 's1',
    stitches: 83,
    rows: 3,
    multiple: { multiple: 1, extra: 0 },
    rowsRun: 'upright',
  },
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
};

describe('the mesh of any bag', () => {
  test('covers every facet that is seen once, right side up', () => {
    fc.assert(
      fc.property(graphs, cells, (graph, many) => {
        const { corners, vertices } = meshOf(graph, unitOf(graph) / many);
        let covered = 0;
        for (let t = 0; t < corners.length; t += 3) {
          const own = area([0, 1, 2].map((k) => vertices[corners[t + k] ?? 0] ?? { x: 0, y: 0 }));
          expect(own).toBeGreaterThan(0);
          covered += own;
        }
        const seen = graph.facets.filter(({ tucked }) => !tucked);
        const wanted = seen.reduce((sum, { outline }) => sum + area(outline), 0);
        // What is narrower than a part of the spacing shrinks to nothing.
        expect(covered / wanted).toBeGreaterThan(0.8);
        expect(covered / wanted).toBeLessThan(1 + 1e-9);
      }),
      { numRuns: 40 },
    );
  });

  test('is one surface: no side has three triangles, and its openings are those of the bag', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const { triangles, rims } = meshOf(graph, unitOf(graph) / 6);
        const sides = new Map<string, number>();
        for (let t = 0; t < triangles.length; t += 3)
          for (let k = 0; k < 3; k++) {
            const [a = 0, b = 0] = [triangles[t + k], triangles[t + ((k + 1) % 3)]];
            const key = a < b ? `${a}/${b}` : `${b}/${a}`;
            sides.set(key, (sides.get(key) ?? 0) + 1);
          }
        expect(Math.max(...sides.values())).toBeLessThanOrEqual(2);
        expect(rims).toHaveLength(graph.rims);
      }),
      { numRuns: 50 },
    );
  });

  test('has a mouth, however narrow the bag beside its height', () => {
    // Folded upright from three rows, 40 by 540 mm: a cell of the mesh is 14 mm, and front and back are 20 mm wide.
    const document = testDocument(narrowTube);
    const graph = familyOf(narrowTube).build(materialsOf(sizeTable(document), document));
    expect(meshOf(graph, 14).rims).toHaveLength(1);
  });

  test('has every seam from its one end to its other', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const { seams, vertices } = meshOf(graph, unitOf(graph) / 6);
        for (const { id, a } of graph.seams) {
          const own = (seams.get(id) ?? []).flatMap((v) => vertices[v] ?? []);
          expect(own.length).toBeGreaterThan(1);
          const way = own.reduce((sum, p, i) => sum + distance(p, own[i - 1] ?? p), 0);
          expect(way).toBeCloseTo(Math.abs(a.to - a.from), 1);
        }
      }),
      { numRuns: 40 },
    );
  });

  /** What is eased lies between its places: so far off in bags that nobody would make, mm. */
  const OFF = 20;

  test('lies at first where the made-up bag does, as far apart as its layers are', () => {
    fc.assert(
      fc.property(graphs.filter(easedLittle), (graph) => {
        const mesh = meshOf(graph, unitOf(graph) / 5);
        const { start, patches } = fabricOf(mesh, 3);
        // A flap with its root is raised over the rim and lies 2.2 thicknesses out; what is eased differs a little more.
        const raised = new Set(
          mesh.facets.flatMap(({ face }, t) =>
            face === 'flap' ? [...mesh.triangles.subarray(3 * t, 3 * t + 3)] : [],
          ),
        );
        for (let k = 0; k < mesh.corners.length; k++) {
          const [facet, vertex] = [mesh.facets[Math.floor(k / 3)], mesh.vertices[mesh.corners[k] ?? 0]];
          if (!facet || !vertex) throw new Error('a corner without its place');
          const { x, y, z } = move(facet.motion, vertex);
          const [a = 0, b = 0, c = 0] = start.subarray(3 * vertex.node);
          if (raised.has(vertex.node)) {
            expect(b - y).toBeGreaterThan(0);
            expect(Math.hypot(a - x, c - z)).toBeLessThan(OFF);
          } else expect(Math.hypot(a - x, b - y, c - z)).toBeLessThan(OFF);
        }
        expect(patches).toHaveLength(mesh.facets.length);
        // Nothing holds with a flap or a handle.
        patches.forEach(({ holds }, t) => {
          const face = mesh.facets[t]?.face;
          expect(holds).toBe(face !== 'flap' && face !== 'handle');
        });
      }),
      { numRuns: 40 },
    );
  });
});

describe('the form carried from a coarse mesh onto a fine one', () => {
  /** Where the nodes of a mesh lie on the pressed bag, with no layers: all their places are those of facets. */
  const onto = (mesh: ReturnType<typeof meshOf>) => {
    const { count, triangles, corners, vertices, facets } = mesh;
    const places: Array<Array<{ x: number; y: number; z: number }>> = Array.from({ length: count }, () => []);
    facets.forEach(({ motion }, t) => {
      for (let k = 0; k < 3; k++) {
        const vertex = vertices[corners[3 * t + k] ?? 0] ?? { x: 0, y: 0 };
        places[triangles[3 * t + k] ?? 0]?.push(move(motion, vertex));
      }
    });
    return places;
  };

  test('lies where it did: any place on a facet, however the bag is moved as a whole', () => {
    fc.assert(
      fc.property(graphs, fc.double({ min: 0, max: 6, noNaN: true }), (graph, turn) => {
        const [coarse, fine] = [meshOf(graph, unitOf(graph) / 4), meshOf(graph, unitOf(graph) / 6)];
        const moved = ({ x, y, z }: { x: number; y: number; z: number }) => [
          x * Math.cos(turn) - z * Math.sin(turn) + 10,
          2 * y - 5,
          x * Math.sin(turn) + z * Math.cos(turn),
        ];
        const apart = (places: readonly number[][]) =>
          Math.max(
            ...places.map((place) => Math.hypot(...place.map((value, k) => value - (places[0]?.[k] ?? 0)))),
          );
        const known = onto(coarse).map(([place = { x: 0, y: 0, z: 0 }]) => moved(place));
        // Between nodes of what is eased, too, only as near as those lie together.
        const eased = Math.max(...onto(coarse).map((places) => apart(places.map(moved))));
        const into = new Float64Array(3 * fine.count).fill(Number.NaN);
        ontoMesh(coarse, fine)(Float64Array.from(known.flat()), into);
        const reached = new Set(coarse.facets.map(({ piece }) => piece));
        let carried = 0;
        onto(fine).forEach((places, node) => {
          // Nodes of what is eased or sewn across lie at several places; the pressed bag has no one of them.
          const wanted = places.map(moved);
          const own = [...into.subarray(3 * node, 3 * node + 3)];
          if (own.some(Number.isNaN)) return;
          carried++;
          const off = Math.min(
            ...wanted.map((place) => Math.hypot(...place.map((value, k) => value - (own[k] ?? 0)))),
          );
          expect(off).toBeLessThan(2 * (apart(wanted) + eased) + coarse.spacing);
        });
        // Only pieces so small that the coarse mesh has none of them carry nothing.
        if (fine.facets.every(({ piece }) => reached.has(piece))) expect(carried).toBe(fine.count);
      }),
      { numRuns: 30 },
    );
  });

  test('exactly, on a bag of two like faces', () => {
    const { graph } = built({
      family: 'two-faces',
      face: { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 3 },
      tuck: 0,
    });
    const [coarse, fine] = [meshOf(graph, unitOf(graph) / 4), meshOf(graph, unitOf(graph) / 6)];
    const flat = onto(coarse).flatMap(([p]) => [p?.x ?? 0, p?.y ?? 0, p?.z ?? 0]);
    const into = new Float64Array(3 * fine.count);
    ontoMesh(coarse, fine)(Float64Array.from(flat), into);
    onto(fine).forEach(([p], node) => {
      expect(into[3 * node]).toBeCloseTo(p?.x ?? 0, 6);
      expect(into[3 * node + 1]).toBeCloseTo(p?.y ?? 0, 6);
    });
  });
});
