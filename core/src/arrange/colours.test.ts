import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { must } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { cellsOf, coloursExchanged, contrastOf, difference, likeness, mixed, seen, taskOf } from './index.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((colour) => `#${colour.toString(16).padStart(6, '0')}`);

describe('colours as they are seen', () => {
  test('black and white are as different as can be, and a colour is not different from itself', () => {
    expect(difference(seen('#000000'), seen('#ffffff'))).toBeCloseTo(1, 4);
    fc.assert(
      fc.property(hex, hex, (p, q) => {
        expect(difference(seen(p), seen(p))).toBe(0);
        expect(difference(seen(p), seen(q))).toBeCloseTo(difference(seen(q), seen(p)), 12);
        expect(seen(p).l).toBeGreaterThanOrEqual(0);
        expect(seen(p).l).toBeLessThanOrEqual(1.0001);
      }),
    );
  });

  test('a mixture lies between what is mixed, nearer to what there is more of', () => {
    const grey = mixed([
      { colour: seen('#000000'), much: 1 },
      { colour: seen('#ffffff'), much: 3 },
    ]);
    expect(grey.l).toBeCloseTo(0.75, 4);
  });

  test('what is no colour is grey, and breaks nothing', () => {
    expect(seen('kingfisher?').l).toBe(0.5);
  });
});

/** Two squares of two designs and a join between them. */
function pair(colours: readonly [string, string], inner = colours) {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'folded',
    bottom: 'seam',
    sides: 'joins',
    body: squares(1, 2),
  });
  const yarn = must(document.yarns[0], 'yarn');
  const yarns = [...colours, ...inner].map((colour, i) => ({ ...yarn, id: `k${i}`, colour }));
  const colourways = [0, 1].map((i) => ({ id: `d${i}`, name: `D${i}`, rounds: [`k${i + 2}`, `k${i}`] }));
  return {
    ...document,
    yarns: [...document.yarns, ...yarns],
    motifs: document.motifs.map((motif) => ({ ...motif, colourways })),
  };
}
const taskIn = (document: ReturnType<typeof pair>) => {
  const { graph } = planOf(document);
  return taskOf(document, graph, cellsOf(document, graph));
};

describe('contrast', () => {
  test('between a black and a white square is whole, between two white ones none', () => {
    const task = taskIn(pair(['#000000', '#ffffff']));
    const other = contrastOf(task, [0, 1]);
    expect(other.lightness).toBeCloseTo(1, 3);
    expect(other.least?.pair).toMatchObject({ a: 'body/0/0', b: 'body/1/0' });
    expect(contrastOf(task, [1, 1])).toMatchObject({ lightness: 0, all: 0 });
  });

  test('a bag of one square has no neighbours to tell apart', () => {
    const document = pair(['#000000', '#ffffff']);
    const { graph } = planOf(document);
    const task = { ...taskOf(document, graph, cellsOf(document, graph)), neighbours: [] };
    expect(contrastOf(task, [0, 1])).toEqual({ lightness: 0, all: 0, least: undefined });
  });
});

test('designs are the more alike the nearer their colours, and most when they end in the same yarn', () => {
  const alike = (document: ReturnType<typeof pair>) => likeness(taskIn(document))[0]?.[1] ?? Number.NaN;
  const far = alike(pair(['#000000', '#ffffff']));
  const near = alike(pair(['#303030', '#383838']));
  expect(far).toBe(0);
  expect(near).toBeGreaterThan(far);
  const document = pair(['#303030', '#383838']);
  const motifs = document.motifs.map((motif) => ({
    ...motif,
    colourways: motif.colourways.map((way) => ({ ...way, rounds: [way.rounds[0] ?? '', 'k0'] })),
  }));
  expect(alike({ ...document, motifs })).toBeGreaterThan(near);
});

test('two colours exchanged twice are as they were; once, each stands where the other stood', () => {
  const plain = pair(['#000000', '#ffffff']);
  const document = {
    ...plain,
    stripes: {
      all: {
        bands: [
          { yarn: 'k0', rows: 2 },
          { yarn: 'k1', rows: 1 },
        ],
        carried: true,
      },
      own: { strip: 'plain' as const, front: { bands: [{ yarn: 'k1', rows: 3 }], carried: false } },
    },
    joins: {
      ...plain.joins,
      yarn: 'k0',
      lines: { left: { yarn: 'k1' }, right: { method: 'mattress' as const } },
    },
  };
  const once = coloursExchanged(document, 'k0', 'k1');
  expect(once.motifs[0]?.colourways.map(({ rounds }) => rounds)).toEqual([
    ['k2', 'k1'],
    ['k3', 'k0'],
  ]);
  expect(once.joins).toMatchObject({
    yarn: 'k1',
    lines: { left: { yarn: 'k0' }, right: { method: 'mattress' } },
  });
  expect(once.stripes).toMatchObject({
    all: { bands: [{ yarn: 'k1' }, { yarn: 'k0' }] },
    own: { strip: 'plain', front: { bands: [{ yarn: 'k0' }] } },
  });
  expect(coloursExchanged(once, 'k0', 'k1')).toEqual(document);
});
