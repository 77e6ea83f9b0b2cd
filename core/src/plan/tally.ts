import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf } from '../document/look-up.ts';
import { groupBy } from '../geometry/index.ts';
import { isSquare } from '../motif/index.ts';
import { type JoinPlan, joinMethod, type Run } from '../runs/index.ts';
import { panelColours } from '../stripes/index.ts';
import { type Effort, type Extras, effortOf, type Joined, motifEnds, roundColours } from '../yarn/index.ts';

/** What there is to make and to hide. */
export interface Tally {
  readonly motifs: number;
  /** What they are called together: squares only when all of them are. */
  readonly motifWord: 'square' | 'motif';
  readonly panels: number;
  /** Yarn ends of the pieces: two for every length a motif is worked with unless they are worked over, as many as its stripes leave in a panel. */
  readonly pieceEnds: number;
  readonly joinEnds: number;
  /** Yarn for the joins, mm, tails included. */
  readonly joinYarn: number;
  /** Stitches, yarn and time of it all. */
  readonly effort: Effort;
}

export function tallyOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  joins: JoinPlan,
  insertions: number,
  extras: Extras,
): Tally {
  let motifs = 0;
  let squares = 0;
  let panels = 0;
  let pieceEnds = 0;
  for (const piece of graph.pieces) {
    const { id, make } = piece;
    if (make.of === 'panel') {
      panels++;
      pieceEnds += panelColours(document, piece).ends;
      continue;
    }
    motifs++;
    const motif = motifOf(document, make.motif);
    if (isSquare(motif.kind)) squares++;
    const way = motif.colourways.find((colourway) => colourway.id === designs.get(id));
    pieceEnds += motifEnds(motif, roundColours(way, make.rounds, ''));
  }
  const joined = joinUses(document, joins);
  const joinYarn = joined.reduce((sum, { length }) => sum + length, 0);
  const motifWord = squares === motifs ? 'square' : 'motif';
  const ends = pieceEnds + joins.ends;
  const effort = effortOf(document, graph, designs, extras, { ends, insertions, uses: joined });
  return { motifs, motifWord, panels, pieceEnds, joinEnds: joins.ends, joinYarn, effort };
}

/** Yarn of the joins with its tails, by when and how they are worked: a run with a closing seam in it waits for the fold. */
function joinUses(document: BagDocument, { runs, corners }: JoinPlan): Joined['uses'] {
  const when = ({ passes }: Run) =>
    passes.every(({ link }) => link.seam.kind === 'flat') ? ('flat' as const) : ('close' as const);
  const alike = groupBy(runs, (run) => `${when(run)} ${joinMethod(run.how.method).tool} ${run.how.yarn}`);
  const sum = (all: ReadonlyArray<{ readonly yarn: number }>) => all.reduce((mm, { yarn }) => mm + yarn, 0);
  return [
    ...[...alike.values()].flatMap((own) => {
      const [first] = own;
      if (!first) return [];
      const { method, yarn } = first.how;
      const kind = when(first) === 'flat' ? 'Flat joins' : 'Closing joins';
      return [
        { what: `${kind} with the ${joinMethod(method).tool}`, yarn, length: sum(own), when: when(first) },
      ];
    }),
    ...(corners.length > 0
      ? [
          {
            what: 'Corners sewn across',
            yarn: document.joins.yarn,
            length: sum(corners),
            when: 'close' as const,
          },
        ]
      : []),
  ];
}

/** The pieces in words: `13 squares, 1 panel`, or `13 squares of 4 rounds, 1 panel`. */
export const piecesText = ({ motifs, motifWord, panels }: Tally, rounds?: number): string =>
  [
    motifs > 0
      ? `${motifs} ${motifWord}${motifs === 1 ? '' : 's'}${rounds === undefined ? '' : ` of ${rounds} rounds`}`
      : '',
    panels > 0 ? `${panels} panel${panels === 1 ? '' : 's'}` : '',
  ]
    .filter(Boolean)
    .join(', ');
