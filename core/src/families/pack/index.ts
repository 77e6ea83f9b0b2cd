import { z } from 'zod';
import { type BagGraph, measure, type Strap } from '../../bag/index.ts';
import { between, count } from '../../fields/index.ts';
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

export const packSchema = z.strictObject({
  family: z.literal('pack'),
  body: innerSchema,
  worn: z.discriminatedUnion('on', [
    /** On the back: a flap over a drawn rim, two straps. */
    z.strictObject({ on: z.literal('back'), flap: faceSchema, eyelets: eyeletsSchema, strap: strapSchema }),
    /** Round the waist: a zip along the rim, a belt in two parts that button. */
    z.strictObject({ on: z.literal('waist'), belt: strapSchema, holes: holesSchema }),
  ]),
});
export type Pack = z.infer<typeof packSchema>;
type Back = Extract<Pack['worn'], { on: 'back' }>;

const STRAP_WIDTH = 32;

/** From the middle of the back's rim to its lower corners. */
function backStraps(
  { width, height, depth }: { width: number; height: number; depth: number },
  length: number,
) {
  const strap = (name: string, side: number): Strap => ({
    name,
    from: { x: (side * width) / 9, y: height, z: -depth / 2 },
    to: { x: side * width * 0.42, y: height * 0.04, z: -depth / 2 },
    length,
    width: STRAP_WIDTH,
    behind: true,
  });
  return [strap('Left strap', -1), strap('Right strap', 1)];
}

/** Two parts of a belt, from either side of the tube round behind. */
function beltParts(
  { width, height, depth }: { width: number; height: number; depth: number },
  length: number,
) {
  const part = (name: string, side: number): Strap => ({
    name,
    from: { x: (side * width) / 2, y: height * 0.6, z: -depth / 2 },
    to: { x: side * (width / 2 + length / 2), y: height * 0.6, z: -depth / 2 - length / 4 },
    length: length / 2,
    width: STRAP_WIDTH,
    behind: true,
  });
  return [part('Belt, left part', -1), part('Belt, right part', 1)];
}

function build({ body, worn }: Pack, materials: Materials): BagGraph {
  const plain = innerOf(body).build(materials);
  const size = measure(plain);
  if (worn.on === 'waist') return { ...plain, trim: { ...plain.trim, straps: beltParts(size, worn.belt) } };
  const graph = withFlap(plain, worn.flap, materials);
  return {
    ...graph,
    trim: { ...graph.trim, eyelets: worn.eyelets, straps: backStraps(size, worn.strap) },
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
    length('strap', 'Each back strap', worn.strap, (strap) => ({ ...params, worn: { ...worn, strap } })),
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
