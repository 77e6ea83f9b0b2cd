import { type Plan, planned } from '../plan/index.ts';
import { minutesOfEnds } from '../yarn/index.ts';

/** Ends there are to hide, and how many there would be another way. */
export interface EndsCount {
  readonly now: number;
  readonly minutes: number;
  /** If those of motifs were worked over as one goes. */
  readonly workedOver: number;
  /** If squares were joined in their last rounds; nothing where that cannot be. */
  readonly asYouGo: number | undefined;
}

/** Counts ends as they are, and as they would be: each other way is planned. */
export function endsOf({ document, tally, schools }: Plan): EndsCount {
  const now = tally.pieceEnds + tally.joinEnds;
  const over = planned({
    ...document,
    motifs: document.motifs.map((motif) => ({ ...motif, ends: 'worked-over' })),
  });
  const asYouGo = schools().find(({ school }) => school === 'as-you-go');
  return {
    now,
    minutes: minutesOfEnds(now),
    workedOver: over.ok ? over.plan.tally.pieceEnds + over.plan.tally.joinEnds : now,
    asYouGo: asYouGo ? tally.pieceEnds + asYouGo.ends : undefined,
  };
}
