import { beginDocument, type Construction, edgeMeetings, planOf, sayEdge } from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { type Walker, walked } from './walk.ts';

/** Two columns by four rows, folded in the middle: A and B in front, C and D behind. */
const construction: Construction = {
  family: 'wrap-round',
  laid: 'folded',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 2, rows: 4 },
};
const { graph } = planOf({ ...beginDocument({ name: 'Test' }), construction });
const idOf = (name: string) => graph.pieces.find((piece) => piece.name === name)?.id ?? '';
const nameOf = (id: string | undefined) => graph.pieces.find((piece) => piece.id === id)?.name;
const press = (at: Walker, key: string, shiftKey = false) => walked(graph, at, { key, shiftKey });

describe('walking over the net', () => {
  test('arrows go to the next piece that way, and stay at the border', () => {
    const start = { piece: idOf('A1'), edge: undefined };
    expect(nameOf(press(start, 'ArrowRight')?.piece)).toBe('A2');
    expect(nameOf(press(start, 'ArrowDown')?.piece)).toBe('B1');
    expect(nameOf(press(start, 'ArrowLeft')?.piece)).toBe('A1');
    expect(nameOf(press(start, 'ArrowUp')?.piece)).toBe('A1');
  });

  test('with nothing pointed at the first arrow begins with the first piece', () => {
    expect(press({ piece: undefined, edge: undefined }, 'ArrowDown')?.piece).toBe(graph.pieces[0]?.id);
  });

  test('Shift goes round the four edges of a square, and back', () => {
    let at: Walker = { piece: idOf('B2'), edge: undefined };
    const edges = ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight'].map((key) => {
      at = press(at, key, true) ?? at;
      return at.edge;
    });
    expect(edges).toEqual([0, 1, 2, 3, 0]);
    expect(press(at, 'ArrowLeft', true)?.edge).toBe(3);
    // A plain arrow leaves the edge.
    expect(press(at, 'ArrowUp')?.edge).toBeUndefined();
  });

  test('m goes to the edge that meets this one, and m again comes back', () => {
    for (const piece of graph.pieces) {
      piece.edges.forEach((_, edge) => {
        const [meeting] = edgeMeetings(graph, piece.id, edge);
        const there = press({ piece: piece.id, edge }, 'm');
        if (!meeting) expect(there).toBeUndefined();
        else if (there) expect(press(there, 'm')).toEqual({ piece: piece.id, edge });
      });
    }
  });

  test('other keys are left alone', () => {
    expect(press({ piece: idOf('A1'), edge: undefined }, 'x')).toBeUndefined();
    expect(press({ piece: idOf('A1'), edge: undefined }, 'm')).toBeUndefined();
  });
});

describe('an edge in words', () => {
  test('a flat join names its partner and the loops of both', () => {
    expect(sayEdge(graph, idOf('A1'), 1)).toBe('A1, right edge: meets A2, left edge, 14 loops with 14.');
  });

  test('a side that closes after folding meets the far end of the sheet', () => {
    expect(sayEdge(graph, idOf('A1'), 3)).toBe('A1, left edge: meets D1, left edge, 14 loops with 14.');
  });

  test('an edge that nothing meets is part of the opening', () => {
    expect(sayEdge(graph, idOf('A1'), 2)).toBe('A1, upper edge: part of the opening.');
  });
});
