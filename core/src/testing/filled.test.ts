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

test('the hand at the mouth of a tall bag with a narrow bottom lifts it off no table', () => {
  // Its bottom is one centimetre deep: the filling presses that down by less than its mouth is held up.
  const plan = planOf(
    testDocument({
      family: 'faces-and-strip',
      face: {
        of: 'worked',
        swatch: 's2',
        stitches: 15,
        rows: 90,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      },
      strip: {
        swatch: 's2',
        worked: 'along',
        depth: 2,
        length: { by: 'way' },
        multiple: { multiple: 1, extra: 0 },
      },
    }),
  );
  const filled = filledBag(plan, { pose: 'stand' });
  const table = FILLED_CHECKS.find(({ name }) => name === 'rests on the table');
  expect(table?.of(filled)).toEqual([]);
  expect(filled.filling.atRest).toBe(true);
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
