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

/** How far down from its chain to the stitches below a hole begins: what is above is the chain itself. */
const UNDER_CHAIN = 0.4;

/** The holes of a row, each as an outline between its chain and the stitches of the row below that were passed over. */
export function openPlaces({ layer, line }: RowLine, below: RowLine): Point[][] {
  const { tops, feet, many, left, right, round } = layer;
  const half = 0.5 / below.layer.many;
  const holes: Point[][] = [];
  for (let i = 0; i < many; ) {
    let end = i + 1;
    if (tops[i]?.kind === 'chain') {
      while (tops[end]?.kind === 'chain') end++;
      // From the end of the place before it to the beginning of the one behind.
      const from = i > 0 ? (feet[i - 1] ?? left) + half : left;
      const to = end < many ? (feet[end] ?? right) - half : right;
      if (to - from > half) holes.push(holeBetween({ layer, line }, below.line, [i, end], [from, to], round));
    }
    i = end;
  }
  return holes;
}

function holeBetween(
  { layer: { many }, line }: RowLine,
  below: readonly Point[],
  [i, end]: readonly [number, number],
  [from, to]: readonly [number, number],
  round: boolean,
): Point[] {
  const parts = Math.max(2, end - i);
  const at = (k: number) => {
    const upper = placeAt(line, (i + ((end - i) * k) / parts) / many, round);
    const lower = placeAt(below, from + ((to - from) * k) / parts, round);
    return { upper: along(upper, lower, UNDER_CHAIN), lower };
  };
  const places = Array.from({ length: parts + 1 }, (_, k) => at(k));
  return [...places.map(({ upper }) => upper), ...places.map(({ lower }) => lower).reverse()];
}
