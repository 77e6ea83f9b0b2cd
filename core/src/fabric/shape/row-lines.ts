import { along, type Point } from '../../geometry/index.ts';
import type { SeenTop } from '../seen.ts';
import { type LaidFlat, placeAt } from './lay-flat.ts';
import { footAt, type Layer } from './layers.ts';

/** A row as it lies: a line along its tops, from its left end to its right. */
export interface RowLine {
  readonly layer: Layer;
  readonly line: readonly Point[];
}

/**
 * The lines of all rows. Rows that were laid out together lie between the lines above and below them, as high as their
 * share of the stitches between.
 *
 * @param layers of all rows, as they were laid out.
 */
export function rowLines({ base, rows }: LaidFlat, layers: readonly Layer[]): RowLine[] {
  let below = base;
  let next = 0;
  return rows.flatMap(({ nodes, rows: many }) => {
    const own = layers.slice(next, next + many);
    next += many;
    const lower = below;
    below = nodes;
    return own.map((layer, i): RowLine => {
      if (i === many - 1) return { layer, line: nodes };
      const line = nodes.map((_, k) => {
        const share = k / Math.max(1, nodes.length - (layer.round ? 0 : 1));
        // Down from this row to the line below, through the rows between.
        const foot = own.slice(0, i + 1).reduceRight((at, one) => footAt(one, at), share);
        return along(placeAt(lower, foot, layer.round), placeAt(nodes, share, layer.round), (i + 1) / many);
      });
      return { layer, line };
    });
  });
}

/** A stitch where it stands: its top, and what it stands on. */
export interface StitchPlace {
  readonly is: SeenTop;
  readonly top: Point;
  readonly foot: Point;
  /** How wide it is, mm. */
  readonly wide: number;
}

/** Where each stitch of a row stands. */
export function stitchPlaces({ layer, line }: RowLine, below: readonly Point[]): readonly StitchPlace[] {
  return layer.feet.map((foot, j) => ({
    is: layer.tops[j] ?? { kind: 'low', hold: 'both' },
    top: placeAt(line, (j + 0.5) / layer.many, layer.round),
    foot: placeAt(below, foot, layer.round),
    wide: layer.widths[j] ?? 0,
  }));
}

/** Where sections meet in a row, from its left end. */
export const borderPlaces = ({ layer, line }: RowLine): Point[] =>
  layer.borders.map((border) => placeAt(line, border / layer.many, layer.round));
