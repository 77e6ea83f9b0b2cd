import {
  type BagDocument,
  beginDocument,
  type Construction,
  FAMILIES,
  familyOf,
  fewestTrails,
  fillBag,
  fullSearch,
  joiningGraph,
  materialsOf,
  mm,
  pairLoops,
  planOf,
  search,
  shapeOf,
  sizeTable,
  straightTrails,
  usualFilling,
} from '@fennot/core';
import { report, time, timePair } from './time.ts';

const squares = (columns: number, rows: number) =>
  ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;

/** About 200 squares in every family that can have so many. */
const LARGE: ReadonlyArray<readonly [string, Construction]> = [
  ['wrap-round, 200 squares', wrapRound(20, 10)],
  [
    'faces and strip, 200 squares',
    {
      family: 'faces-and-strip',
      face: squares(10, 10),
      strip: {
        swatch: 's1',
        worked: 'across',
        depth: 12,
        length: { by: 'way' },
        multiple: { multiple: 1, extra: 0 },
      },
    },
  ],
  [
    'on point, 99 squares (the largest)',
    { family: 'on-point', motif: 'm1', rounds: 4, across: 6, rows: 8, bottom: 'straight' },
  ],
  [
    'pinwheel, 40 squares (the largest)',
    { family: 'pinwheel', motif: 'm1', rounds: 4, wings: [10, 10, 10, 10] },
  ],
  [
    'boxed, 205 squares',
    { family: 'boxed', front: squares(9, 7), side: squares(3, 7), bottom: squares(9, 3) },
  ],
  ['grown sides, 200 squares', { family: 'grown-sides', face: squares(10, 10), swatch: 's1', rounds: 4 }],
  [
    'gathered, 200 squares',
    { family: 'gathered', body: squares(10, 20), together: 2, band: { swatch: 's1', rows: 4 }, slit: 0 },
  ],
  [
    'pack, 200 squares and a flap',
    {
      family: 'pack',
      body: { family: 'two-faces', face: squares(10, 10), tuck: 0 },
      worn: { on: 'back', flap: squares(6, 4), eyelets: 16, strap: 700 },
    },
  ],
  [
    'cover, 200 squares',
    {
      family: 'cover',
      over: { width: 800, height: 800, depth: 0 },
      loops: true,
      body: { family: 'two-faces', face: squares(10, 10), tuck: 0 },
    },
  ],
  [
    'a net of one’s own, 200 squares',
    {
      family: 'own',
      motif: 'm1',
      rounds: 4,
      swatch: 's1',
      grid: 'straight',
      cells: Array.from({ length: 200 }, (_, i) => ({
        x: i % 10,
        y: Math.floor(i / 10),
        of: 'square' as const,
      })),
      folds: [{ lies: 'level', at: 20, angle: 180 }],
      pairs: Array.from({ length: 10 }, (_, y) => ({
        a: { x: 0, y, side: 3 },
        b: { x: 0, y: 19 - y, side: 3 },
      })),
    },
  ],
  ['two faces, 200 squares', { family: 'two-faces', face: squares(10, 10), tuck: 80 }],
  ['fold-over, 200 squares', { family: 'fold-over', body: squares(10, 20), flap: 4 }],
  [
    'slip-through, 200 squares',
    { family: 'slip-through', motif: 'm1', rounds: 4, columns: 12, rows: 8, short: 3, long: 5 },
  ],
];

function wrapRound(columns: number, rows: number): Construction {
  return { family: 'wrap-round', laid: 'tube', bottom: 'seam', sides: 'joins', body: squares(columns, rows) };
}

const withBag = (construction: Construction): BagDocument => ({
  ...beginDocument({ name: 'Bench' }),
  construction,
});

const graphOf = (document: BagDocument) =>
  familyOf(document.construction).build(materialsOf(sizeTable(document), document));

/** Figures of the computation alone. */
export function benchCore(): void {
  console.log(
    'All readouts after one edit (aim 8 ms, and 4 times the graph alone), side by side in one run:',
  );
  for (const [name, construction] of LARGE) {
    const document = withBag(construction);
    // As after an edit of the construction: nothing of it is known.
    const edited = (): BagDocument => ({ ...document, construction: { ...construction } });
    const [build, shown] = timePair(
      () => graphOf(document),
      () => planOf(edited()),
    );
    const [, all] = timePair(
      () => graphOf(document),
      () => {
        const plan = planOf(edited());
        return [plan.steps(), plan.schools(), plan.fewestRuns()];
      },
      30,
      10,
    );
    const times = (shown.median / build.median).toFixed(1);
    report(
      `  ${name}`,
      shown,
      `graph alone ${build.median.toFixed(2)}: ${times} times; with steps and schools ${all.median.toFixed(2)}`,
    );
  }

  const joining = joiningGraph(graphOf(withBag(wrapRound(40, 10))));
  const bound = fewestTrails(joining.all);
  const runs = straightTrails(joining.all).length;
  report(
    'runs at fewest ends, 400 squares',
    time(() => straightTrails(joining.all)),
    `aim 100 ms; ${runs} runs, Euler's bound ${bound}`,
  );
  report(
    'pairing 10 000 loops with 9 700',
    time(() => pairLoops(10_000, 9_700)),
    '',
  );
}

/** The target search to its first and its last answers, beside the same candidates without any choosing. */
export function benchSearch(): void {
  const document: BagDocument = {
    ...beginDocument({ name: 'Bench' }),
    brief: {
      width: { value: mm(360), tolerance: 12 },
      height: { value: mm(340), tolerance: 12 },
      depth: { value: mm(90), tolerance: 10 },
    },
  };
  for (const panels of [false, true]) {
    const options = fullSearch(document, panels);
    for (let warm = 0; warm < 2; warm++) for (const _ of search(document, options));
    const start = performance.now();
    let [first, seen, answers] = [0, 0, 0];
    for (const progress of search(document, options)) {
      if (first === 0) first = performance.now() - start;
      [seen, answers] = [progress.seen, progress.answers.length];
    }
    const all = performance.now() - start;
    let counted = 0;
    const plain = time(
      () => {
        counted = 0;
        for (const method of options.methods) {
          const joined = { ...document, joins: { ...document.joins, method } };
          const materials = materialsOf(sizeTable(joined), joined);
          for (const { id, explore } of FAMILIES) {
            if (!options.families.includes(id)) continue;
            explore(
              options.ranges,
              materials,
              () => {
                counted++;
                return false;
              },
              () => undefined,
            );
          }
        }
      },
      3,
      1,
    );
    console.log(
      `search of ${seen.toLocaleString('en')} candidates: first ${first.toFixed(0)} ms, final ${all.toFixed(0)} ms (${answers} answers)   aim 100 and 1000 ms a million; plain loop over ${counted.toLocaleString('en')} ${plain.median.toFixed(0)} ms`,
    );
  }
}

/** Filling three bags from the net to rest. */
export function benchFilling(): void {
  const bags: ReadonlyArray<readonly [string, Construction]> = [
    [
      '13 squares on point',
      { family: 'on-point', motif: 'm1', rounds: 4, across: 2, rows: 3, bottom: 'tapered' },
    ],
    ['pinwheel of 18', { family: 'pinwheel', motif: 'm1', rounds: 4, wings: [5, 4, 5, 4] }],
    [
      '3 x 3 faces with strip',
      {
        family: 'faces-and-strip',
        face: squares(3, 3),
        strip: {
          swatch: 's1',
          worked: 'across',
          depth: 12,
          length: { by: 'way' },
          multiple: { multiple: 1, extra: 0 },
        },
      },
    ],
  ];
  for (const [name, construction] of bags) {
    const graph = graphOf(withBag(construction));
    const filling = fillBag(graph, usualFilling(graph, []));
    const start = performance.now();
    while (!filling.settled) filling.step();
    const all = performance.now() - start;
    const { strain } = shapeOf(filling);
    console.log(
      `filling ${name}: ${filling.cloth.count} nodes, ${(all / filling.frame).toFixed(1)} ms a frame (${(1000 / (all / filling.frame)).toFixed(0)} a second), at rest after ${filling.frame} frames, ${(all / 1000).toFixed(1)} s   aim 30 a second, 3 s; strain ${(100 * strain).toFixed(1)} %`,
    );
  }
}
