import { polygonHull } from 'd3-polygon';
import type { Point } from './plane.ts';

/** The smallest convex outline round some points, counter-clockwise; nothing round fewer than three. */
export const hullOf = (points: readonly Point[]): Point[] =>
  // The library counts y downwards, as on a screen: its way round is the other one here.
  (polygonHull(points.map(({ x, y }) => [x, y])) ?? []).map(([x, y]) => ({ x, y })).reverse();
