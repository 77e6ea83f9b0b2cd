import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { MEASURES } from '../bag/index.ts';
import { planned, planOf } from '../plan/index.ts';
import { JOIN_METHODS } from '../runs/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { sizeTable } from './index.ts';

const method = fc.constantFrom(...JOIN_METHODS);

describe('lines joined by methods of their own', () => {
  test('all of them changed one by one come out as the same method chosen for the bag', () => {
    fc.assert(
      fc.property(constructions, method, method, (construction, one, other) => {
        const document = testDocument(construction);
        const chosen = planned({ ...document, joins: { ...document.joins, method: other } });
        const plain = planned({ ...document, joins: { ...document.joins, method: one } });
        if (!plain.ok || !chosen.ok) return;
        const lines = Object.fromEntries(plain.plan.graph.lines.map(({ id }) => [id, { method: other }]));
        const changed = planOf({ ...document, joins: { ...document.joins, method: one, lines } });
        // A strip that takes as many rows as it needs may need another number once its face has changed: both do.
        for (const [i, measure] of MEASURES.entries()) {
          const [a, b] = [changed, chosen.plan].map(({ tapes }) => tapes[i]?.finished);
          expect(a?.value, measure).toBeCloseTo(b?.value ?? Number.NaN, 6);
          expect(a?.sd, measure).toBeCloseTo(b?.sd ?? Number.NaN, 6);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('one line between columns adds its own join to the width, and nothing to the height: by hand', () => {
    const body = { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 3 } as const;
    const plain = testDocument({
      family: 'wrap-round',
      laid: 'panels',
      bottom: 'seam',
      sides: 'joins',
      body,
    });
    const joins = { ...plain.joins, method: 'mattress' as const };
    const lines = { 'front/column/1': { method: 'ridge' as const } };
    const [before, after] = [planOf({ ...plain, joins }), planOf({ ...plain, joins: { ...joins, lines } })];
    expect(before.graph.lines.map(({ id }) => id)).toContain('front/column/1');
    const tape = (plan: typeof before, name: string) =>
      plan.graph.pieces
        .filter(
          ({ cell }) => cell.sheet === 'front' && (name === 'width' ? cell.row === 0 : cell.column === 0),
        )
        .reduce((sum, { outline }) => sum + (outline[2]?.[name === 'width' ? 'x' : 'y'] ?? 0), 0);
    const table = sizeTable(plain);
    // A ridge adds half a stitch, mattress stitch takes 0.15 of one: 0.65 of the pitch between them.
    const pitch = table.pitch(plain.motifs[0]?.swatch ?? '').value;
    expect(tape(after, 'width') - tape(before, 'width')).toBeCloseTo(0.65 * pitch, 6);
    expect(tape(after, 'height')).toBeCloseTo(tape(before, 'height'), 6);
  });
});
