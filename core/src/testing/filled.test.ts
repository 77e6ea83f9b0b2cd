import { describe, expect, test } from 'vitest';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from './arbitraries.ts';
import { FILLED_CHECKS, filledBag, likelyBags, placesApart } from './filled.ts';

/** What is true of all that was tried; the rest is counted by `npm run filled -- likely`. */
const ALWAYS = ['no larger than its fabric', 'way round', 'is not crumpled', 'what is in it is inside'];

describe('bags that someone might carry, filled', () => {
  test.each([...likelyBags(4, 5)].map(({ name, plan }) => [name, plan] as const))('%s', (_, plan) => {
    const filled = filledBag(plan);
    const said = FILLED_CHECKS.filter(({ name }) => ALWAYS.includes(name)).flatMap((check) =>
      check.of(filled),
    );
    expect(said).toEqual([]);
    expect(filled.filling.places().every(Number.isFinite)).toBe(true);
  });
});

test('every check speaks of a bag that is not so', () => {
  const [first] = likelyBags(1, 5);
  if (!first) throw new Error('no bag');
  const filled = filledBag(first.plan);
  const { cloth } = filled.filling;
  // Blown up to five times its size, and turned in on itself: its x and z changed for every other node.
  for (let v = 0; v < cloth.count; v++)
    for (let k = 0; k < 3; k++) {
      const i = 3 * v + k;
      cloth.position[i] =
        5 * (cloth.position[i] ?? 0) * (v % 2 === 0 && k !== 1 ? -1 : 1) + (k === 1 ? 1 : 0);
    }
  const silent = FILLED_CHECKS.filter((check) => check.of(filled).length === 0).map(({ name }) => name);
  // It rested before it was blown up, and there may be nothing in it.
  expect(silent.filter((name) => !['rests', 'what is in it is inside'].includes(name))).toEqual([]);
});

describe('a mesh of a third more cells', () => {
  const bags: [string, Construction][] = [
    ['on point', { family: 'on-point', motif: 'm1', rounds: 4, across: 1, rows: 2, bottom: 'straight' }],
    [
      'two faces',
      { family: 'two-faces', face: { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 3 }, tuck: 0 },
    ],
  ];

  test.each(bags)('comes to the same places, but for three millimetres: %s', (_, construction) => {
    const plan = planOf(testDocument(construction));
    const { filling } = filledBag(plan);
    expect(placesApart(filling, filledBag(plan, { cells: 8 }).filling)).toBeLessThan(3);
    // And would tell of another form: a softer bag.
    expect(placesApart(filling, filledBag(plan, { cells: 8, soft: 0.1 }).filling)).toBeGreaterThan(3);
  });
});
