import { expect, test } from 'vitest';
import { cellsOf } from '../arrange/index.ts';
import { documentSchema } from '../document/index.ts';
import { must } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { roundYarn } from '../yarn/index.ts';
import { laidOfScraps } from './index.ts';

const document = testDocument({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(2, 2),
});
const motif = must(document.motifs[0], 'motif');
const made = {
  squares: 4,
  used: new Map(),
  designs: [
    { rounds: ['y1', 'y2'], many: 3 },
    { rounds: ['y2', 'y1'], many: 1 },
  ],
};

test('scraps become the designs of their motif, with as many of each; other motifs keep theirs', () => {
  const other = { motif: 'disc', design: must(motif.colourways[0], 'way').id, many: 7 };
  const before = {
    ...document,
    arrangement: {
      cells: { 'body/0/0': { design: 'way-1', locked: true as const } },
      stock: [other, { motif: motif.id, design: 'gone', many: 9 }],
    },
  };
  const after = laidOfScraps(before, motif, made);
  expect(documentSchema.safeParse(after).success).toBe(true);
  const ways = must(after.motifs[0], 'motif').colourways;
  expect(ways.map(({ rounds }) => rounds)).toEqual([
    ['y1', 'y2'],
    ['y2', 'y1'],
  ]);
  // `way-1` lies somewhere: its name is not given again, or what lies there would change.
  expect(ways.map(({ id }) => id)).not.toContain('way-1');
  expect(after.arrangement?.stock).toEqual([
    other,
    { motif: motif.id, design: ways[0]?.id, many: 3 },
    { motif: motif.id, design: ways[1]?.id, many: 1 },
  ]);
  const plan = planOf(after);
  expect(cellsOf(after, plan.graph)).toHaveLength(4);
  expect(plan.arranging().supply[0]?.over).toBe(0);
});

test('no squares make no designs: the bag stays as it is', () => {
  expect(laidOfScraps(document, motif, { ...made, designs: [] })).toBe(document);
});

test('each round takes what its stitches take, and two tails', () => {
  const cluster = { ...motif, kind: 'cluster' as const, cornerChains: 2, gapChains: 0 };
  const [first = 0, second = 0, third = 0] = roundYarn(document, cluster, 3);
  // Twelve stitches in round one, and twelve more in each: the tails, twice 15 cm, are the same in all.
  expect(second - first).toBeCloseTo(third - second, 6);
  expect(first - (second - first)).toBeCloseTo(300, 6);
});
