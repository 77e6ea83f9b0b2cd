import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import type { Construction } from '../families/index.ts';
import { LIMITS } from '../fields/index.ts';
import { finishOf } from '../finish/index.ts';
import { sizeTable } from '../fit/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, squares, panel as worked } from '../testing/built.ts';
import { notFinite } from '../testing/not-finite.ts';
import { mm } from '../units/index.ts';
import { controlsOf, featureControlsOf, netEditorOf, planned } from './index.ts';

const problemOf = (document: BagDocument) => {
  const answer = planned(document);
  return answer.ok ? undefined : answer.problem;
};

const wrapped = (columns: number, rows: number) =>
  testDocument({
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: squares(columns, rows),
  });

const written = { of: 'rows', panel: 'steps' } as const;
/** A bag of such rows: by turns a face of two, a sheet that goes round, is folded over, or is gathered. */
const WRITTEN: readonly Construction[] = [
  { family: 'two-faces', face: { ...written, open: 30 }, tuck: 0 },
  { family: 'wrap-round', laid: 'folded', bottom: 'seam', sides: 'joins', body: written },
  { family: 'fold-over', body: written, flap: 2 },
  { family: 'gathered', body: written, together: 3, band: { swatch: 's2', rows: 3 }, slit: 0, sides: 2 },
];
const byRows = (rows: string, construction = WRITTEN[0]) => {
  const document = testDocument(construction);
  return { ...document, panels: document.panels?.map((one) => ({ ...one, rows })) };
};

describe('a face by its rows, whatever they say', () => {
  const lines = fc.array(
    fc.constantFrom(
      ...[
        'ch 12',
        '12 sc',
        'sc across',
        'inc, sc across',
        '2 sc in each st',
        'dec across',
        'start in 3rd st, 4 dc, leave the rest',
      ],
      ...[
        'qqq',
        '',
        '6 sc in ring',
        'ch 5',
        'skip 9',
        '40 hdc',
        'ch 3, skip 3, sc across',
        'sl st across',
        '(sc',
      ],
    ),
    { maxLength: 12 },
  );
  const texts = fc
    .tuple(lines, fc.constantFrom('Row', 'Round'))
    .map(([rows, what]) =>
      rows
        .map((row, i) => (row.startsWith('ch 1') ? row : `${i % 5 === 4 ? 'Round' : what} ${i + 1}: ${row}`))
        .join('\n'),
    );

  test('gives finite figures, or a sentence', () => {
    fc.assert(
      fc.property(texts, fc.constantFrom(...WRITTEN), (rows, construction) => {
        const answer = planned(byRows(rows, construction));
        if (answer.ok) expect(notFinite(answer.plan)).toBeUndefined();
        else expect(answer.problem).toMatch(/^[A-Z].*\.$/);
      }),
      { numRuns: 250 },
    );
  });

  test.each(['', 'Row 1:', 'Row 1: qqq', '# nothing yet'])('without a stitch it says so: “%s”', (rows) => {
    expect(problemOf(byRows(rows))).toBe(
      'The panel “steps” has no rows yet. They begin with “Row 1:” or “Round 1:”.',
    );
  });

  test('partly in rounds and partly in rows it is no part of a bag, and says so', () => {
    const both = /^The panel “steps” is worked partly in rounds and partly in rows/;
    expect(problemOf(byRows('Round 1: 12 dc in ring\nRound 2: inc x12\nRow 3: 6 sc'))).toMatch(both);
    expect(problemOf(byRows('ch 12\nRow 1: 12 sc\nRound 2: 12 sc'))).toMatch(both);
    expect(problemOf(byRows('Round 1: 12 dc in ring\nRound 2: inc x12'))).toBeUndefined();
  });

  test('a panel that cannot be a strip, a strap, or what a tube stands on, says so', () => {
    const strip = (panel: string, worked: 'across' | 'along') =>
      problemOf(
        testDocument({
          family: 'faces-and-strip',
          face: squares(3, 2),
          strip: { of: 'rows', panel, worked },
        }),
      );
    expect(strip('fan', 'across')).toMatch(
      /^The panel “fan” is worked round, or begins in a ring: a strip has two long/,
    );
    expect(strip('steps', 'across')).toMatch(/^The panel “steps” has steps in its long sides/);
    expect(strip('steps', 'along')).toBeUndefined();
    const bag = testDocument(facesAndStrip(squares(3, 2)));
    const strap = (panel: string) =>
      problemOf({
        ...bag,
        finish: { straps: { kind: 'rows', swatch: 's2', many: 2, drop: 200, wide: 6, panel } },
      });
    expect(strap('round')).toMatch(/^The panel “round” is worked round, .*a strap has two ends/);
    expect(strap('bobbles')).toBeUndefined();
    const base = (panel: string) =>
      problemOf(
        testDocument({
          family: 'wrap-round',
          laid: 'tube',
          bottom: 'seam',
          sides: 'joins',
          body: worked(60, 20),
          base: { of: 'rows', panel },
        }),
      );
    const wall = (panel: string) =>
      problemOf(
        testDocument({
          family: 'boxed',
          front: { of: 'rows', panel },
          side: worked(20, 30),
          bottom: worked(33, 12),
        }),
      );
    expect(wall('widens')).toBe(
      'The panel “widens” makes no rectangle: a wall, or a sheet that is folded or goes round a bag, has four straight sides.',
    );
    expect(wall('bobbles')).toBeUndefined();
    const sheet = (panel: string) => ({ of: 'rows' as const, panel });
    for (const construction of [
      {
        family: 'wrap-round' as const,
        laid: 'tube' as const,
        bottom: 'seam' as const,
        sides: 'joins' as const,
        body: sheet('widens'),
      },
      { family: 'fold-over' as const, body: sheet('widens'), flap: 3 },
      {
        family: 'fold-over' as const,
        body: worked(40, 60),
        flap: 3,
        apart: {
          front: sheet('widens'),
          strip: { of: 'rows' as const, panel: 'bobbles', worked: 'along' as const },
        },
      },
      {
        family: 'gathered' as const,
        body: sheet('widens'),
        together: 2,
        band: { swatch: 's2', rows: 3 },
        slit: 0,
      },
    ])
      expect(problemOf(testDocument(construction))).toMatch(/^The panel “widens” makes no rectangle/);
    expect(base('bobbles')).toBe(
      'The panel “bobbles” is worked in rows: what a tube stands on is worked round, from a ring.',
    );
    expect(base('round')).toBeUndefined();
  });
});

describe('whatever the schema takes', () => {
  test('gives finite figures everywhere, or a sentence', () => {
    let refused = 0;
    fc.assert(
      fc.property(documents, (document) => {
        const answer = planned(document);
        if (!answer.ok) {
          refused++;
          expect(answer.problem).toMatch(/^[A-Z].*\.$/);
          expect(answer.problem).not.toMatch(/NaN|Infinity|undefined/);
          return;
        }
        const { plan } = answer;
        expect(notFinite(plan)).toBeUndefined();
        expect(notFinite([plan.steps(), plan.schools(), plan.fewestRuns(), finishOf(plan)])).toBeUndefined();
        const editor = netEditorOf(document);
        expect(notFinite([controlsOf(document), featureControlsOf(plan), editor])).toBeUndefined();
        for (const { edges } of plan.graph.pieces)
          for (const edge of edges) expect(edge.length).toBeGreaterThan(0);
      }),
      { numRuns: 300 },
    );
    // The range is no good if nearly everything in it is nonsense.
    expect(refused).toBeLessThan(180);
    // Three hundred bags worked out to the last: minutes, on a machine that is at other things.
  }, 400_000);
});

describe('what cannot be is told by its cause', () => {
  test('a panel that its joins eat up, in whatever family', () => {
    const document = testDocument({
      family: 'two-faces',
      face: { of: 'shaped', swatch: 's2', chain: 1, parts: [{ rows: 1, stitches: 16 }] },
      tuck: 1,
    });
    const fine = { stitches: { count: 24, length: mm(20) }, rows: { count: 4, length: mm(20) } };
    const swatches = document.swatches.map((one) => (one.id === 's2' ? { ...one, ...fine } : one));
    const side = sizeTable({ ...document, swatches })
      .motif('m1')
      .size.at(27).value;
    // Four joins between five squares take 15 mm each; the panel is 16 stitches of some 0.85 mm wide, and less high.
    const measuredStrip = { motif: 'm1', rounds: 27, motifs: 5, length: mm(5 * side - 4 * 15) };
    const eaten = { ...document, swatches, joins: { ...document.joins, measuredStrip } };
    expect(problemOf(eaten)).toMatch(/each join takes 1\.5 cm, but .* is only \d\.\d cm/);
    expect(problemOf({ ...document, swatches })).toBeUndefined();
    // The same round a strip by stitches: sides of no stitches at all, and one of them along none of the two of
    // the strip that its pattern allows.
    const face = {
      of: 'worked',
      swatch: 's2',
      stitches: 16,
      rows: 1,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    } as const;
    const strip = {
      swatch: 's2',
      worked: 'along',
      depth: 10,
      length: { by: 'loops' },
      multiple: { multiple: 4, extra: 2 },
    } as const;
    expect(problemOf({ ...eaten, construction: { family: 'faces-and-strip', face, strip } })).toMatch(
      /each join takes 1\.5 cm, but .* is only -?\d\.\d cm/,
    );
  });

  test('a strip of a swatch that measures next to nothing would take more rows than anyone works', () => {
    const document = testDocument(facesAndStrip(squares(4, 4)));
    // 500 rows over 5 mm: a hundredth of a mm each, where the way is a metre and more.
    const tiny = { count: 500, length: mm(5) };
    const swatches = document.swatches.map((swatch) =>
      swatch.id === 's2' ? { ...swatch, stitches: tiny, rows: tiny } : swatch,
    );
    expect(problemOf({ ...document, swatches })).toMatch(
      /would take 1\d\d,\d{3} rows, more than anyone works/,
    );
    expect(problemOf(document)).toBeUndefined();
  });

  test('edges of more loops than can be paired are told with their number', () => {
    const net = testDocument({
      family: 'own',
      motif: 'm1',
      rounds: 4,
      swatch: 's2',
      grid: 'straight',
      cells: Array.from({ length: 100 }, (_, i) => ({
        x: i % 10,
        y: Math.floor(i / 10),
        of: 'panel' as const,
      })),
      folds: [],
      pairs: [],
    });
    expect(problemOf(net)).toBeUndefined();
    // 500 stitches over 15 mm: a side of some 85 mm has 2,800, and a hundred panels have four hundred sides.
    const fine = { count: 500, length: mm(15) };
    const swatches = net.swatches.map((swatch) =>
      swatch.id === 's2' ? { ...swatch, stitches: fine, rows: fine } : swatch,
    );
    expect(problemOf({ ...net, swatches })).toMatch(/would have 1,\d{3},\d{3} loops to join/);
    // Squares alone never come so far: thirty rounds have a hundred and fifty loops a side at most.
    expect(LIMITS.pieces * 4 * 150).toBeLessThan(LIMITS.loops);
  });

  test('a joined strip shorter than its squares', () => {
    // Three squares of 10 cm under the tape as 3 cm: each of two joins would take (300 - 30) / 2 = 135 mm.
    const document = wrapped(4, 2);
    const joins = {
      ...document.joins,
      measuredStrip: { motif: 'm1', rounds: 4, motifs: 3, length: mm(30) },
    };
    expect(problemOf({ ...document, joins })).toMatch(
      /each join takes 13\.\d cm, but “Cluster square” of 4 rounds is only 10\.\d cm large/,
    );
  });

  test('a square measured as nothing: a tenth of a millimetre, typed for ten centimetres', () => {
    const document = wrapped(4, 2);
    const motifs = document.motifs.map((motif) => ({ ...motif, measured: [{ rounds: 4, size: mm(0.1) }] }));
    expect(problemOf({ ...document, motifs })).toContain(
      '“Cluster square” of 4 rounds would come out 0.0 cm large',
    );
  });

  test('more pieces than are worked out after every edit', () => {
    expect(problemOf(wrapped(40, 15))).toBeUndefined();
    expect(40 * 15).toBe(LIMITS.pieces);
    expect(problemOf(wrapped(40, 16))).toContain('640 pieces');
  });
});
