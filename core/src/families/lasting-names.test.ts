import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { inNet, type Piece, pieceIndex, pointOnEdge, type Seam } from '../bag/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { built } from '../testing/built.ts';
import { type Construction, FAMILIES, familyOf } from './index.ts';

const cells = (of: Construction) => {
  const { graph } = built(of);
  return { graph, pieces: new Map(graph.pieces.map((piece) => [piece.id, piece])) };
};

/** A seam as what meets what, without any name of its own: both pieces and which of their edges. */
const meeting = ({ a, b }: Seam) => [`${a.piece}.${a.edge}`, `${b.piece}.${b.edge}`].sort().join(' ');

/**
 * The counts of a bag that only add pieces at one end: what is there already stays what it is. Those that turn it into
 * another bag (how it is laid, what it is made of) are no edits elsewhere.
 */
const GROWING = new Set(['columns', 'rows', 'across', 'rounds', 'wing-0', 'wing-1', 'wing-2', 'wing-3']);

describe('an edit elsewhere renames nothing', () => {
  test('of any family: seams that meet the same edges before and after a count is raised keep their name', () => {
    fc.assert(
      fc.property(constructions, fc.nat(), (construction, pick) => {
        const before = built(construction);
        const document = testDocument(construction);
        const controls = familyOf(construction)
          .controls(before.materials, { motifs: document.motifs, swatches: document.swatches })
          .flatMap((control) =>
            control.kind === 'count' && GROWING.has(control.id) && control.value < control.max
              ? [control]
              : [],
          );
        const control = controls[pick % Math.max(1, controls.length)];
        if (!control) return;
        const after = built(control.set(control.value + control.step)).graph;
        const names = new Map(after.seams.map((seam) => [meeting(seam), seam]));
        for (const seam of before.graph.seams) {
          const same = names.get(meeting(seam));
          // Where a rim or a half of one edge meets in several places, the pair alone does not tell the place.
          if (!same || before.graph.seams.filter((one) => meeting(one) === meeting(seam)).length > 1)
            continue;
          expect([same.id, same.line]).toEqual([seam.id, seam.line]);
        }
      }),
      { numRuns: 400 },
    );
  });

  test('the lines of a bag on point keep name and place when it is made wider or higher', () => {
    const onPoint = (across: number, rows: number) =>
      cells({ family: 'on-point', motif: 'm1', rounds: 4, across, rows, bottom: 'tapered' });
    const small = onPoint(2, 2);
    for (const grown of [onPoint(3, 2), onPoint(2, 3), onPoint(3, 4)]) {
      const names = new Map(grown.graph.lines.map(({ id, name }) => [id, name]));
      for (const { id, name } of small.graph.lines) expect(names.get(id)).toBe(name);
      // Each seam of the small net lies on a line of the same name in the large one.
      const bySeam = new Map(grown.graph.seams.map((seam) => [seam.id, seam]));
      for (const seam of small.graph.seams.filter(({ kind }) => kind === 'flat')) {
        const same = bySeam.get(seam.id);
        expect(same?.line).toBe(seam.line);
        const place = (pieces: ReadonlyMap<string, Piece>, { a }: Seam) => {
          const piece = pieces.get(a.piece);
          return piece && inNet(piece, pointOnEdge(piece, a.edge, a.from));
        };
        if (same) expect(place(grown.pieces, same)).toEqual(place(small.pieces, seam));
      }
    }
    // The front's squares keep theirs as well, but for those that stop lying on the side.
    const labels = (of: typeof small) => new Map(of.graph.pieces.map(({ id, name }) => [id, name]));
    const [now, then] = [labels(onPoint(2, 3)), labels(small)];
    for (const [id, name] of then) expect(now.get(id)).toBe(name);
  });

  test('by hand: two across and one row up has these lines', () => {
    // Every line runs at 45 degrees between two rows of diamonds, and so crosses level 0, where the bottom row has its
    // middles, half a diagonal off a whole number of them: at 0.5 (line 1), 1.5 (line 2), or at -0.5 (L1), -1.5 (L2).
    const { graph } = cells({
      family: 'on-point',
      motif: 'm1',
      rounds: 4,
      across: 2,
      rows: 1,
      bottom: 'tapered',
    });
    const find = pieceIndex(graph);
    for (const { a, b, line } of graph.seams.filter(({ kind }) => kind === 'flat')) {
      const own = find(a.piece);
      const [p, q] = [a.from, a.to].map((at) => inNet(own, pointOnEdge(own, a.edge, at)));
      if (!p || !q) throw new Error('a seam has two ends');
      const rising = (q.y - p.y) * (q.x - p.x) > 0;
      const d = (built(SQUARE).s + built(SQUARE).j) * Math.SQRT2;
      // Where the line crosses level 0, in diagonals, is half a one off a whole number.
      const crossing = (rising ? p.x - p.y : p.x + p.y) / d;
      const number = Math.round(crossing + 0.5);
      const said = graph.lines.find(({ id }) => id === line)?.name;
      expect(said).toBe(`${rising ? 'Rising' : 'Falling'} line ${number >= 1 ? number : `L${1 - number}`}`);
      expect(b.piece).not.toBe(a.piece);
    }
  });

  test('every family is among those that are tried', () => {
    const tried = new Set(fc.sample(constructions, 400).map(({ family }) => family));
    expect(tried.size).toBe(FAMILIES.length);
  });
});

const SQUARE: Construction = {
  family: 'on-point',
  motif: 'm1',
  rounds: 4,
  across: 1,
  rows: 1,
  bottom: 'straight',
};
