import { expect, test } from 'vitest';
import { documentSchema } from '../document/index.ts';
import { must } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { triedIn, triedYarn, triedYarns } from './index.ts';

const plain = testDocument({
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(4, 2),
});
const yarn = must(
  plain.yarns.find(({ id }) => id === plain.swatches.find((swatch) => swatch.id === 's2')?.yarn),
  'yarn',
);
const bag = documentSchema.parse({
  ...plain,
  yarns: [
    ...plain.yarns,
    { ...yarn, id: 'red', colourName: 'Red', colour: '#a02020' },
    { ...yarn, id: 'thick', name: 'Another yarn', weight: 6 },
  ],
  features: { edge: { swatch: 's2', rounds: 3, growth: 0 } },
  finish: { straps: { kind: 'rows', swatch: 's2', many: 2, drop: 200, wide: 6 } },
});

test('an edge in another colour leaves all else as it was, sizes among it; a second time no swatch more is made', () => {
  const red = triedIn(bag, 'edge', 'red');
  expect(documentSchema.safeParse(red).success).toBe(true);
  expect(triedYarn(red, 'edge')).toBe('red');
  expect(triedYarn(red, 'straps')).toBe(yarn.id);
  expect(red.swatches).toHaveLength(bag.swatches.length + 1);
  const sizes = (document: typeof bag) => planOf(document).tapes.map(({ finished }) => finished.value);
  for (const [i, size] of sizes(red).entries()) expect(size).toBeCloseTo(sizes(bag)[i] ?? Number.NaN, 6);
  const both = triedIn(red, 'straps', 'red');
  expect(both.swatches).toHaveLength(red.swatches.length);
  expect(triedYarn(both, 'straps')).toBe('red');
  // And back: the swatch it had is there.
  expect(triedIn(red, 'edge', yarn.id).features?.edge?.swatch).toBe('s2');
});

test('what has a gauge is tried in colours of the same yarn only, joins in any', () => {
  expect(triedYarns(bag, 'joins')).toHaveLength(bag.yarns.length);
  expect(triedYarns(bag, 'edge').map(({ id }) => id)).toContain('red');
  expect(triedYarns(bag, 'edge').map(({ id }) => id)).not.toContain('thick');
});

test('what is not there is not tried', () => {
  expect(triedYarns(plain, 'edge')).toEqual([]);
  expect(triedIn(plain, 'straps', 'red')).toBe(plain);
});
