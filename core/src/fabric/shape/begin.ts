import type { Point } from '../../geometry/index.ts';
import type { Band } from './bands.ts';
import { type Net, placeOn } from './net.ts';

/** Where nodes begin: rows as arcs that all turn by the angle by which the piece fans out, one over another. */
export function begun(
  { count, rows }: Net,
  bands: readonly Band[],
  first: number,
): [Float64Array, Float64Array] {
  const [x, y] = [new Float64Array(count), new Float64Array(count)];
  const put = (node: number, p: Point) => {
    x[node] = p.x;
    y[node] = p.y;
  };
  const get = (node: number): Point => ({ x: x[node] ?? 0, y: y[node] ?? 0 });
  const turn = fanOf(bands, first);
  let centre: Point = { x: 0, y: 0 };
  let up = Math.PI / 2;
  let risen = 0;
  rows.forEach((row, r) => {
    const band = bands[r - 1];
    const length = band?.layer.length ?? first;
    if (row.nodes === 1) {
      put(row.first, centre);
      return;
    }
    const below = rows[r - 1];
    if (band) risen += band.heightAt(0.5);
    if (row.ring) {
      for (let k = 0; k < row.nodes; k++) {
        // As rows run to the right with the next above them, rounds run with the clock with the next outside.
        const angle = (-2 * Math.PI * k) / row.nodes;
        const radius = Math.max(risen, length / (2 * Math.PI));
        put(row.first + k, { x: radius * Math.cos(angle), y: radius * Math.sin(angle) });
      }
      return;
    }
    if (band && below) {
      const foot = placeOn(below, band.footAt(0.5));
      const [a, b] = [get(foot.a), get(foot.b)];
      if (below.nodes > 1) up = Math.atan2(b.y - a.y, b.x - a.x) + Math.PI / 2;
      const height = band.heightAt(0.5);
      centre = {
        x: a.x + (b.x - a.x) * foot.t + height * Math.cos(up),
        y: a.y + (b.y - a.y) * foot.t + height * Math.sin(up),
      };
    }
    arc(centre, up, length, turn, row.nodes).forEach((p, k) => {
      put(row.first + k, p);
    });
  });
  return [x, y];
}

/** By how much rows turn from end to end: how much longer they become for each mm that they lie higher. */
function fanOf(bands: readonly Band[], first: number): number {
  let height = 0;
  const points = [{ height, length: first }];
  for (const band of bands) {
    height += band.heightAt(0.5);
    points.push({ height, length: band.layer.length });
  }
  const mean = (of: (point: (typeof points)[number]) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [middle, usual] = [mean((point) => point.height), mean((point) => point.length)];
  let [hh, hl] = [0, 0];
  for (const point of points) {
    hh += (point.height - middle) ** 2;
    hl += (point.height - middle) * (point.length - usual);
  }
  const turn = hh > 0 ? hl / hh : 0;
  return Math.max(-1.9 * Math.PI, Math.min(1.9 * Math.PI, turn));
}

/** Nodes along an arc of a length that turns by an angle, clockwise from its left end, its middle at a place. */
function arc(middle: Point, up: number, length: number, turn: number, nodes: number): Point[] {
  const along = up - Math.PI / 2;
  return Array.from({ length: nodes }, (_, k) => {
    const s = (k / (nodes - 1) - 0.5) * length;
    // Where it hardly turns, it is a line.
    const bent = (turn * s) / length;
    const [x, y] =
      Math.abs(turn) < 1e-6
        ? [s, 0]
        : [(length / turn) * Math.sin(bent), (length / turn) * (Math.cos(bent) - 1)];
    return {
      x: middle.x + x * Math.cos(along) - y * Math.sin(along),
      y: middle.y + x * Math.sin(along) + y * Math.cos(along),
    };
  });
}
