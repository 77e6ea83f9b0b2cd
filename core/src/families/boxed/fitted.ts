import { nearestMultiple } from '../../panel/index.ts';
import { MOST_CELLS, MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { stitchPattern } from '../layout/pattern.ts';
import type { SheetMake } from '../layout/sheet-make.ts';

/** The part with its width and height, mm, as near as its counts allow; `undefined` leaves one as it is. */
export function fitted(body: SheetMake, materials: Materials, width?: number, height?: number): SheetMake {
  // What is written has the counts it has.
  if (body.of === 'rows') return body;
  const times = (way: number | undefined, own: number, unit: number, most: number) =>
    way === undefined ? own : Math.min(most, Math.max(1, Math.round(way / unit)));
  if (body.of === 'motifs') {
    const pitch = materials.motifSide(body.motif, body.rounds) + materials.join();
    return {
      ...body,
      columns: times(width, body.columns, pitch, MOST_CELLS),
      rows: times(height, body.rows, pitch, MOST_CELLS),
    };
  }
  const [stitchWay, rowWay] = body.rowsRun === 'across' ? [width, height] : [height, width];
  const stitches = times(stitchWay, body.stitches, materials.pitch(body.swatch), MOST_STITCHES);
  return {
    ...body,
    stitches:
      stitchWay === undefined
        ? stitches
        : nearestMultiple(stitches, stitchPattern(body.multiple, body.swatch, materials), MOST_STITCHES),
    rows: times(rowWay, body.rows, materials.rowHeight(body.swatch), MOST_STITCHES),
  };
}
