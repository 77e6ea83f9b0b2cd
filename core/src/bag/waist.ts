import { clipHalf, NOTHING } from '../geometry/index.ts';
import type { BagGraph, Facet } from './graph.ts';
import { hangs, measure } from './measure.ts';
import { move } from './place.ts';

/** A facet as it is drawn: part of one, where a waist takes it in. */
export interface DrawnFacet extends Facet {
  readonly part?: true;
}

/** How far above and below it a waist is felt, as a share of the bag's extents together. */
const REACH = 0.1;
/** Each band laps so far (mm) over the next, so that no gap shows. */
const LAP = 0.7;
/** Bands a reach is divided into; each is drawn as wide as its middle. */
const BANDS = 8;
/** Farther than so many reaches nothing is felt. */
const FAR = 2.2;

/** A drawn-in waist with how far above and below it is felt, mm. */
export interface Waist {
  readonly height: number;
  readonly draw: number;
  readonly reach: number;
}

/** The waist of a bag, where it has one. */
export function waistOf(graph: BagGraph): Waist | undefined {
  const waist = graph.trim?.waist;
  if (!waist) return undefined;
  const { width, height, depth } = measure(graph);
  return { ...waist, reach: REACH * (width + height + depth) };
}

/** What is drawn in at a height, as a share of the way round: draw exp(-(y / reach)²) at y from the waist. */
export const drawnInAt = ({ height, draw, reach }: Waist, y: number): number =>
  draw * Math.exp(-(((y - height) / reach) ** 2));

/**
 * The facets of the made-up bag with its waist drawn in: level bands of them, each as narrow as its height says. Without a waist, the facets themselves. Only for drawing: what
 * is measured and sewn are the facets.
 */
export function drawnFacets(graph: BagGraph): readonly DrawnFacet[] {
  const waist = waistOf(graph);
  if (!waist) return graph.facets;
  const { reach } = waist;
  const band = reach / BANDS;
  const low = waist.height - FAR * reach;
  const many = Math.ceil((2 * FAR * reach) / band);
  return graph.facets.flatMap((facet): DrawnFacet[] => {
    if (hangs(facet)) return [facet];
    const { origin, u, v } = facet.motion;
    const heights = facet.outline.map((p) => move(facet.motion, p).y);
    const [bottom, top] = [Math.min(...heights), Math.max(...heights)];
    if (top < low || bottom > low + many * band) return [facet];
    const way = Math.hypot(u.y, v.y);
    const drawn = (y: number) => 1 - drawnInAt(waist, y);
    /**
     * The band from one height to another as an affine image: as narrow as its middle, and slanting as the fabric at its
     * own middle does, so that bands meet nearly everywhere.
     */
    const scaled = (from: number, to: number, outline: Facet['outline']): DrawnFacet => {
      const middle = (from + to) / 2;
      const s = drawn(middle);
      const slope = to - from < NOTHING ? 0 : (drawn(to) - drawn(from)) / (to - from);
      const n = outline.length;
      const centre = outline.reduce(
        (sum, p) => {
          const at = move(facet.motion, p);
          return { x: sum.x + at.x / n, z: sum.z + at.z / n };
        },
        { x: 0, z: 0 },
      );
      const taken = ({ x, y, z }: typeof origin, rise: number) => ({
        x: x * s + slope * centre.x * rise,
        y,
        z: z * s + slope * centre.z * rise,
      });
      const motion = { origin: taken(origin, origin.y - middle), u: taken(u, u.y), v: taken(v, v.y) };
      return { ...facet, outline, motion, part: true };
    };
    // A part that lies level is as narrow as its height says, all of it.
    if (way < NOTHING) return [scaled(origin.y, origin.y, facet.outline)];
    const up = { x: u.y / way, y: v.y / way };
    const limit = (y: number) => (y - origin.y) / way;
    return Array.from({ length: many + 2 }, (_, k) => k - 1).flatMap((k): DrawnFacet[] => {
      const [from, to] = [low + k * band, low + (k + 1) * band];
      // What lies below the first band and above the last is drawn in one.
      const above = k < 0 ? facet.outline : clipHalf(facet.outline, { x: -up.x, y: -up.y }, -limit(from));
      const part = k === many ? above : clipHalf(above, up, limit(to + LAP));
      return part.length < 3 ? [] : [scaled(from, to, part)];
    });
  });
}
