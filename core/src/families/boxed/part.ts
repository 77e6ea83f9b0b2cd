import { z } from 'zod';
import { nearestMultiple } from '../../panel/index.ts';
import {
  type BodyControlOptions,
  bodyControls,
  type Control,
  panelOfSize,
  sizeOf,
} from '../control/control.ts';
import { panelOfValue, panelOptions, panelValue, rowsRunChoice } from '../control/control-kinds.ts';
import { type Body, MOST_CELLS, MOST_STITCHES, motifBodySchema, workedBodySchema } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { stitchPattern } from '../layout/pattern.ts';
import { isRectangular, layRowsSheet, rowsBodySchema, rowsSheetSize } from '../layout/rows-sheet.ts';
import { layOut, type Sheet, type SheetOptions } from '../layout/sheet.ts';

/** A wall, or the bottom: squares, a panel worked in rows, or one by its rows. */
export const partSchema = z.discriminatedUnion('of', [motifBodySchema, workedBodySchema, rowsBodySchema]);
export type BoxPart = z.infer<typeof partSchema>;

export const layPart = (part: BoxPart, materials: Materials, options: SheetOptions): Sheet =>
  part.of === 'rows' ? layRowsSheet(part, materials, options) : layOut(part, materials, options);

/** Width and height of a part before joins at its outer sides, mm. */
export const partSize = (part: BoxPart, materials: Materials) =>
  part.of === 'rows' ? rowsSheetSize(part, materials) : sizeOf(part, materials);

/** The part with its width and height, mm, as near as its counts allow; `undefined` leaves one as it is. */
export function fitted(body: BoxPart, materials: Materials, width?: number, height?: number): BoxPart {
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

/** The controls of a wall, or of the bottom: what it is of, and its counts where its rows do not say them. */
export function partControls(part: BoxPart, options: BodyControlOptions): Control<BoxPart>[] {
  const { choices, materials } = options;
  const written = (choices.panels ?? []).filter(
    ({ id }) => materials.hasRows(id) && isRectangular(materials.panel(id).piece),
  );
  const like: Body =
    part.of === 'rows'
      ? panelOfSize(partSize(part, materials), materials.panel(part.panel).swatch, materials)
      : part;
  const [of, ...own] = bodyControls(like, options);
  if (of?.kind !== 'choice') return [];
  const choice: Control<BoxPart> = {
    kind: 'choice',
    id: of.id,
    label: of.label,
    value: part.of === 'rows' ? panelValue(part.panel) : part.of,
    options: [...of.options, ...panelOptions(written)],
    set: (value) => {
      const panel = panelOfValue(value);
      if (panel === undefined) return of.set(value);
      return part.of === 'rows' && part.panel === panel ? part : { of: 'rows', panel };
    },
  };
  if (part.of !== 'rows') return [choice, ...own];
  return [
    choice,
    rowsRunChoice(
      part.upright ?? false,
      { across: 'Across', upright: 'Upright' },
      (upright): BoxPart => ({ of: 'rows', panel: part.panel, ...(upright && { upright }) }),
    ),
  ];
}
