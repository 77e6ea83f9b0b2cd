import { z } from 'zod';
import { motifBodySchema, sizeOf, workedBodySchema } from './body.ts';
import type { Materials } from './materials.ts';
import { layRowsSheet, rowsBodySchema, rowsSheetSize } from './rows-sheet.ts';
import { layOut, type Sheet, type SheetOptions } from './sheet.ts';

/** A rectangular sheet of a bag: squares, a panel worked in rows, or one by its rows. */
export const sheetSchema = z.discriminatedUnion('of', [motifBodySchema, workedBodySchema, rowsBodySchema]);
export type SheetMake = z.infer<typeof sheetSchema>;

/** Lays it in the net, with half a join on every side that is joined. */
export const laySheet = (make: SheetMake, materials: Materials, options: SheetOptions): Sheet =>
  make.of === 'rows' ? layRowsSheet(make, materials, options) : layOut(make, materials, options);

/** Width and height of a sheet before joins at its outer sides, mm. */
export const sheetSize = (make: SheetMake, materials: Materials): { width: number; height: number } =>
  make.of === 'rows' ? rowsSheetSize(make, materials) : sizeOf(make, materials);
