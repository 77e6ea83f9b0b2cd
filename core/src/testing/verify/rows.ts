import { panelOf, swatchOf } from '../../document/index.ts';
import type { WorkedPiece } from '../../fabric/index.ts';
import { panelPiece, sizeTable } from '../../fit/index.ts';
import { area, extent } from '../../geometry/index.ts';
import { type Check, differ } from './check.ts';

/** Between rows that turn into one another stitches lean: so much of an area may be lost or won, as a share. */
const LEANING = 0.07;

/** Stitches laid side by side, mm²: of each row as wide as its tops and what they stand on, as high as they are. */
function stitchArea({ rows }: WorkedPiece, first: number): number {
  let below = first;
  let all = 0;
  for (const { layer } of rows) {
    const foot = layer.round ? below : Math.abs(layer.right - layer.left) * below;
    const height = layer.heights.reduce((sum, one) => sum + one, 0) / Math.max(1, layer.heights.length);
    all += ((layer.length + foot) / 2) * height;
    below = layer.length;
  }
  return all;
}

/** Panels by their rows against their stitches. */
export const rows: Check = {
  name: 'Panels by their rows',
  how: 'the area of each that lies flat as its stitches laid side by side, section by section, and as it is laid as a sheet; as many loops along its last row, or round, as that makes',
  of({ document, graph }) {
    const said: string[] = [];
    const table = sizeTable(document);
    const { sizes } = table;
    const joins = Object.values(document.joins.lines ?? {}).length > 0 ? 3 : 1;
    for (const piece of graph.pieces) {
      const { make, name, edges } = piece;
      if (make.of !== 'panel' || make.panel === undefined) continue;
      const panel = panelOf(document, make.panel);
      const { program, piece: worked } = panelPiece(document, panel, swatchOf(document, make.swatch), sizes);
      const last = program.rows.at(-1);
      if (!worked || !last) {
        said.push(`${name}: it has no rows.`);
        continue;
      }
      const base = worked.sides.find(({ at }) => at === 'bottom');
      const first = base ? extent(base.path).width : 0;
      if (worked.flatness.lies === 'flat') {
        const stitches = stitchArea(worked, first);
        said.push(
          ...differ(
            `${name}, area by its stitches, cm²`,
            Math.abs(area(worked.outline)) / 100,
            stitches / 100,
            (LEANING * stitches) / 100,
          ),
        );
        // As a sheet it is a rectangle, with half a join at every side that is sewn.
        const { width, height } = extent(piece.outline);
        if (piece.outline.length === 4)
          said.push(
            ...differ(
              `${name}, area as a sheet, cm²`,
              (width * height) / 100,
              stitches / 100,
              (LEANING * stitches + Math.abs(table.join().value) * joins * (width + height)) / 100,
            ),
          );
      }
      const tops = edges.filter(({ kind }) => kind === 'tops' || kind === 'round').map(({ loops }) => loops);
      if (!tops.includes(last.makes))
        said.push(`${name}: its last row makes ${last.makes}, and no edge has as many loops: ${tops.join()}`);
    }
    return said;
  },
};
