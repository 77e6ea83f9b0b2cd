import { expect, test } from 'vitest';
import { foundationChain, STITCHES, stitchName } from './index.ts';

test('the same word names different stitches in US and UK terms', () => {
  expect(stitchName('low', 'us')).toBe('single crochet');
  expect(stitchName('low', 'uk')).toBe('double crochet');
  expect(stitchName('tall', 'us')).toBe('double crochet');
  expect(stitchName('high', 'uk')).toBe('double treble crochet');
});

test('20 tall stitches, worked out by hand for the three schools', () => {
  // Counting: the 3 skipped chains are the first stitch, 19 more are worked: 19 + 3 = 22 chains.
  expect(foundationChain(20, 'tall', 'counts')).toEqual({ chains: 22, firstIn: 4 });
  // Not counting: 20 stitches are worked besides the 3 skipped chains.
  expect(foundationChain(20, 'tall', 'does-not-count')).toEqual({ chains: 23, firstIn: 4 });
  // A standing stitch skips nothing.
  expect(foundationChain(20, 'tall', 'standing')).toEqual({ chains: 20, firstIn: 1 });
});

test('whatever the turning chain stands for, the chains left after the skipped ones carry the worked stitches', () => {
  for (const stitch of STITCHES) {
    for (const turning of ['counts', 'does-not-count', 'standing'] as const) {
      const { chains, firstIn } = foundationChain(20, stitch, turning);
      const worked = chains - (firstIn - 1);
      const chainIsStitch = turning === 'counts' && stitch !== 'low';
      expect(worked + (chainIsStitch ? 1 : 0)).toBe(20);
    }
  }
});
