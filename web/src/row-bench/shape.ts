import {
  countedPanel,
  fabricFrom,
  fabricPanel,
  type PanelSizes,
  type Stitch,
  sizedPiece,
  type Turning,
  type WorkedPiece,
  type WrittenRows,
} from '@fennot/core';

/** Whose shape is asked for: all that it rests on, as plain data, so that a worker can find it. */
export interface ShapeAsk {
  readonly written: WrittenRows;
  readonly stitch: Stitch;
  readonly turning: Turning;
  readonly sizes: PanelSizes;
  /** Of a fabric: the panel of it that is shown. */
  readonly shown?: { readonly stitches: number; readonly rows: number };
}

/** The shape that was asked for; nothing where no row makes a stitch. */
export function shapeOf({ written, stitch, turning, sizes, shown }: ShapeAsk): WorkedPiece | undefined {
  const { sizes: own, rowEndRate, sections } = sizes;
  if (!shown) return sizedPiece(countedPanel(written, { stitch, turning }), own, rowEndRate, sections);
  const reading = fabricFrom(written, { turning, usual: stitch });
  if (reading.is === 'nothing') return undefined;
  return sizedPiece(fabricPanel(reading.fabric, shown.stitches, shown.rows), own, rowEndRate);
}
