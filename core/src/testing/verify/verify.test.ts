import fc from 'fast-check';
import { expect, test } from 'vitest';
import { planOf } from '../../plan/index.ts';
import { mm } from '../../units/index.ts';
import { testDocument } from '../arbitraries.ts';
import { CHECKS, generated, verify } from './index.ts';
import { lyingBeside } from './lying-beside.ts';

/** So many bags of all families. */
const MANY = 120;

test('every figure of bags of all families agrees with another way of working it out', () => {
  // The same hundred for the same code, as all examples. What fails is told with its seed and number, to be had again by
  // `generated`; `npm run verify` takes others with each run.
  const seed = Math.abs(fc.readConfigureGlobal().seed ?? 1) % 1e6;
  for (const { check, bags, differences } of verify(generated(MANY, seed))) {
    expect(bags, check.name).toBeGreaterThan(MANY / 2);
    expect(differences, check.name).toEqual([]);
  }
});

test('squares whose sides are sewn over a part only, beside a slit, lie beside one another', () => {
  const bag = (slit: number) =>
    planOf(
      testDocument({
        family: 'gathered',
        body: { of: 'motifs', motif: 'm1', rounds: 1, columns: 2, rows: 8 },
        together: 2,
        band: { swatch: 's1', rows: 10 },
        slit: mm(slit),
      }),
    );
  const side = bag(57).sizes.find(({ what }) => what.of === 'motif')?.value ?? 0;
  // Rows 0 and 7 are drawn in; of rows 1 and 6, which meet at the sides, three quarters are slit.
  const plan = bag(1.75 * side);
  const { neighbours } = plan.arranging();
  expect(neighbours.some(({ a, b }) => [a, b].sort().join() === 'body/1/0,body/6/0')).toBe(true);
  expect([...lyingBeside(plan.graph)]).toContain('body/1/0 body/6/0');
  expect([...lyingBeside(bag(2.5 * side).graph)]).not.toContain('body/1/0 body/6/0');
});

test('each check tells a bag whose figures are not its own', () => {
  const square = { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 3 } as const;
  const strip = {
    swatch: 's2',
    worked: 'across',
    depth: 12,
    length: { by: 'way' },
    multiple: { multiple: 1, extra: 0 },
  } as const;
  const plan = planOf(testDocument({ family: 'faces-and-strip', face: square, strip }));
  const task = plan.arranging();
  const wrong = new Map([
    [
      'Sizes under the tape',
      { ...plan, tapes: plan.tapes.map((tape) => ({ ...tape, finished: { ...tape.finished, value: 1 } })) },
    ],
    [
      'Panels by their counts',
      {
        ...plan,
        graph: {
          ...plan.graph,
          pieces: plan.graph.pieces.map((piece) =>
            piece.make.of === 'panel'
              ? { ...piece, make: { ...piece.make, rows: piece.make.rows + 1 } }
              : piece,
          ),
        },
      },
    ],
    [
      'Strips against their ways',
      { ...plan, marked: plan.marked.map((one) => ({ ...one, byCount: one.byCount + 1 })) },
    ],
    ['Runs', { ...plan, joins: { ...plan.joins, runs: plan.joins.runs.slice(1) } }],
    ['Yarn and ends', { ...plan, joins: { ...plan.joins, ends: plan.joins.ends + 1 } }],
    [
      'Neighbours and twins',
      { ...plan, arranging: () => ({ ...task, neighbours: task.neighbours.slice(1) }) },
    ],
    // The walk round the rim is remembered by the facets: it is that of the whole bag.
    ['First edge round', { ...plan, graph: { ...plan.graph, seams: plan.graph.seams.slice(1) } }],
  ]);
  const checked = new Map(CHECKS.map((check) => [check.name, check]));
  for (const [name, broken] of wrong) {
    expect(checked.get(name)?.of(plan), name).toEqual([]);
    expect(checked.get(name)?.of(broken)?.length, name).toBeGreaterThan(0);
  }
});
