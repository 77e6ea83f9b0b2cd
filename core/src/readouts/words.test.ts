import { describe, expect, test } from 'vitest';
import { easeOf, type LineMatch, lineMatches } from '../match/index.ts';
import { built, facesAndStrip, panel, squares } from '../testing/built.ts';
import { noteText, sayEdge, verdictText } from './index.ts';

const line = (percent: number, verdict: LineMatch['ease']['verdict'], partners = ['Front']): LineMatch => {
  const [match] = lineMatches(built({ family: 'two-faces', face: panel(40, 40), tuck: 0 }).graph);
  if (!match) throw new Error('two faces meet along lines');
  return {
    ...match,
    a: { ...match.a, pieces: partners },
    b: { ...match.b, pieces: ['Strip'] },
    ease: { ...match.ease, percent, verdict },
  };
};

describe('the ease of a line in a sentence', () => {
  test('says who is longer or shorter, by how much, and what comes of it', () => {
    expect(verdictText(line(0, 'even'))).toBe('Both edges have the same length.');
    expect(verdictText(line(-1.24, 'invisible'))).toBe(
      'Strip is 1.2 % shorter than Front: eased in, it will not show.',
    );
    expect(verdictText(line(3, 'visible'))).toContain('3.0 % longer than Front: it can be eased in');
    expect(verdictText(line(12, 'puckers'))).toContain('the seam will pucker');
    expect(verdictText(line(3, 'visible', ['A1', 'A2']))).toContain('longer than its partners');
  });

  test('goes by two and five per cent, longer and shorter alike', () => {
    const verdicts = (lengths: number[]) => lengths.map((length) => easeOf(length, 100).verdict);
    expect(verdicts([100, 101.9, 102.1, 104.9, 105.1])).toEqual([
      'even',
      'invisible',
      'visible',
      'visible',
      'puckers',
    ]);
    expect(verdicts([100, 98.1, 97.9, 95.1, 94.9])).toEqual(verdicts([100, 101.9, 102.1, 104.9, 105.1]));
  });
});

describe('an edge in a sentence', () => {
  const { graph } = built({ family: 'two-faces', face: squares(3, 2), tuck: 0 });

  test('names the piece, the edge, its partner and the loops of both', () => {
    const [corner] = graph.pieces;
    if (!corner) throw new Error('there are squares');
    // Left, lower, right, upper in some order: of the four sides one lies along the opening, three are joined.
    const said = [0, 1, 2, 3].map((edge) => sayEdge(graph, corner.id, edge));
    expect(said.every((sentence) => sentence.startsWith(`${corner.name}, `))).toBe(true);
    expect(said.filter((sentence) => sentence.includes('part of the opening'))).toHaveLength(1);
    // A four-round cluster square of test yarn has 3 x 4 + 3 stitches between its corners' loops.
    const joined = said.filter((sentence) => sentence.includes('meets'));
    expect(joined).toHaveLength(3);
    for (const sentence of joined) expect(sentence).toMatch(/(\d+) loops with \1\./);
  });

  test('of a piece that is not there it says nothing', () => {
    expect(sayEdge(graph, 'nowhere', 0)).toBe('');
  });

  test('an edge with two partners names both; what is left of it is the opening’s', () => {
    // The strip goes down one side, along the bottom and up the other: in one piece, against three sides of a face.
    const bag = built(facesAndStrip(squares(2, 2), 8)).graph;
    const strip = bag.pieces.find(({ make }) => make.of === 'panel');
    if (!strip) throw new Error('there is a strip');
    const said = strip.edges.map((_, edge) => sayEdge(bag, strip.id, edge));
    // Six squares' sides lie along either long edge; its ends are in the opening.
    const meetings = said.map(
      (sentence) => sentence.split('; ').filter((part) => part.includes('meets')).length,
    );
    expect(meetings.sort((a, b) => a - b)).toEqual([0, 0, 6, 6]);
    expect(said.filter((sentence) => sentence.endsWith('part of the opening.'))).toHaveLength(2);
  });
});

describe('what stands beside a station', () => {
  test('is said in a few words', () => {
    expect(noteText({ at: 'brief', is: 'no target' })).toBe('no target yet');
    expect(noteText({ at: 'brief', is: 'does not fit' })).toBe('something does not fit');
    expect(noteText({ at: 'swatch', is: 'not measured' })).toBe('not measured');
    expect(noteText({ at: 'build', is: 'off', measures: ['width', 'strapDrop'] })).toBe(
      'width and strap drop off',
    );
    expect(noteText({ at: 'sides', is: 'does not come out' })).toBe('does not come out');
  });
});
