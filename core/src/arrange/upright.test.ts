import { describe, expect, test } from 'vitest';
import type { Construction } from '../families/index.ts';
import { onHeadPieces, planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { askew } from './index.ts';

function hanging(construction: Construction, turns: Record<string, number> = {}) {
  const plain = testDocument(construction);
  const document = {
    ...plain,
    motifs: plain.motifs.map((motif) => ({ ...motif, oneWay: true })),
    arrangement: {
      cells: Object.fromEntries(Object.entries(turns).map(([piece, turn]) => [piece, { turn }])),
    },
  };
  const { graph, cells } = planOf(document);
  return askew(document, graph, cells, onHeadPieces(document, graph)).map(
    ({ piece, face, how, folded }) => `${piece} ${how} ${face}${folded ? ', folded' : ''}`,
  );
}

const folded = (rows: number, laid: 'folded' | 'tube' = 'folded'): Construction => ({
  family: 'wrap-round',
  laid,
  bottom: 'seam',
  sides: 'joins',
  body: squares(2, rows),
});

describe('one-way squares', () => {
  test('of a folded sheet hang upright on both faces: those behind are laid upside down', () => {
    expect(hanging(folded(4))).toEqual([]);
  });

  test('that are turned by hand hang askew, and on which face', () => {
    expect(hanging(folded(4), { 'body/0/0': 2, 'body/3/1': 1 })).toEqual([
      'body/0/0 on its head front',
      'body/3/1 on its side back',
    ]);
  });

  test('that are folded over the bottom are upright on one face only', () => {
    // Three rows: the middle one lies half in front and half behind.
    const found = hanging(folded(3));
    expect(found).toHaveLength(2);
    expect(found.every((text) => /^body\/1\/[01] on its head (front|back), folded$/.test(text))).toBe(true);
  });

  test('of a tube need no thought', () => {
    expect(hanging(folded(4, 'tube'))).toEqual([]);
  });
});
