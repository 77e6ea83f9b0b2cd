import { describe, expect, test } from 'vitest';
import { FILLED_CHECKS, filledBag, likelyBags } from './filled.ts';

/** What is true of all that was tried; the rest is counted by `npm run filled -- likely`. */
const ALWAYS = ['no larger than its fabric', 'way round', 'what is in it is inside'];

describe('bags that someone might carry, filled', () => {
  test.each([...likelyBags(4, 4)].map(({ name, plan }) => [name, plan] as const))('%s', (_, plan) => {
    const filled = filledBag(plan);
    const said = FILLED_CHECKS.filter(({ name }) => ALWAYS.includes(name)).flatMap((check) =>
      check.of(filled),
    );
    expect(said).toEqual([]);
    expect(filled.filling.places().every(Number.isFinite)).toBe(true);
  });
});

test('every check speaks of a bag that is not so', () => {
  const [first] = likelyBags(1, 4);
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
