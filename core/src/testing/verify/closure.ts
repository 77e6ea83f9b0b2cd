import { type BagGraph, measure } from '../../bag/index.ts';
import type { FlapPlaces } from '../../closure/index.ts';
import { sizeTable } from '../../fit/index.ts';
import { type Check, differ } from './check.ts';
import { sidesOf } from './outline.ts';

/** Places that are not their own mirror image, of things so many stitches wide; one in the middle may be a stitch off. */
function lopsided(places: readonly number[], stitches: number, wide: number): string[] {
  const mirrored = places.map((at) => stitches - wide - at).sort((a, b) => a - b);
  return [...places]
    .sort((a, b) => a - b)
    .flatMap((at, i) => {
      const off = Math.abs(at - (mirrored[i] ?? Number.NaN));
      const middle = places.length % 2 === 1 && i === (places.length - 1) / 2;
      return off <= (middle ? 1 : 0) ? [] : [`After ${at} of ${stitches} stitches has no mirror image`];
    });
}

/** Loops of all sides of a flap that lie level with its lowest corner, and how many sides these are. */
function lowestLoops({ pieces, facets }: BagGraph): { readonly loops: number; readonly sides: number } {
  const height = ({ motion: { origin, u, v } }: BagGraph['facets'][number], x: number, y: number) =>
    origin.y + u.y * x + v.y * y;
  const flaps = facets.filter(({ face }) => face === 'flap');
  const lowest = Math.min(...flaps.flatMap((flap) => flap.outline.map(({ x, y }) => height(flap, x, y))));
  const level = flaps.flatMap((flap) => {
    const piece = pieces.find(({ id }) => id === flap.piece);
    return (piece ? sidesOf(piece) : []).flatMap(({ edge, length, p, q }) => {
      const low = [p, q].every(([x, y]) => Math.abs(height(flap, x, y) - lowest) < 1);
      const within = flap.outline.some(({ x, y }) => Math.hypot(x - p[0], y - p[1]) < 1);
      const own = piece?.edges[edge];
      return low && within && own ? [(own.loops * length) / own.length] : [];
    });
  });
  return { loops: level.reduce((sum, loops) => sum + loops, 0), sides: level.length };
}

/** Places along the lowest edge of a flap, of as many stitches as that edge has loops. */
function alongFlap(graph: BagGraph, { at, after, stitches, wide, below }: FlapPlaces): string[] {
  const { loops, sides } = lowestLoops(graph);
  return [
    ...lopsided(after, stitches, wide),
    ...((at === 'edge') === sides > 0 ? [] : [`A flap of ${sides} lowest sides is closed at its ${at}`]),
    // A join between two sides takes one more, and so may rounding.
    ...(at === 'edge'
      ? differ('Stitches of the flap’s lowest edge', stitches, loops + (sides - 1) / 2, sides)
      : []),
    ...(below > measure(graph).height + 1e-6 ? ['What a flap closes on would be below the bag'] : []),
  ];
}

/** What is placed along the rim, and what reaches over it. */
export const closure: Check = {
  name: 'Closures and eyelets',
  how: 'places mirrored from the other side, hole by hole; eyelets and the stitches between them against the round; a loop against the thickness of the full bag and half of its button, by counting its chains',
  of({ document, graph, closure: own, cord, edges }) {
    const pitch = sizeTable(document).swatch(document.swatches[0]?.id ?? '').gauge.pitch.value;
    const wanted = document.finish?.closure;
    const along = own && own.of !== 'zip' ? own.places : undefined;
    const many = (face: 'front' | 'back') =>
      (edges[0]?.parts ?? [])
        .filter((part) => part.face === face)
        .reduce((sum, { from, to }) => sum + to - from, 0);
    const flap = along?.on === 'flap' ? alongFlap(graph, along) : [];
    const faces = (['front', 'back'] as const).flatMap((face) =>
      along?.on === 'faces'
        ? [
            ...lopsided(along[face], along.stitches[face], along.wide[face]),
            ...differ(`Stitches of the ${face}`, along.stitches[face], many(face), 0),
          ]
        : [],
    );
    const reach =
      own?.of === 'button' && own.over && wanted?.of === 'button'
        ? (own.chains * pitch) / 2 - (Math.PI * wanted.diameter) / 2
        : undefined;
    const { width, depth } = measure(graph);
    const thickest = Math.max(
      depth,
      ...(document.brief.contents ?? []).map((one) =>
        one.shape === 'box'
          ? Math.min(one.height, one.width, one.thickness)
          : Math.min(one.height, one.diameter),
      ),
    );
    const flat =
      reach !== undefined &&
      depth < 1 &&
      reach < 0.05 * width &&
      (wanted?.of === 'button' ? wanted.over === undefined : true);
    const round = cord ? cord.gaps.reduce((sum, gap) => sum + gap, 0) + cord.gaps.length : 0;
    return [
      ...flap,
      ...faces,
      ...(cord && cord.places.length > 0 ? differ('Eyelets and gaps', round, cord.stitches, 0) : []),
      ...(flat ? ['A loop said to reach over the full bag reaches over nothing'] : []),
      ...(reach !== undefined && wanted?.of === 'button' && wanted.over === undefined && reach < thickest - 1
        ? [`A loop reaches ${reach.toFixed(0)} mm, what is inside is ${thickest.toFixed(0)} thick`]
        : []),
    ];
  },
};
