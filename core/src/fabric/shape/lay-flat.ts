import { along, distance, type Point } from '../../geometry/index.ts';
import { type Band, bandsOf } from './bands.ts';
import { begun } from './begin.ts';
import type { Layer, Tread } from './layers.ts';
import { type Net, type NodeRow, netOf, type Place } from './net.ts';
import { relax } from './relax.ts';

/** A row of nodes on the laid-out piece, from its left end to its right, evenly along its tops. */
export interface LaidRow {
  /** The uppermost of the rows between these nodes and those below. */
  readonly layer: Layer;
  readonly nodes: readonly Point[];
  readonly rows: number;
  /** Where its ends stand on the row below, as shares of that. */
  readonly left: number;
  readonly right: number;
}

/** A worked piece laid out flat, as it lies of itself. */
export interface LaidFlat {
  /** What the first row stands on: its nodes; one where that is a ring. */
  readonly base: readonly Point[];
  readonly rows: readonly LaidRow[];
  /** How far lengths are off from what was worked, as a share: of 100 parts 95 are off by less. */
  readonly strain: number;
}

/**
 * Lays a worked piece out in the plane, by least squares: neighbours along a row lie their stitches' pitches apart, a
 * stitch its height over what it is worked into, and the squares between them do not lean. What cannot lie flat is
 * pulled and pushed as little as may be. Knows nothing of shapes: a rectangle, a fan, a disc come of their counts.
 *
 * @param first what the first row stands on; of no length for a ring.
 */
export function layFlat(layers: readonly Layer[], first: Tread): LaidFlat {
  const bands = bandsOf(layers);
  const net = netOf(bands, first);
  const [x, y] = begun(net, bands, first.length);
  relax(net, x, y);
  return laid(net, bands, x, y, first.length);
}

/** The net as rows of points, turned so that its first row runs to the right. */
function laid(
  { rows, parts }: Net,
  bands: readonly Band[],
  x: Float64Array,
  y: Float64Array,
  first: number,
): LaidFlat {
  const point = (node: number): Point => ({ x: x[node] ?? 0, y: y[node] ?? 0 });
  const pointsOf = ({ first: from, nodes }: NodeRow) =>
    Array.from({ length: nodes }, (_, k) => point(from + k));
  const [base, ...others] = rows.map(pointsOf);
  // A ring has no ends: there the last row tells which way is level.
  const level = first > 0 ? base : others.at(-1);
  const [a, b] = [level?.[0], level?.at(-1)];
  const angle = a && b && !(rows[1]?.ring ?? false) ? Math.atan2(b.y - a.y, b.x - a.x) : 0;
  const [cos, sin] = [Math.cos(-angle), Math.sin(-angle)];
  const turned = (p: Point): Point => ({ x: p.x * cos - p.y * sin, y: p.x * sin + p.y * cos });
  const cornerOf = ({ a: from, b: to, t }: Place) => along(point(from), point(to), t);
  const off = parts
    .flatMap(({ corners: [p, q, r, s], rest: [u, v, w, z] }) => {
      if (!p || !q || !r || !s || !u || !v || !w || !z) return [];
      const [ul, ur, lr, ll] = [p, q, r, s].map(cornerOf);
      if (!ul || !ur || !lr || !ll) return [];
      return [
        distance(ul, ur) / distance(u, v) - 1,
        distance(along(ul, ur, 0.5), along(ll, lr, 0.5)) / (u.y - z.y) - 1,
      ];
    })
    .map(Math.abs)
    .sort((p, q) => p - q);
  return {
    base: (base ?? []).map(turned),
    rows: bands.map(({ layer, rows: many, left, right }, r) => ({
      layer,
      nodes: (others[r] ?? []).map(turned),
      rows: many,
      left,
      right,
    })),
    strain: off[Math.floor(0.95 * off.length)] ?? 0,
  };
}

/** A place along nodes, as a share of them; a round goes on from its last to its first. */
export function placeAt(nodes: readonly Point[], share: number, round = false): Point {
  const parts = Math.max(1, nodes.length - (round ? 0 : 1));
  const at = Math.min(1, Math.max(0, share)) * parts;
  const k = Math.min(parts - 1, Math.floor(at));
  const [a, b] = [nodes[k] ?? nodes[0], nodes[(k + 1) % nodes.length]];
  return a && b ? along(a, b, at - k) : { x: 0, y: 0 };
}
