import { z } from 'zod';
import { type BagGraph, type Extents, measure, type Strap, type Trim } from '../../bag/index.ts';
import { between, count, idSchema } from '../../fields/index.ts';
import { whole } from '../../geometry/index.ts';
import { type Choices, type Control, lift } from '../control/control.ts';
import { ofPart } from '../control/control-kinds.ts';
import { faceControls, faceSize, oneOfSize } from '../control/face-control.ts';
import { beginInner, exploreInner, innerControls } from '../control/inner-choice.ts';
import { defineFamily } from '../family.ts';
import { innerOf, innerSchema } from '../inner.ts';
import { evenEyelets, eyeletsSchema } from '../layout/eyelets.ts';
import { faceSchema } from '../layout/face.ts';
import { withFlap } from '../layout/flap.ts';
import type { Materials } from '../layout/materials.ts';

const MOST_STRAP = 1500;
/** What a pack begins with: straps over the shoulders, a belt round a waist (mm), a cord through the rim. */
const [USUAL_STRAP, USUAL_BELT] = [700, 900];
const USUAL_EYELETS = 16;
const strapSchema = z
  .number('A strap has a length in mm.')
  .min(100, 'A strap is at least 10 cm long.')
  .max(MOST_STRAP, 'A strap is at most 1.5 m long.');

const holesSchema = count('Button holes', 30);
const middleSchema = count('The part of the strap that is sewn to the rim', 30, 3);
/** What straps are worked in, and how many stitches wide, where the maker says so. */
const worked = { swatch: idSchema.optional(), wide: count('The width of a strap', 60).optional() };

export const packSchema = z.strictObject({
  family: z.literal('pack'),
  body: innerSchema,
  worn: z.discriminatedUnion('on', [
    /** On the back: a flap over a drawn rim, two straps. */
    z.strictObject({
      on: z.literal('back'),
      flap: faceSchema,
      eyelets: eyeletsSchema,
      /** From the rim to a lower corner. */
      strap: strapSchema,
      /** Both are one long strap; its middle, one part in so many of it, is sewn to the rim. */
      middle: middleSchema.optional(),
      ...worked,
    }),
    /** Round the waist: a zip along the rim, a belt in two parts that button. */
    z.strictObject({ on: z.literal('waist'), belt: strapSchema, holes: holesSchema, ...worked }),
  ]),
});
export type Pack = z.infer<typeof packSchema>;
type Back = Extract<Pack['worn'], { on: 'back' }>;
type Waist = Extract<Pack['worn'], { on: 'waist' }>;

/** How wide a strap is unless the maker says so, mm; and which part of a pack's strap is sewn to the rim. */
const STRAP_WIDTH = 32;
const USUAL_MIDDLE = 12;

/** What its straps are worked in, with their width in stitches and mm. */
function strapOf({ swatch, wide }: Pack['worn'], materials: Materials) {
  const own = swatch ?? materials.stripSwatch();
  const stitches = wide ?? Math.max(1, whole(STRAP_WIDTH / materials.nominal.pitch(own)));
  return { swatch: own, wide: stitches, width: stitches * materials.pitch(own) };
}

/** One long strap: its middle lies along the middle of the back's rim, its ends go to the lower corners. */
function backStraps({ width, height, depth }: Extents, worn: Back, materials: Materials): Trim {
  const { strap: length, middle = USUAL_MIDDLE } = worn;
  const own = strapOf(worn, materials);
  // The middle is one part in so many of all: what hangs is the rest.
  const all = (2 * length * middle) / (middle - 1);
  const sewn = Math.min(all / middle, width);
  const strap = (name: string, side: number): Strap => ({
    name,
    on: 'back',
    from: { x: (side * sewn) / 2, y: height, z: -depth / 2 },
    to: { x: side * width * 0.42, y: height * 0.04, z: -depth / 2 },
    length,
    width: own.width,
    behind: true,
    swatch: own.swatch,
  });
  return {
    straps: [strap('Left strap', -1), strap('Right strap', 1)],
    bands: [{ ...own, name: 'Back strap', many: 1, length: all, middle }],
  };
}

/** Two parts of a belt, from either side of the tube round behind. */
function beltParts({ width, height, depth }: Extents, worn: Waist, materials: Materials): Trim {
  const length = worn.belt;
  const own = strapOf(worn, materials);
  const part = (name: string, side: number): Strap => ({
    name,
    on: 'back',
    free: true,
    from: { x: (side * width) / 2, y: height * 0.6, z: -depth / 2 },
    to: { x: side * (width / 2 + length / 2), y: height * 0.6, z: -depth / 2 - length / 4 },
    length: length / 2,
    width: own.width,
    behind: true,
    swatch: own.swatch,
  });
  return {
    straps: [part('Belt, left part', -1), part('Belt, right part', 1)],
    bands: [
      { ...own, name: 'Belt, part with the button', many: 1, length: length / 2 },
      { ...own, name: 'Belt, part with the holes', many: 1, length: length / 2, holes: worn.holes },
    ],
  };
}

function build({ body, worn }: Pack, materials: Materials): BagGraph {
  const plain = innerOf(body).build(materials);
  const size = measure(plain);
  if (worn.on === 'waist') return { ...plain, trim: { ...plain.trim, ...beltParts(size, worn, materials) } };
  const graph = withFlap(plain, worn.flap, materials);
  return {
    ...graph,
    trim: { ...graph.trim, eyelets: worn.eyelets, ...backStraps(size, worn, materials) },
  };
}

function beginBack(width: number, materials: Materials): Back {
  const motif = materials.anyMotif();
  const size = { width: width * 0.7, height: width * 0.7 };
  return {
    on: 'back',
    flap: motif
      ? oneOfSize(size, motif, materials)
      : {
          of: 'worked',
          swatch: materials.stripSwatch(),
          stitches: Math.max(4, Math.round(size.width / materials.pitch(materials.stripSwatch()))),
          rows: Math.max(4, Math.round(size.height / materials.rowHeight(materials.stripSwatch()))),
          multiple: { multiple: 1, extra: 0 },
          rowsRun: 'across',
        },
    eyelets: USUAL_EYELETS,
    strap: USUAL_STRAP,
  };
}

/** Squares that are made for what it is worn with. */
function squaresOf(worn: Pack['worn']): number {
  if (worn.on === 'waist') return 0;
  const { flap } = worn;
  if (flap.of === 'motifs') return flap.columns * flap.rows;
  return flap.of === 'one' ? 1 : 0;
}

function controls(params: Pack, materials: Materials, choices: Choices): Control<Pack>[] {
  const { worn } = params;
  const own = innerControls(params.body, materials, choices, (body): Pack => ({ ...params, body }));
  const length = (id: string, label: string, value: number, set: (value: number) => Pack): Control<Pack> => ({
    kind: 'length',
    id,
    label,
    value,
    ...between(strapSchema),
    step: 10,
    set,
  });
  const kind: Control<Pack> = {
    kind: 'choice',
    id: 'worn',
    label: 'Worn',
    value: worn.on,
    options: [
      { value: 'back', label: 'On the back: flap, drawstring, two straps' },
      { value: 'waist', label: 'Round the waist: zip, belt in two parts' },
    ],
    set: (on) => {
      if (on === worn.on) return params;
      return on === 'waist'
        ? { ...params, worn: { on: 'waist', belt: USUAL_BELT, holes: 5 } }
        : { ...params, worn: beginBack(measure(innerOf(params.body).build(materials)).width, materials) };
    },
  };
  const strap = strapOf(worn, materials);
  const working: Control<Pack>[] = [
    {
      kind: 'count',
      id: 'strap-wide',
      label: 'Stitches across the strap',
      value: strap.wide,
      ...between(worked.wide.unwrap()),
      step: 1,
      set: (wide) => (wide === strap.wide ? params : { ...params, worn: { ...worn, wide } }),
    },
    ...(choices.swatches.length > 1
      ? [
          {
            kind: 'choice' as const,
            id: 'strap-swatch',
            label: 'Strap worked in',
            value: strap.swatch,
            options: choices.swatches.map(({ id, name }) => ({ value: id, label: name })),
            set: (swatch: string): Pack =>
              swatch === strap.swatch ? params : { ...params, worn: { ...worn, swatch } },
          },
        ]
      : []),
  ];
  if (worn.on === 'waist')
    return [
      kind,
      ...own,
      length('belt', 'Belt, both parts together', worn.belt, (belt) => ({
        ...params,
        worn: { ...worn, belt },
      })),
      {
        kind: 'count',
        id: 'holes',
        label: 'Button holes',
        value: worn.holes,
        ...between(holesSchema),
        step: 1,
        set: (holes) => ({ ...params, worn: { ...worn, holes } }),
      },
      ...working,
    ];
  const flap = faceSize(worn.flap, materials);
  return [
    kind,
    ...own,
    ...ofPart(
      'flap',
      'Flap',
      faceControls(worn.flap, {
        choices,
        materials,
        corner: { x: flap.width, y: flap.height },
        columnsLabel: 'columns',
        rowsLabel: 'rows of squares',
      }).map((control) => lift(control, (next): Pack => ({ ...params, worn: { ...worn, flap: next } }))),
    ),
    {
      kind: 'count',
      id: 'eyelets',
      label: 'Eyelets for the drawstring',
      value: worn.eyelets,
      ...between(eyeletsSchema),
      step: 2,
      hint: 'an even number. Cords and long straps can catch and strangle: never on small children’s things',
      set: (eyelets) => ({ ...params, worn: { ...worn, eyelets: evenEyelets(eyelets) } }),
    },
    length('strap', 'Back strap, from the rim to each lower corner', worn.strap, (next) => ({
      ...params,
      worn: { ...worn, strap: next },
    })),
    {
      kind: 'count',
      id: 'strap-middle',
      label: 'Its middle, sewn to the rim: one part in',
      value: worn.middle ?? USUAL_MIDDLE,
      ...between(middleSchema),
      step: 1,
      hint: 'both straps are one: the middle is sewn on, what hangs on either side is the same',
      set: (middle) =>
        middle === (worn.middle ?? USUAL_MIDDLE) ? params : { ...params, worn: { ...worn, middle } },
    },
    ...working,
  ];
}

export const pack = defineFamily(packSchema)({
  name: 'Pack',
  about: 'A body to wear: on the back with flap, drawstring and two straps, or round the waist on a belt.',
  drawing: {
    pieces: 'M20 18h32v34H20zM26 18V6h20v12zM20 22c-12 6 -12 22 0 28M52 22c12 6 12 22 0 28',
    folds: 'M18 18h36',
  },
  deep: true,
  ofMotifs: false,
  build,
  settle: (params, materials) => ({ ...params, body: innerOf(params.body).settle(materials) }),
  controls,
  onOthers: true,
  explore: (ranges, materials, offer, take, now) => {
    // The flap hangs on the body and does not count for its size, but is a square more to make.
    const flap = now ? squaresOf(now.worn) : materials.anyMotif() ? 1 : 0;
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    exploreInner(
      ranges,
      materials,
      (body) => offer(Object.assign(size, body, { squares: body.squares + flap })),
      (body) => take({ family: 'pack', body, worn: now?.worn ?? beginBack(size.width, materials) }),
    );
  },
  begin: (size, body, materials) => ({
    family: 'pack',
    body: beginInner('boxed', size, body, materials),
    worn: beginBack(size.width, materials),
  }),
});
