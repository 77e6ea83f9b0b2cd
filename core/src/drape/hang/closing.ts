import type { BagGraph, Face } from '../../bag/index.ts';
import type { ClosurePlan } from '../../closure/index.ts';
import { at } from '../cloth/at.ts';
import type { Mesh } from '../mesh/mesh.ts';

/** Two nodes that are no farther apart than a length once the bag is closed, mm. */
export interface Tie {
  readonly a: number;
  readonly b: number;
  readonly length: number;
}

/** What closes a bag: a zip along all of its mouth, or things at places across it, as shares of its width. */
export type Closing =
  | { readonly of: 'zip' }
  | {
      readonly of: 'points';
      readonly across: readonly number[];
      readonly on: 'faces' | 'flap';
      readonly reach: number;
    };

/** What is closed lies this near, mm. */
const NEAR = 6;

/** What closes a bag, by its plan; a drawstring and eyelets are drawn, not closed. */
export function closingOf(closure: ClosurePlan | undefined): Closing | undefined {
  if (!closure || closure.of === 'eyelets') return undefined;
  if (closure.of === 'zip') return { of: 'zip' };
  const { places } = closure;
  const reach = closure.of === 'button' || closure.of === 'toggle' ? (closure.over?.length ?? NEAR) : NEAR;
  if (places.on === 'faces')
    return {
      of: 'points',
      on: 'faces',
      reach,
      across: places.front.map(
        (after) => (after + places.wide.front / 2) / Math.max(1, places.stitches.front),
      ),
    };
  const across =
    places.at === 'point'
      ? [0.5]
      : places.after.map((after) => (after + places.wide / 2) / Math.max(1, places.stitches));
  return { of: 'points', on: 'flap', reach: NEAR, across };
}

/**
 * The ties of a closing: of the mouth's front to its back, or of the flap's lowest edge to the front under it.
 *
 * @param p places of the nodes of the pressed bag, mm.
 */
export function tiesOf(
  closing: Closing,
  graph: BagGraph,
  mesh: Mesh,
  mouth: readonly number[],
  p: Float64Array,
): Tie[] {
  const faces = new Map<number, Set<Face>>();
  mesh.facets.forEach(({ face }, t) => {
    for (const v of mesh.triangles.subarray(3 * t, 3 * t + 3))
      faces.set(v, (faces.get(v) ?? new Set()).add(face));
  });
  const on = (face: Face, nodes: Iterable<number>) => [...nodes].filter((v) => faces.get(v)?.has(face));
  const [front, back] = [on('front', mouth), on('back', mouth)];
  const x = (v: number) => at(p, 3 * v);
  const y = (v: number) => at(p, 3 * v + 1);
  const nearest = (nodes: readonly number[], off: (v: number) => number) =>
    nodes.reduce<number | undefined>(
      (best, v) => (best === undefined || off(v) < off(best) ? v : best),
      undefined,
    );
  const tie = (a: number | undefined, b: number | undefined, length: number): Tie[] =>
    a === undefined || b === undefined || a === b ? [] : [{ a, b, length }];
  if (closing.of === 'zip')
    return front.flatMap((v) =>
      tie(
        v,
        nearest(back, (w) => Math.abs(x(w) - x(v))),
        NEAR,
      ),
    );
  if (closing.on === 'faces') {
    const [left, right] = [Math.min(...front.map(x)), Math.max(...front.map(x))];
    return closing.across.flatMap((share) => {
      const off = (v: number) => Math.abs(x(v) - left - share * (right - left));
      return tie(nearest(front, off), nearest(back, off), closing.reach);
    });
  }
  if (!graph.facets.some(({ face }) => face === 'flap')) return [];
  const flap = on('flap', faces.keys());
  const low = Math.min(...flap.map(y));
  const edge = flap.filter((v) => y(v) < low + mesh.spacing / 2);
  const [left, right] = [Math.min(...edge.map(x)), Math.max(...edge.map(x))];
  return closing.across.flatMap((share) => {
    const end = nearest(edge, (v) => Math.abs(x(v) - left - share * (right - left)));
    if (end === undefined) return [];
    const under = on('front', faces.keys()).filter((v) => !faces.get(v)?.has('flap'));
    return tie(
      end,
      nearest(under, (v) => Math.hypot(x(v) - x(end), y(v) - y(end))),
      closing.reach,
    );
  });
}
