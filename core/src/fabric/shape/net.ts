import type { Point } from '../../geometry/index.ts';
import { type Band, PARTS } from './bands.ts';
import { reach, type Tread } from './layers.ts';

/** A place between two nodes. */
export interface Place {
  readonly a: number;
  readonly b: number;
  /** Share of the way from the one to the other. */
  readonly t: number;
}

/**
 * A part of a row between two nodes, with what it stands on: a quadrangle alike on both sides, upright, round its
 * middle, as it would lie by itself. On a ring it is a triangle.
 */
export interface Part {
  /** Upper left, upper right, lower right, lower left. */
  readonly corners: readonly Place[];
  readonly rest: readonly Point[];
}

export interface NodeRow {
  readonly first: number;
  readonly nodes: number;
  /** Its last node lies beside its first. */
  readonly ring: boolean;
}

export interface Net {
  readonly count: number;
  /** The base first. */
  readonly rows: readonly NodeRow[];
  readonly parts: readonly Part[];
}

/** @param first what the first row stands on; of no length for a ring. */
export function netOf(bands: readonly Band[], first: Tread): Net {
  const round = bands[0]?.layer.round ?? false;
  const nodes = round ? 2 * PARTS : PARTS + 1;
  const rows: NodeRow[] = [];
  let count = 0;
  const put = (many: number, ring: boolean) => {
    rows.push({ first: count, nodes: many, ring });
    count += many;
  };
  put(first.length > 0 ? nodes : 1, round && first.length > 0);
  for (const _ of bands) put(nodes, round);
  const parts: Part[] = [];
  bands.forEach((band, r) => {
    const [below, row] = [rows[r], rows[r + 1]];
    if (!below || !row) return;
    const lower: Tread = bands[r - 1]?.layer ?? first;
    const many = partsOf(row);
    for (let k = 0; k < many; k++) {
      const [from, to] = [k / many, (k + 1) / many];
      const [left, right] = [band.footAt(from), band.footAt(to)];
      const top = reach(band.layer, to) - reach(band.layer, from);
      const bottom = Math.abs(reach(lower, right) - reach(lower, left));
      const [a, b] = [row.first + k, row.first + ((k + 1) % row.nodes)];
      parts.push({
        corners: [{ a, b: a, t: 0 }, { a: b, b, t: 0 }, placeOn(below, right), placeOn(below, left)],
        rest: trapezium(top, bottom, heightWithin(band, from, to)),
      });
    }
  });
  return { count, rows, parts };
}

/** How high a part stands, one place with another. */
const heightWithin = ({ heightAt }: Band, from: number, to: number) =>
  LOOKED_AT.reduce((sum, share) => sum + heightAt(from + share * (to - from)), 0) / LOOKED_AT.length;
const LOOKED_AT = [1 / 6, 1 / 2, 5 / 6];

/** Corners round their middle: upper left, upper right, lower right, lower left. Between rows it is as high as its stitches. */
function trapezium(top: number, bottom: number, height: number): Point[] {
  const [u, v] = [height / 2, -height / 2];
  return [
    { x: -top / 2, y: u },
    { x: top / 2, y: u },
    { x: bottom / 2, y: v },
    { x: -bottom / 2, y: v },
  ];
}

export const partsOf = ({ nodes, ring }: NodeRow) => Math.max(1, ring ? nodes : nodes - 1);

/** The two nodes of a row that a share of it lies between, and how far from the one to the other. */
export function placeOn(row: NodeRow, share: number) {
  const { first, nodes } = row;
  if (nodes === 1) return { a: first, b: first, t: 0 };
  const parts = partsOf(row);
  const at = Math.min(1, Math.max(0, share)) * parts;
  const k = Math.min(parts - 1, Math.floor(at));
  return { a: first + k, b: first + ((k + 1) % nodes), t: at - k };
}
