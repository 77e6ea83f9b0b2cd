import { type BagGraph, type Band, measure } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { yarnOf } from '../document/look-up.ts';
import { edgeCounts, faceStitches, flapRoot } from '../edging/index.ts';
import type { SizeTable } from '../fit/index.ts';
import { whole } from '../geometry/index.ts';
import { stitchesForClasp } from '../panel/index.ts';
import { FROM_END, usualStretch } from './straps.ts';

/** A row of a band at which something is marked, counted from its first end. */
export interface BandMark {
  readonly row: number;
  readonly is: 'middle begins' | 'middle ends' | 'hole';
}

/** Where a band is sewn along the back's rim, in its loops: as many free on either side. */
export interface BandSeat {
  readonly loops: number;
  readonly fromSide: number;
  readonly under: number;
}

/** A band as it is worked: whoever brings a strap, it has a length, counts, marks and a place. */
export interface BandPlan {
  readonly band: Band;
  readonly rows: number;
  /** From end to end as it is worked and as it hangs, and its width; mm. */
  readonly worked: number;
  readonly hanging: number;
  readonly width: number;
  /** Per cent it gives under load. */
  readonly stretch: number;
  readonly marks: readonly BandMark[];
  readonly seat: BandSeat | undefined;
  /** How much shorter each hole makes it, mm, the first hole first. */
  readonly shorter: readonly number[];
}

/** A count next to `wanted` that leaves the same on both sides of `all`, at least one. */
const evenWithin = (wanted: number, all: number): number => {
  const count = Math.min(all, Math.max(1, whole(wanted)));
  if ((all - count) % 2 === 0) return count;
  return count + 1 <= all && (count < wanted || count === 1) ? count + 1 : count - 1;
};

/** Stitches of the back's upper edge: those of its rim, and those under a flap. */
const backStitches = (graph: BagGraph): number => flapRoot(graph) + faceStitches(edgeCounts(graph)).back;

function planBand(band: Band, graph: BagGraph, document: BagDocument, table: SizeTable): BandPlan {
  const { swatch, gauge } = table.swatch(band.swatch);
  // What lies round the bag carries nothing.
  const stretch = band.ring ? 0 : usualStretch('rows', yarnOf(document, swatch.yarn).fibre);
  const row = gauge.row.value;
  const rows = Math.max(1, whole(band.length / (1 + stretch / 100) / row));
  const hung = row * (1 + stretch / 100);
  const { middle, holes = 0 } = band;
  const sewn = middle === undefined ? 0 : evenWithin(rows / middle, rows);
  const begins = (rows - sewn) / 2;
  // The holes share the half of the band that its end is drawn through.
  const apart = Math.max(2, Math.floor((rows / 2 - FROM_END) / Math.max(1, holes)));
  const at = Array.from({ length: holes }, (_, i) => FROM_END + i * apart).filter((at) => at < rows);
  const loops = backStitches(graph);
  const perLoop = measure(graph).width / Math.max(1, loops);
  const under = evenWithin((sewn * hung) / perLoop, loops);
  return {
    band,
    rows,
    worked: rows * row,
    hanging: rows * hung,
    width: band.wide * gauge.pitch.value,
    stretch,
    marks: [
      ...(middle === undefined
        ? []
        : ([
            { row: begins, is: 'middle begins' },
            { row: begins + sewn, is: 'middle ends' },
          ] as const)),
      ...at.map((hole) => ({ row: hole, is: 'hole' as const })),
    ],
    seat: middle === undefined || loops === 0 ? undefined : { loops, under, fromSide: (loops - under) / 2 },
    shorter: at.map((hole) => (hole - FROM_END) * hung),
  };
}

/** How many stitches wide a band must be to carry a clasp; nothing where it is wide enough, or carries none. */
export function widerForClasp({ band, width }: BandPlan): number | undefined {
  const wanted = stitchesForClasp(band.ring?.clasp ?? 0, width / band.wide);
  return wanted > band.wide ? wanted : undefined;
}

/** Whether a band carries the bag: one that is sewn into a ring round it does not. */
export const isStrap = ({ band }: BandPlan): boolean => band.ring === undefined;

/** The straps that come with the way of building, worked out like any other. */
export const planBands = (graph: BagGraph, document: BagDocument, table: SizeTable): BandPlan[] =>
  (graph.trim?.bands ?? []).map((band) => planBand(band, graph, document, table));
