import { describe, expect, test } from 'vitest';
import { familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { mm } from '../units/index.ts';
import { type BagGraph, checkGraph, cornersOf, mismatches } from './index.ts';

const sound = (): BagGraph => {
  const construction = {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 2 },
  } as const;
  const document = testDocument(construction);
  return familyOf(construction).build(materialsOf(sizeTable(document), document));
};
const kinds = (graph: BagGraph) => [...new Set(checkGraph(graph).map(({ kind }) => kind))];

/** Each fault is put into a sound graph; the check must find it, and name it. */
describe('the check of the invariants finds', () => {
  test('nothing in a sound graph', () => {
    expect(checkGraph(sound())).toEqual([]);
  });

  test('an edge that is longer than its outline', () => {
    const graph = sound();
    const pieces = graph.pieces.map((piece, i) =>
      i === 0
        ? {
            ...piece,
            edges: piece.edges.map((edge, k) => (k === 2 ? { ...edge, length: mm(edge.length + 5) } : edge)),
          }
        : piece,
    );
    expect(kinds({ ...graph, pieces })).toContain('edge');
  });

  test('a part of an edge that two seams take', () => {
    const graph = sound();
    const [first] = graph.seams;
    if (!first) throw new Error('no seam');
    expect(kinds({ ...graph, seams: [...graph.seams, { ...first, id: 'twice' }] })).toContain('overlap');
  });

  test('a seam that runs past its edge', () => {
    const graph = sound();
    const seams = graph.seams.map((seam, i) =>
      i === 0 ? { ...seam, a: { ...seam.a, to: seam.a.to + 40 }, b: seam.b } : seam,
    );
    expect(kinds({ ...graph, seams })).toContain('edge');
  });

  test('a flat seam whose pieces lie apart in the net', () => {
    const graph = sound();
    const pieces = graph.pieces.map((piece, i) =>
      i === 0 ? { ...piece, at: { x: piece.at.x - 30, y: piece.at.y } } : piece,
    );
    expect(kinds({ ...graph, pieces })).toContain('apart');
  });

  test('a closing seam that stays open on the made-up bag', () => {
    const graph = sound();
    const facets = graph.facets.map((facet) =>
      facet.face === 'back'
        ? { ...facet, motion: { ...facet.motion, origin: { ...facet.motion.origin, z: -20 } } }
        : facet,
    );
    expect(kinds({ ...graph, facets })).toContain('gap');
  });

  test('area lost in the folding', () => {
    const graph = sound();
    expect(kinds({ ...graph, facets: graph.facets.slice(1) })).toContain('area');
  });

  test('a bag that is closed where it should be open, or open twice', () => {
    const graph = sound();
    expect(kinds({ ...graph, rims: 2 })).toContain('rim');
    const without = graph.seams.filter(({ line }) => line !== 'bottom');
    expect(kinds({ ...graph, seams: without })).toContain('rim');
  });
});

test('a seam whose sides differ is told, not refused', () => {
  const graph = sound();
  const seams = graph.seams.map((seam) =>
    seam.line === 'bottom'
      ? { ...seam, b: { ...seam.b, from: seam.b.from, to: seam.b.to + (seam.b.from - seam.b.to) * 0.1 } }
      : seam,
  );
  const told = mismatches({ ...graph, seams });
  expect(told.length).toBe(2);
  for (const { by } of told) expect(by).toBeGreaterThan(5);
});

test('corners of a tube of 4 by 2, counted by hand', () => {
  const graph = sound();
  const { ends } = cornersOf(graph);
  const corners = new Set([...ends.values()].flat());
  // The rim has 4, where the lines between columns end and where the side seam begins; the middle row line
  // crosses those 4 lines; the bottom has the two lower corners of the bag and the point where the lines
  // between the columns of front and back come together.
  expect(corners.size).toBe(4 + 4 + 3);
  const [rim = []] = cornersOf(graph).rims();
  expect(rim).toHaveLength(4);
  rim.forEach((part, i) => {
    expect(part.to).toBe(rim[(i + 1) % rim.length]?.from);
  });
});
