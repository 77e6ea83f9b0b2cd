import { describe, expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { motifStitches } from './index.ts';

const square = { kind: 'cluster', cornerChains: 2, gapChains: 0 } as const;

describe('stitches of a motif', () => {
  test('a cluster square of three rounds: 4 sides of 3, 6 and 9', () => {
    expect(motifStitches(square, 3)).toBe(4 * (3 + 6 + 9));
  });

  test('a disc of three rounds with 12 increases: 12, 24 and 36', () => {
    expect(motifStitches({ ...square, kind: 'disc', increases: 12 }, 3)).toBe(12 + 24 + 36);
  });

  test('a triangle has half the sides of a solid square', () => {
    const [whole, half] = (['solid', 'triangle'] as const).map((kind) =>
      motifStitches({ ...square, kind }, 5),
    );
    expect(whole).toBe(2 * (half ?? Number.NaN));
  });
});

describe('what a bag takes', () => {
  const panels = (rows: number) =>
    planOf(
      testDocument({
        family: 'wrap-round',
        laid: 'panels',
        bottom: 'seam',
        sides: 'joins',
        body: {
          of: 'worked',
          swatch: 's2',
          stitches: 40,
          rows,
          multiple: { multiple: 1, extra: 0 },
          rowsRun: 'across',
        },
      }),
    ).tally;

  test('two panels of 40 by 50 are 4000 stitches of 5.5 pitches each, by hand', () => {
    const { effort } = panels(50);
    const worked = effort.parts.find(({ part }) => part === 'panels')?.yarn ?? 0;
    expect(effort.stitches).toBe(2 * 40 * 50);
    // 20 stitches measure 120 mm: a pitch of 6 mm, less than a hundredth off for what is usual; 33 mm a stitch. 20 rows
    // measure 110 mm where 20 x 0.95 x 6 = 114 is usual: half of a stitch's yarn runs up it, and is 4/114 shorter.
    expect(worked / (4000 * 5.5 * 6 * (1 - (0.5 * 4) / 114))).toBeCloseTo(1, 2);
  });

  test('twice the rows take about twice the yarn and nearly twice the time', () => {
    const [one, two] = [panels(50).effort, panels(100).effort];
    expect(two.stitches).toBe(2 * one.stitches);
    expect(two.minutes).toBeGreaterThan(1.7 * one.minutes);
    expect(two.minutes).toBeLessThan(2 * one.minutes);
  });

  test('edge rounds take stitches of their own', () => {
    const document = testDocument();
    const plain = planOf(document).tally.effort;
    const edged = planOf({ ...document, features: { edge: { swatch: 's2', rounds: 3, growth: 0 } } }).tally
      .effort;
    expect(edged.stitches).toBeGreaterThan(plain.stitches);
    expect(edged.yarn).toBeGreaterThan(plain.yarn);
  });
});

describe('yarn of motifs by colour', () => {
  const laid = (cells: Record<string, { design: string }>) => {
    const document = testDocument({
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 2, columns: 2, rows: 2 },
    });
    const colourways = [
      { id: 'a', name: 'A', rounds: ['y1', 'y2'] },
      { id: 'b', name: 'B', rounds: ['y2', 'y1'] },
      { id: 'c', name: 'C', rounds: ['y1'] },
    ];
    const motifs = document.motifs.map((motif) => ({ ...motif, ...square, colourways }));
    const plan = planOf({ ...document, motifs, arrangement: { cells } });
    return Object.fromEntries(plan.tally.effort.motifColours.map(({ yarn, stitches }) => [yarn, stitches]));
  };
  const all = (design: string) =>
    Object.fromEntries(['0/0', '0/1', '1/0', '1/1'].map((at) => [`body/${at}`, { design }]));

  test('follows the designs: round one has 12 stitches, round two 24', () => {
    // Four squares with hearts of the first yarn, and the other way round.
    expect(laid(all('a'))).toEqual({ y1: 4 * 12, y2: 4 * 24 });
    expect(laid(all('b'))).toEqual({ y1: 4 * 24, y2: 4 * 12 });
    // The last colour goes on: one yarn for all rounds.
    expect(laid(all('c'))).toEqual({ y1: 4 * 36 });
    expect(laid({ ...all('a'), 'body/1/1': { design: 'b' } })).toEqual({ y1: 3 * 12 + 24, y2: 3 * 24 + 12 });
  });
});
