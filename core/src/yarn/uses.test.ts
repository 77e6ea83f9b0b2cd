import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, features, testDocument } from '../testing/arbitraries.ts';
import { mm } from '../units/index.ts';
import { inBalls, lengthOf, motifEnds, USUAL_RIPPING, type YarnPart } from './index.ts';

const wrap = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 2, columns: 2, rows: 2 },
} as const;

/** Four squares, all in one colourway of two rounds; the edge and the joins in other yarns. */
function bag(fields: Partial<BagDocument> = {}): BagDocument {
  const document = testDocument(wrap);
  const colourways = [{ id: 'a', name: 'A', rounds: ['y1', 'y2'] }];
  const motifs = document.motifs.map((motif) => ({ ...motif, colourways }));
  return { ...document, motifs, ...fields };
}
const effortOf = (document: BagDocument) => planOf(document).tally.effort;
const partOf = (document: BagDocument, part: YarnPart, yarn?: string) =>
  lengthOf(effortOf(document).uses.filter((use) => use.part === part && (!yarn || use.yarn === yarn)));

describe('what a bag takes of each yarn', () => {
  test('all sums are sums of the same uses, for any bag', () => {
    fc.assert(
      fc.property(constructions, features, (construction, own) => {
        const { uses, needs, parts, yarn, stitches } = effortOf({
          ...testDocument(construction),
          features: own,
        });
        expect(lengthOf(uses)).toBeCloseTo(yarn, 3);
        expect(needs.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(yarn, 3);
        expect(parts.reduce((sum, one) => sum + one.yarn, 0)).toBeCloseTo(yarn, 3);
        expect(parts.reduce((sum, one) => sum + one.stitches, 0)).toBe(stitches);
        for (const need of needs) {
          expect(need.parts.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(need.length, 3);
          expect(lengthOf(need.uses)).toBeCloseTo(need.length, 3);
          expect(need.low).toBeLessThanOrEqual(need.length);
          expect(need.high).toBeGreaterThanOrEqual(need.length);
        }
        for (const { length } of uses) expect(length).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60 },
    );
  });

  test('tails by hand: four squares begin two yarns each, two tails of 15 cm a yarn', () => {
    expect(partOf(bag(), 'tails', 'y1')).toBeCloseTo(4 * 2 * 150, 9);
    expect(partOf(bag(), 'tails', 'y2')).toBeCloseTo(4 * 2 * 150, 9);
    // In one yarn throughout, a square has only its own two.
    const plain = bag();
    const motifs = plain.motifs.map((motif) => ({
      ...motif,
      colourways: [{ id: 'a', name: 'A', rounds: ['y1'] }],
    }));
    expect(partOf({ ...plain, motifs }, 'tails')).toBeCloseTo(4 * 2 * 150, 9);
  });

  test('ends of a square in red, white, red, white: eight; four where colours are carried; one where they are worked over', () => {
    const colours = ['red', 'white', 'red', 'white'];
    expect(motifEnds({}, colours)).toBe(8);
    expect(motifEnds({ ends: 'carried' }, colours)).toBe(4);
    expect(motifEnds({ ends: 'worked-over' }, colours)).toBe(1);
    // A colour that goes on is not begun again.
    expect(motifEnds({}, ['red', 'red', 'white'])).toBe(4);
  });

  test('carried colours have fewer tails; ends that are worked over are as long as they were, and none of them is hidden', () => {
    const plain = bag();
    const motif = (ends: 'carried' | 'worked-over' | undefined) => ({
      ...plain,
      motifs: plain.motifs.map((one) => ({
        ...one,
        ...(ends && { ends }),
        colourways: [{ id: 'a', name: 'A', rounds: ['y1', 'y2', 'y1'] }],
      })),
      construction: { ...wrap, body: { ...wrap.body, rounds: 3 } },
    });
    const of = (ends: Parameters<typeof motif>[0]) => ({
      tails: partOf(motif(ends), 'tails'),
      hide: planOf(motif(ends)).tally.pieceEnds,
    });
    // Four squares of three lengths, of two carried ones.
    expect(of(undefined)).toEqual({ tails: 4 * 6 * 150, hide: 24 });
    expect(of('carried')).toEqual({ tails: 4 * 4 * 150, hide: 16 });
    expect(of('worked-over')).toEqual({ tails: 4 * 6 * 150, hide: 4 });
  });

  test('the edge is of its swatch’s yarn, round by round; a line joined in another yarn takes that', () => {
    const edged = bag({ features: { edge: { swatch: 's2', rounds: 3, growth: 0 } } });
    const rounds = effortOf(edged).uses.filter(({ part }) => part === 'edge');
    expect(rounds.map(({ what }) => what)).toEqual(['Edge round 1', 'Edge round 2', 'Edge round 3']);
    const of = edged.swatches.find(({ id }) => id === 's2')?.yarn;
    expect(new Set(rounds.map(({ yarn }) => yarn))).toEqual(new Set([of]));
    const { graph } = planOf(bag());
    const line = graph.lines[0]?.id ?? '';
    const plain = bag();
    const other = { ...plain, joins: { ...plain.joins, yarn: 'y1', lines: { [line]: { yarn: 'y2' } } } };
    expect(partOf(other, 'joins', 'y2')).toBeGreaterThan(0);
    expect(partOf({ ...plain, joins: { ...plain.joins, yarn: 'y1' } }, 'joins', 'y2')).toBe(0);
  });

  test('ripping back takes its share of what is worked, and nothing of tails and joins; swatches can be left out', () => {
    const worked = partOf(bag(), 'motifs');
    expect(partOf(bag(), 'ripping')).toBeCloseTo((worked * USUAL_RIPPING) / 100, 6);
    expect(partOf(bag({ allowances: { ripping: 10 } }), 'ripping')).toBeCloseTo(worked / 10, 6);
    expect(partOf(bag({ allowances: { ripping: 0 } }), 'ripping')).toBe(0);
    expect(partOf(bag(), 'swatches')).toBeGreaterThan(0);
    expect(partOf(bag({ allowances: { swatches: false } }), 'swatches')).toBe(0);
  });

  test('two strands take twice the yarn of one, tails and all', () => {
    // Counted over 20 stitches, so that the gauge does not rest on how thick the yarn is.
    const counted = { stitches: { count: 20, length: mm(100) }, rows: { count: 20, length: mm(200) } };
    const held = (strands: number): BagDocument => {
      const one = bag();
      return { ...one, swatches: one.swatches.map((swatch) => ({ ...swatch, ...counted, strands })) };
    };
    expect(partOf(held(2), 'tails')).toBeCloseTo(2 * partOf(held(1), 'tails'), 6);
    expect(partOf(held(2), 'motifs') / partOf(held(1), 'motifs')).toBeCloseTo(2, 1);
  });
});

describe('in balls', () => {
  test('100 m, give or take a quarter, of balls of 50 m: two by the estimate, three to be sure', () => {
    const need = { length: 100_000, high: 124_700 };
    expect(inBalls(need, { grams: 50, metres: 50 })).toEqual({ grams: 100, balls: 3, taken: 2 });
  });

  test('what is exactly so many balls takes not one more', () => {
    expect(inBalls({ length: 90_000, high: 100_000 }, { grams: 50, metres: 50 }).balls).toBe(2);
  });
});
