import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf, yarnOf } from '../document/look-up.ts';
import { edgeCounts, edgeStitches } from '../edging/index.ts';
import { gaugeOf } from '../gauge/index.ts';
import { area, groupBy, must } from '../geometry/index.ts';
import type { Stitch } from '../stitches/index.ts';
import { motifStitches, panelStitches } from './stitches-of.ts';

/** Yarn in one stitch as a multiple of its pitch: an estimate until a piece has been weighed. */
const YARN_BY_PITCH: Record<Stitch, number> = { low: 5.5, mid: 7, tall: 9, high: 11.5 };
/** Stitches, joining insertions and ends that steady hands do in a minute, until a log says better. */
const STITCHES_A_MINUTE = 18;
const JOINS_A_MINUTE = 12;
const ENDS_A_MINUTE = 0.7;

/** What a bag takes: yarn of its pieces and edge in mm, and minutes of work. Estimates. */
export interface Effort {
  readonly stitches: number;
  readonly yarn: number;
  readonly minutes: number;
}

/**
 * Counts every stitch of the bag, gives each its yarn by gauge and kind, and all work its time.
 *
 * @param joinYarn yarn of the joins, mm; they take an insertion about every stitch pitch of a seam.
 */
export function effortOf(
  document: BagDocument,
  graph: BagGraph,
  { ends, joinYarn, insertions }: { ends: number; joinYarn: number; insertions: number },
): Effort {
  const perStitch = new Map(
    document.swatches.map((swatch) => {
      const { weight } = yarnOf(document, swatch.yarn);
      const { pitch } = gaugeOf({ ...swatch, yarnWeight: weight });
      return [swatch.id, YARN_BY_PITCH[swatch.stitch] * pitch.value * swatch.strands];
    }),
  );
  let [stitches, yarn] = [0, 0];
  const put = (many: number, swatch: string) => {
    stitches += many;
    yarn += many * must(perStitch.get(swatch), 'swatch');
  };
  // Hundreds of squares are of a few kinds: each kind is counted once.
  const alike = groupBy(graph.pieces, ({ make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds}` : '',
  );
  for (const [kind, pieces] of alike) {
    const make = pieces[0]?.make;
    if (kind && make?.of === 'motif') {
      const motif = motifOf(document, make.motif);
      put(pieces.length * motifStitches(motif, make.rounds), motif.swatch);
      continue;
    }
    for (const piece of pieces)
      if (piece.make.of === 'panel') put(panelStitches(piece, area), piece.make.swatch);
  }
  const { edging } = graph.trim ?? {};
  if (edging) put(edgeStitches(edgeCounts(graph)), edging.swatch);
  const minutes = stitches / STITCHES_A_MINUTE + insertions / JOINS_A_MINUTE + ends / ENDS_A_MINUTE;
  return { stitches: Math.round(stitches), yarn: yarn + joinYarn, minutes };
}
