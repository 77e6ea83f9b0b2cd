import {
  type BagDocument,
  bandRows,
  fabricOf,
  type Piece,
  type RowColours,
  repeatOf,
  rowColours,
  type SeenRow,
  type Stitch,
  type Swatch,
  seenRows,
  stripesOf,
  swatchOf,
  yarnOf,
} from '@fennot/core';
import { painted } from './canvas.ts';
import { shade } from './shade.ts';
import { CELL, drawTop, standsOut } from './stitch-marks.ts';

/** A piece of fabric that is repeated: so many stitches wide, so many rows high, as an image address. */
export interface ClothTile {
  readonly href: string;
  readonly columns: number;
  readonly rows: number;
}

/** A row of a tile, as it is seen from in front. */
interface TileRow {
  readonly tops: SeenRow;
  readonly colour: string;
}

/** Pixels of a stitch, where there is room; and of the longest side of a tile. */
const PIXELS = 48;
const MOST_PIXELS = 2048;

const common = (a: number, b: number): number => {
  let [p, q] = [a, b];
  while (q > 0) [p, q] = [q, p % q];
  return (a * b) / p;
};

/** Two stitches by two rows of one stitch. */
export function plainTile(stitch: Stitch, colour: string): ClothTile {
  const tops: SeenRow = [0, 1].map(() => ({ kind: stitch, hold: 'both' }));
  return tileOf([0, 1].map(() => ({ tops, colour })));
}

/** The tile of a swatch: a repeat of its fabric, in its yarn. */
export function swatchTile(document: BagDocument, swatch: Swatch): ClothTile {
  const fabric = fabricOf(document, swatch);
  const { colour } = yarnOf(document, swatch.yarn);
  if (!fabric) return plainTile(swatch.stitch, colour);
  const rows = fabric.repeated.first - 1 + common(repeatOf(fabric), 2);
  return tileOf(rowsOf(seenRows(fabric), rows, () => colour));
}

/** The tile of a panel: its fabric in its stripes, as many rows as come again, or all of them. */
export function panelTile(document: BagDocument, piece: Piece): ClothTile {
  const { make } = piece;
  if (make.of === 'motif') throw new Error(`${piece.name} is worked in rounds.`);
  const swatch = swatchOf(document, make.swatch);
  const stripes = stripesOf(document, piece.id);
  const fabric = fabricOf(document, swatch);
  if (!stripes) return swatchTile(document, swatch);
  const tops: SeenRow = [0, 1].map(() => ({ kind: swatch.stitch, hold: 'both' }));
  const seen = fabric ? seenRows(fabric) : () => tops;
  const again = common(common(fabric ? repeatOf(fabric) : 1, bandRows(stripes)), 2);
  const rows = fabric && fabric.repeated.first > 1 ? make.rows : Math.min(again, make.rows);
  const colours: RowColours = rowColours(document, piece);
  return tileOf(rowsOf(seen, rows, (row) => yarnOf(document, colours(row)).colour));
}

const rowsOf = (
  seen: (row: number) => SeenRow,
  many: number,
  colour: (row: number) => string,
): readonly TileRow[] =>
  Array.from({ length: many }, (_, k) => ({ tops: seen(k + 1), colour: colour(k + 1) }));

/** Rows from the lowest up as a picture that can be laid side by side. */
function tileOf(rows: readonly TileRow[]): ClothTile {
  // A single stitch beside itself would look like lines.
  const wide =
    rows[0]?.tops.length === 1 ? rows.map((row) => ({ ...row, tops: [...row.tops, ...row.tops] })) : rows;
  const columns = wide[0]?.tops.length ?? 1;
  const pixels = Math.min(PIXELS, MOST_PIXELS / Math.max(columns, wide.length));
  const key = wide
    .map(({ tops, colour }) => `${colour}${tops.map(({ kind, hold }) => `${kind}${hold}`).join()}`)
    .join(' ');
  const href = painted(
    `tile ${key}`,
    { width: columns * pixels, height: wide.length * pixels },
    (context) => {
      context.setTransform(pixels / CELL, 0, 0, pixels / CELL, 0, 0);
      wide.forEach(({ colour }, i) => {
        context.fillStyle = shade(colour, -0.32);
        context.fillRect(0, (wide.length - 1 - i) * CELL, columns * CELL, CELL);
      });
      // What stands out is drawn over what lies beside it; cells beyond the border come in from the other side.
      for (const out of [false, true])
        for (let i = -1; i <= wide.length; i++) {
          const row = wide[(i + wide.length) % wide.length];
          if (!row) continue;
          for (let column = -1; column <= columns; column++) {
            const top = row.tops[(column + columns) % columns];
            if (!top || standsOut(top) !== out) continue;
            const behind = ((i % 2) + 2) % 2 === 1;
            const x = column * CELL + (behind && !out ? 2 : 0);
            drawTop(context, top, [x, (wide.length - 1 - i) * CELL], row.colour, behind);
          }
        }
    },
  );
  return { href, columns, rows: wide.length };
}
