import type { BagDocument, Swatch } from '../document/index.ts';
import { type Fabric, type FabricReading, fabricFrom, meanHeight, meanRowEnds } from '../fabric/index.ts';
import { type Gauge, gaugeOf } from '../gauge/index.ts';
import { heightByPitch, rowEndRate } from '../stitches/index.ts';

type Fabrics = Pick<BagDocument, 'fabrics'>;

/** What the rows of a swatch's fabric make; nothing where it is worked in one stitch alone. */
export function readFabric({ fabrics = [] }: Fabrics, swatch: Swatch): FabricReading | undefined {
  const written = fabrics.find(({ id }) => id === swatch.fabric);
  return written && fabricFrom(written, { turning: swatch.turning, usual: swatch.stitch });
}

/** The fabric a swatch is worked in; nothing where that is one stitch alone, or rows that do not come out. */
export function fabricOf(document: Fabrics, swatch: Swatch): Fabric | undefined {
  const reading = readFabric(document, swatch);
  return reading?.is === 'fabric' ? reading.fabric : undefined;
}

/** How many pitches a row is usually high. */
export const usualHeight = (document: Fabrics, swatch: Swatch): number => {
  const fabric = fabricOf(document, swatch);
  return fabric ? meanHeight(fabric) : heightByPitch(swatch.stitch);
};

/** Insertions a row end takes, one with the other, where the maker has no rate of their own. */
export const usualRate = (document: Fabrics, swatch: Swatch): number => {
  const fabric = fabricOf(document, swatch);
  return fabric ? meanRowEnds(fabric) : rowEndRate(swatch.stitch);
};

/** Insertions a row end of a swatch takes: the maker's own rate, or what is usual. */
export const rateOf = (document: Fabrics, swatch: Swatch): number =>
  swatch.rowEnds ?? usualRate(document, swatch);

/** The gauge of a swatch, whatever it is worked in. */
export function swatchGauge(document: Pick<BagDocument, 'fabrics' | 'yarns'>, swatch: Swatch): Gauge {
  const yarn = document.yarns.find(({ id }) => id === swatch.yarn);
  return gaugeOf({ ...swatch, yarnWeight: yarn?.weight ?? 4, height: usualHeight(document, swatch) });
}
