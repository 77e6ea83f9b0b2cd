import { z } from 'zod';
import { type BagGraph, type Extents, measure, type Strap } from '../../bag/index.ts';
import { whole } from '../../geometry/index.ts';
import type { Choices, Control } from '../control/control.ts';
import { yesNo } from '../control/control-kinds.ts';
import { beginInner, exploreInner, innerControls } from '../control/inner-choice.ts';
import { defineFamily } from '../family.ts';
import { innerOf, innerSchema } from '../inner.ts';
import type { Materials } from '../layout/materials.ts';

/** Sizes of a ready-made bag, mm. */
const LEAST = 10;
const MOST = 1200;

const lengthOf = (what: string, least: number) =>
  z
    .number(`${what} is a number of mm.`)
    .min(least, `${what} must be at least ${least} mm.`)
    .max(MOST, `${what} cannot be more than 1.2 m.`);

export const coverSchema = z.strictObject({
  family: z.literal('cover'),
  /** The ready-made bag, pressed flat, mm. */
  over: z.strictObject({
    width: lengthOf('The width of the ready-made bag', LEAST),
    height: lengthOf('The height of the ready-made bag', LEAST),
    depth: lengthOf('The depth of the ready-made bag', 0),
  }),
  /** Loops along the rim that hold the cover to the bag's handles. */
  loops: z.boolean(),
  body: innerSchema,
});
export type Cover = z.infer<typeof coverSchema>;

/** Size of a loop over a handle, mm. */
const LOOP = { across: 30, length: 70, width: 12 } as const;

/** Size of the crochet as a share of the bag it is drawn over. */
export const DRAWN_OVER = 0.98;

/** The crochet comes out a little under the bag and is drawn over it. */
function build({ over, loops, body }: Cover, materials: Materials): BagGraph {
  const graph = innerOf(body).build(materials);
  const size = measure(graph);
  // Handles of a cloth bag stand about a quarter in from either side.
  const aside = size.width / 4;
  const z = size.depth / 2;
  const loop = (x: number, on: 'front' | 'back', name: string): Strap => ({
    name,
    on,
    from: { x: x - LOOP.across / 2, y: size.height, z: on === 'front' ? z : -z },
    to: { x: x + LOOP.across / 2, y: size.height, z: on === 'front' ? z : -z },
    length: LOOP.length,
    width: LOOP.width,
    behind: false,
  });
  const straps = loops
    ? [
        loop(-aside, 'front', 'Front loop, left'),
        loop(aside, 'front', 'Front loop, right'),
        loop(-aside, 'back', 'Back loop, left'),
        loop(aside, 'back', 'Back loop, right'),
      ]
    : [];
  const swatch = materials.stripSwatch();
  const wide = Math.max(1, whole(LOOP.width / materials.nominal.pitch(swatch)));
  const bands = loops
    ? [{ name: 'Loop over a handle', many: straps.length, swatch, wide, length: LOOP.length }]
    : [];
  return { ...graph, covers: over, trim: { ...graph.trim, straps, bands } };
}

function controls(params: Cover, materials: Materials, choices: Choices): Control<Cover>[] {
  const over = (key: keyof Extents, label: string): Control<Cover> => ({
    kind: 'length',
    id: `over-${key}`,
    label,
    value: params.over[key],
    min: key === 'depth' ? 0 : LEAST,
    max: MOST,
    step: 5,
    set: (value) => ({ ...params, over: { ...params.over, [key]: value } }),
  });
  return [
    over('width', 'Ready-made bag: width'),
    over('height', 'Ready-made bag: height'),
    over('depth', 'Ready-made bag: depth'),
    yesNo('loops', 'Loops over its handles', params.loops, (loops): Cover => ({ ...params, loops })),
    ...innerControls(params.body, materials, choices, (body): Cover => ({ ...params, body })),
  ];
}

export const cover = defineFamily(coverSchema)({
  name: 'Cover',
  about:
    'Drawn over a ready-made cloth bag, which is the lining and the size to reach: a little under, never over.',
  drawing: {
    pieces: 'M18 16h36v34H18zM26 16c0 -14 20 -14 20 0',
    folds: 'M14 20v34h44V20',
  },
  // Begun flat, as ready-made bags of cloth mostly are.
  deep: false,
  ofMotifs: false,
  build,
  settle: (params, materials) => ({ ...params, body: innerOf(params.body).settle(materials) }),
  controls,
  onOthers: true,
  // What counts is the bag it fits: the sizes shown are those of the body drawn over it.
  explore: (ranges, materials, offer, take, now) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    exploreInner(
      ranges,
      materials,
      ({ width, height, depth, squares }) =>
        offer(
          Object.assign(size, {
            width: width / DRAWN_OVER,
            height: height / DRAWN_OVER,
            depth: depth / DRAWN_OVER,
            squares,
          }),
        ),
      (body) => {
        const { width, height, depth } = size;
        take({
          family: 'cover',
          over: now?.over ?? { width, height, depth },
          loops: now?.loops ?? true,
          body,
        });
      },
    );
  },
  begin: (size, body, materials) => {
    const within = (wish: number) => Math.min(MOST, Math.max(LEAST, wish));
    const over = { width: within(size.width), height: within(size.height), depth: 0 };
    const drawn = { width: over.width * DRAWN_OVER, height: over.height * DRAWN_OVER, depth: 0 };
    return { family: 'cover', over, loops: true, body: beginInner('wrap-round', drawn, body, materials) };
  },
});
