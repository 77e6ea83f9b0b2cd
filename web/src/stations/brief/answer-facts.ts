import {
  type BagDocument,
  type Found,
  formatLength,
  fullSearch,
  type Give,
  type LengthSystem,
  MEASURE_WORDS,
  type Plan,
  piecesText,
  wantedOf,
  whatWouldGive,
  wholeYarn,
  withFound,
} from '@fennot/core';
import { planFor } from '../../open-bag/plans.ts';
import { hours } from '../../tapes/amounts.ts';

/** One line of what is told of an answer. */
export interface Fact {
  readonly label: string;
  readonly text: string;
}

/** Tells answers apart. */
export const keyOf = ({ construction, edgeRounds }: Found): string =>
  JSON.stringify([construction, edgeRounds]);

/** The document with an answer on the table. */
export const onTable = (document: BagDocument, found: Found): BagDocument =>
  withFound(document, found, fullSearch(document, false).edge.swatch);

/** An answer worked out, as long as it can be put on the table. */
export function answerPlan(document: BagDocument, found: Found): Plan | undefined {
  const planned = planFor(onTable(document, found));
  return planned.ok ? planned.plan : undefined;
}

/** Sizes with their ranges, counts, yarn, ends and hours of an answer, the same for each to be compared. */
export function factsOf(answer: Plan, found: Found, system: LengthSystem): Fact[] {
  const sizes = answer.tapes
    .filter(({ measure, finished }) => measure !== 'depth' || finished.value > 1)
    .map(({ measure, finished: { value, range } }): Fact => {
      const [low, high] = [range.low, range.high].map((end) => formatLength(end, system));
      return { label: MEASURE_WORDS[measure], text: `${formatLength(value, system)} (${low} to ${high})` };
    });
  const { tally } = answer;
  return [
    ...sizes,
    { label: 'pieces', text: piecesText(tally, roundsOf(answer)) },
    { label: 'edge', text: edgeText(found) || 'none' },
    { label: 'yarn, about', text: wholeYarn(tally.effort.yarn, system) },
    { label: 'ends to hide', text: String(tally.pieceEnds + tally.joinEnds) },
    { label: 'hours, about', text: hours(tally.effort.minutes) },
  ];
}

export const edgeText = ({ edgeRounds }: Found): string =>
  edgeRounds === 0 ? '' : `${edgeRounds} edge round${edgeRounds === 1 ? '' : 's'}`;

/** Rounds of the bag's motifs. */
export const roundsOf = ({ graph }: Plan): number | undefined =>
  graph.pieces.flatMap(({ make }) => (make.of === 'motif' ? [make.rounds] : []))[0];

/** What would have to give for an answer that misses, in words; empty for one that reaches. */
export function givesText(document: BagDocument, found: Found, system: LengthSystem): string[] {
  return whatWouldGive(found.size, wantedOf(document)).map((give: Give) => {
    if (give.gives === 'gauge') {
      const percent = Math.abs(give.percent).toFixed(1);
      return give.percent > 0
        ? `a gauge ${percent} % larger: another hook, or blocking`
        : `a gauge ${percent} % smaller: another hook`;
    }
    return `${give.measure} ${formatLength(Math.abs(give.by), system)} ${give.by < 0 ? 'small' : 'large'}`;
  });
}
