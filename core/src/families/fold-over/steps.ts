import { extent } from '../../geometry/index.ts';
import type { Body } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import type { SheetMake } from '../layout/sheet-make.ts';
import type { FoldOver } from './schema.ts';

/** Whether the panel's length is counted in rows; else it is in stitches. */
export const rowsGoUp = (body: SheetMake): boolean =>
  body.of === 'motifs' || (body.of === 'rows' ? !body.upright : body.rowsRun === 'across');

/** Steps along the panel's length: rows of squares, or rows or stitches of a worked panel. */
export function stepsUp(body: SheetMake, materials: Materials): number {
  if (body.of !== 'rows') return countsUp(body);
  const { rows, stitches } = materials.panel(body.panel);
  return rowsGoUp(body) ? rows : stitches;
}

const countsUp = (body: Body): number =>
  body.of === 'motifs' || body.rowsRun === 'across' ? body.rows : body.stitches;

/** Steps of the panel changed, whichever way its rows run. */
export const withSteps = (body: Body, steps: number): Body =>
  body.of === 'motifs' || body.rowsRun === 'across' ? { ...body, rows: steps } : { ...body, stitches: steps };

/** How far up a panel so many steps from its lower end reach, as a share of its height. Written rows are as high as they are. */
export function reachOf(steps: number, body: SheetMake, materials: Materials): number {
  const all = stepsUp(body, materials);
  if (body.of !== 'rows' || body.upright || steps <= 0 || steps >= all)
    return Math.min(1, Math.max(0, steps / all));
  const { rows, outline } = materials.panel(body.panel).piece;
  const low = Math.min(...outline.map(({ y }) => y));
  const line = rows[steps - 1]?.line ?? [];
  const middle = line.reduce((sum, { y }) => sum + y, 0) / Math.max(1, line.length);
  return (middle - low) / extent(outline).height;
}

/** The flap as far as the panel allows: what lies below keeps a row for the back, and one for a front that is part of it. */
export const flapSteps = ({ body, flap, apart }: FoldOver, materials: Materials): number =>
  Math.max(0, Math.min(flap, stepsUp(body, materials) - (apart ? 1 : 2)));
