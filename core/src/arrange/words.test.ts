import { describe, expect, test } from 'vitest';
import { designNames, planOf, turnedPieces } from '../plan/index.ts';
import { methodAt, readouts } from '../readouts/index.ts';
import { stepText } from '../runs/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { type Judged, neighbourText, scoreText, twinsText } from './index.ts';

describe('what is said of twins', () => {
  test('says no more than is proven', () => {
    expect(twinsText(0)).toBe('No twins touch: fewer cannot be.');
    expect(twinsText(1)).toBe('One pair of twins touches.');
    expect(twinsText(3)).toBe('3 pairs of twins touch.');
    expect(twinsText(2, { least: 2, proven: true })).toBe('2 pairs of twins touch: it cannot be fewer.');
    // Not proven to be reachable, but there can be no fewer: that is enough.
    expect(twinsText(2, { least: 2, proven: false })).toBe('2 pairs of twins touch: it cannot be fewer.');
    expect(twinsText(3, { least: 1, proven: false })).toBe(
      '3 pairs of twins touch; no less than 1 is possible.',
    );
    expect(twinsText(3, { least: 0, proven: true })).toBe('3 pairs of twins touch; it could be none.');
  });

  test('scores leave out what there is none of, and what cannot differ', () => {
    const none: Judged = { twins: [], corners: 0, outer: 5, lines: 0 };
    expect(scoreText(none, false)).toBe('no twins touch');
    expect(scoreText({ ...none, corners: 2, lines: 1 })).toBe(
      'no twins touch, 2 at a corner, 1 three in a line, 5 joins between the same last colour',
    );
  });
});

describe('a bag with one-way squares, folded at the bottom', () => {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'folded',
    bottom: 'seam',
    sides: 'joins',
    body: squares(1, 2),
  });
  const yarn = document.yarns[0]?.id ?? '';
  const bag = {
    ...document,
    motifs: document.motifs.map((motif) => ({
      ...motif,
      oneWay: true,
      colourways: ['Sun', 'Moon'].map((name) => ({ id: name.toLowerCase(), name, rounds: [yarn] })),
    })),
  };
  const cells = (turn?: number) => ({
    'body/0/0': { design: 'sun' },
    'body/1/0': { design: 'moon', ...(turn !== undefined && { turn }) },
  });

  test('the back is laid upside down; turned by half by hand it is not, and hangs on its head', () => {
    const plain = planOf({ ...bag, arrangement: { cells: cells() } });
    expect([...turnedPieces(plain)]).toEqual(['body/1/0']);
    expect([...turnedPieces(planOf({ ...bag, arrangement: { cells: cells(2) } }))]).toEqual([]);
  });

  test('neighbours are named with the seam that brings them together', () => {
    const plan = planOf({ ...bag, arrangement: { cells: cells() } });
    const [pair] = plan.arranging().neighbours;
    if (!pair) throw new Error('neighbours');
    // One over the other, and joined at both sides.
    expect(neighbourText(plan.graph, pair)).toBe('A1 and B1, across: left side seam');
  });

  test('steps name a piece by its place, its design, and how it is laid', () => {
    const plan = planOf({ ...bag, arrangement: { cells: cells() } });
    const reading = {
      terms: 'us',
      system: 'cm',
      turned: turnedPieces(plan),
      design: designNames(plan),
    } as const;
    const texts = plan.steps().map((step) => stepText(step, methodAt(plan, step.run), reading));
    expect(texts.join(' ')).toContain('A1 (Sun), lower edge meets B1 (Moon, laid upside down)');
    expect(readouts(plan, { terms: 'us', system: 'cm' }).joins.steps.map(({ text }) => text)).toContain(
      texts.find((text) => text.includes('A1 (Sun)')),
    );
    expect(readouts(plan, { terms: 'us', system: 'cm' }).arrangement.cells).toMatchObject([
      { name: 'A1', design: 'sun' },
      { name: 'B1', design: 'moon' },
    ]);
  });
});
