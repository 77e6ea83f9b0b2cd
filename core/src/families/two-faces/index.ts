import { z } from 'zod';
import { type BagGraph, chainLength, type Interval, type Motion } from '../../bag/index.ts';
import { must, NOTHING, type Point3 } from '../../geometry/index.ts';
import { bodyOfSize, type Choices, type Control, lift } from '../control/control.ts';
import { ofPart } from '../control/control-kinds.ts';
import { faceControls, faceSize } from '../control/face-control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { bend, type HalfPlane, type Region } from '../layout/bend.ts';
import { type FaceMake, faceSchema, layFace } from '../layout/face.ts';
import type { LaidFace } from '../layout/laid-face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sew, split } from '../layout/sew.ts';
import { reversed } from '../layout/sheet.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { scaled, X, Y, Z } from '../layout/wrap.ts';

/** Deepest boxed corner, mm. */
const MOST_TUCK = 400;
/** Boxed corners come in steps of this, mm. */
const TUCK_STEP = 5;

export const twoFacesSchema = z.strictObject({
  family: z.literal('two-faces'),
  face: faceSchema,
  /** A rectangular back of its own, where the front is one, too. Without it both faces are alike. */
  back: faceSchema.optional(),
  /** Depth sewn across each bottom corner, mm; 0 leaves the bag flat. */
  tuck: z
    .number('The depth of a boxed corner is a number of mm.')
    .min(0, 'The depth of a boxed corner cannot be negative.')
    .max(MOST_TUCK, 'The depth of a boxed corner cannot be more than 40 cm.'),
});
export type TwoFaces = z.infer<typeof twoFacesSchema>;

/** A back of its own: only rectangles are sewn to one of another size or fabric. */
const ownBack = ({ face, back }: TwoFaces): FaceMake | undefined =>
  back && hasCorners(face) && hasCorners(back) ? back : undefined;

const facing = (normal: HalfPlane['normal'], limit: number): HalfPlane => ({ normal, limit });
const point = (x: number, y: number, z: number): Point3 => ({ x, y, z });

/**
 * Where the parts of one face go when its lower corners are sewn across at depth t: with k = t / 2, the
 * lowest k becomes half the bottom, the outer k on either side half a side wall, and the k by k corners are
 * folded along their diagonals and lie inside, on the bottom. So the bag loses t in width and t / 2 in
 * height and gains t in depth.
 *
 * All is written for the front with its lower left corner at `at`; the back is the front turned half round.
 */
function faceRegions({ width: w, at }: LaidFace, k: number, name: 'front' | 'back'): Region[] {
  const inner = w / 2 - k;
  const holds = (piece: { cell: { sheet: string } }) => piece.cell.sheet === name;
  /** A motion that puts the sheet's point (px, py) at `there`. */
  const move = (px: number, py: number, there: Point3, u: Point3, v: Point3): Motion => {
    const [x, y] = [px + at.x, py + at.y];
    const motion = {
      origin: {
        x: there.x - x * u.x - y * v.x,
        y: there.y - x * u.y - y * v.y,
        z: there.z - x * u.z - y * v.z,
      },
      u,
      v,
    };
    if (name === 'front') return motion;
    const half = (p: Point3) => point(-p.x, p.y, -p.z);
    return { origin: half(motion.origin), u: half(u), v: half(v) };
  };
  const left = (limit: number) => facing({ x: 1, y: 0 }, at.x + limit);
  const right = (limit: number) => facing({ x: -1, y: 0 }, -at.x - limit);
  const below = (limit: number) => facing({ x: 0, y: 1 }, at.y + limit);
  const above = (limit: number) => facing({ x: 0, y: -1 }, -at.y - limit);
  const whole = (face: Region['face'], within: HalfPlane[], motion: Motion): Region => ({
    face,
    within,
    motion,
    holds,
  });
  const main = whole(name, [right(k), left(w - k), above(k)], move(k, k, point(-inner, 0, k), X, Y));
  if (k < NOTHING) return [whole(name, [], move(0, 0, point(-w / 2, 0, 0), X, Y))];
  const [sideLeft, sideRight] =
    name === 'front' ? (['left', 'right'] as const) : (['right', 'left'] as const);
  const tucked = (within: HalfPlane[], motion: Motion): Region => ({
    ...whole('bottom', within, motion),
    tucked: true,
  });
  const westX = scaled(X, -1);
  const corner = point(-inner, 0, k);
  const far = point(inner, 0, k);
  // Diagonals of the corner squares: x = y from the left, and its mirror from the right.
  const rising = Math.SQRT1_2 * (at.y - at.x);
  const falling = Math.SQRT1_2 * (at.x + w + at.y);
  const overLeft = facing({ x: Math.SQRT1_2, y: -Math.SQRT1_2 }, -rising);
  const underLeft = facing({ x: -Math.SQRT1_2, y: Math.SQRT1_2 }, rising);
  const overRight = facing({ x: -Math.SQRT1_2, y: -Math.SQRT1_2 }, -falling);
  const underRight = facing({ x: Math.SQRT1_2, y: Math.SQRT1_2 }, falling);
  return [
    main,
    whole(sideLeft, [left(k), above(k)], move(k, k, corner, Z, Y)),
    whole(sideRight, [right(w - k), above(k)], move(w - k, k, far, scaled(Z, -1), Y)),
    whole('bottom', [right(k), left(w - k), below(k)], move(k, k, corner, X, Z)),
    tucked([left(k), below(k), overLeft], move(k, k, corner, Z, westX)),
    tucked([left(k), below(k), underLeft], move(k, k, corner, westX, Z)),
    tucked([right(w - k), below(k), overRight], move(w - k, k, far, scaled(Z, -1), X)),
    tucked([right(w - k), below(k), underRight], move(w - k, k, far, westX, Z)),
  ];
}

/** Only a rectangle has corners to sew across. */
const hasCorners = (face: FaceMake) => face.of === 'motifs' || face.of === 'worked';

/**
 * A front and a back that differ. They are sewn as high as the lower one; what the back has more folds over as a flap, what
 * the front has more stands up. A back of another width is eased onto the front's.
 */
function buildApart(front: LaidFace, back: LaidFace): BagGraph {
  const high = Math.min(front.height, back.height);
  const ease = front.width / back.width;
  const west = scaled(X, -ease);
  const left = front.width / 2 + back.at.x * ease;
  const fold = back.at.y + high;
  const over = back.height > high + NOTHING;
  const standing: Region[] = [
    { face: 'front', within: [], motion: { origin: point(-front.width / 2, 0, 0), u: X, v: Y } },
  ];
  const behind: Region[] = [
    {
      face: 'back',
      within: over ? [facing({ x: 0, y: 1 }, fold)] : [],
      motion: { origin: point(left, -back.at.y, 0), u: west, v: Y },
    },
    ...(over
      ? [
          {
            face: 'flap' as const,
            within: [facing({ x: 0, y: -1 }, -fold)],
            motion: { origin: point(left, fold + high, 0), u: west, v: scaled(Y, -1) },
          },
        ]
      : []),
  ];
  const bent = [bend(front.pieces, standing), bend(back.pieces, behind)];
  /** The lowest part of a side, walked as the front's outline runs: down the left side, up the right one. */
  const lowest = (chain: readonly Interval[], down: boolean) =>
    down ? split(chain, chainLength(chain) - high)[1] : split(chain, high)[0];
  const sewn = front.sides.map(({ id, name, chain }, i) => {
    const other = reversed(must(back.sides.at(-1 - i), 'side behind').chain);
    const level = id === 'bottom';
    const title = `${name.charAt(0).toUpperCase()}${name.slice(1)} seam`;
    const part = (own: readonly Interval[]) => (level ? own : lowest(own, i === 0));
    return sew('closing', `seam/${id}`, title, part(chain), part(other));
  });
  return {
    pieces: [...front.pieces, ...back.pieces],
    seams: [...front.seams, ...back.seams, ...sewn.flatMap(({ seams }) => seams)],
    lines: [...front.lines, ...back.lines, ...sewn.map(({ line }) => line)],
    folds: bent.flatMap(({ folds }) => folds),
    facets: bent.flatMap(({ facets }) => facets),
    rims: 1,
  };
}

function build(params: TwoFaces, materials: Materials): BagGraph {
  const { face, tuck } = params;
  const front = layFace(face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } });
  const at = { x: front.width + APART, y: 0 };
  const own = ownBack(params);
  const back = layFace(own ?? face, materials, { id: 'back', name: 'Back', at, mirrored: true });
  if (own) return buildApart(front, back);
  // A corner cannot be deeper than the face is wide, nor twice as high.
  const k = hasCorners(face) ? Math.min(tuck, front.width * 0.95, front.height * 1.9) / 2 : 0;
  const pieces = [...front.pieces, ...back.pieces];
  const bent = bend(pieces, [...faceRegions(front, k, 'front'), ...faceRegions(back, k, 'back')]);
  const sewn = front.sides.map(({ id, name, chain }, i) => {
    const behind = reversed(must(back.sides.at(-1 - i), 'side behind').chain);
    const title = `${name.charAt(0).toUpperCase()}${name.slice(1)} seam`;
    return sew('closing', `seam/${id}`, title, chain, behind);
  });
  return {
    pieces,
    seams: [...front.seams, ...back.seams, ...sewn.flatMap(({ seams }) => seams)],
    lines: [...front.lines, ...back.lines, ...sewn.map(({ line }) => line)],
    ...bent,
    rims: 1,
    tucks:
      k > 0
        ? [
            { name: 'lower left corner', length: 2 * k },
            { name: 'lower right corner', length: 2 * k },
          ]
        : [],
  };
}

function controls(params: TwoFaces, materials: Materials, choices: Choices): Control<TwoFaces>[] {
  const { width, height } = faceSize(params.face, materials);
  const face = faceControls(params.face, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns of each face',
    rowsLabel: 'Rows of each face',
  }).map((control) => lift(control, (next): TwoFaces => ({ ...params, face: next })));
  if (!hasCorners(params.face)) return face;
  const own = ownBack(params);
  const behind: Control<TwoFaces> = {
    kind: 'choice',
    id: 'back-own',
    label: 'The back',
    value: own ? 'own' : 'same',
    options: [
      { value: 'same', label: 'As the front' },
      { value: 'own', label: 'Of its own: another fabric, size or height' },
    ],
    set: (value) =>
      value === (own ? 'own' : 'same')
        ? params
        : value === 'own'
          ? // Sewn-across corners need equal faces.
            { ...params, back: params.face, tuck: 0 }
          : { ...params, back: undefined },
  };
  if (own) {
    const size = faceSize(own, materials);
    return [
      ...face,
      behind,
      ...ofPart(
        'back',
        'Back',
        faceControls(own, {
          choices,
          materials,
          corner: { x: width + APART + size.width, y: size.height },
          columnsLabel: 'columns',
          rowsLabel: 'rows',
        }).map((control) => lift(control, (next): TwoFaces => ({ ...params, back: next }))),
      ),
    ];
  }
  return [
    ...face,
    behind,
    {
      kind: 'length',
      id: 'tuck',
      label: 'Depth of boxed corners',
      value: params.tuck,
      min: 0,
      max: MOST_TUCK,
      step: TUCK_STEP,
      hint: 'each bottom corner sewn across; takes it off the width and half of it off the height',
      grip: { at: { x: params.tuck / 2, y: params.tuck / 2 }, axis: 'y', perStep: TUCK_STEP / 2 },
      set: (tuck) => ({ ...params, tuck }),
    },
  ];
}

export const twoFaces = defineFamily(twoFacesSchema)({
  name: 'Two faces',
  about:
    'Two faces seamed on three sides. Equal ones can have sewn-across corners; a taller back folds over as a flap.',
  drawing: { pieces: 'M8 8h24v38H8zM40 8h24v38H40z', folds: 'M8 38h8v8M32 38h-8v8M40 38h8v8M64 38h-8v8' },
  deep: true,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    sheetsWithin(ranges, materials, [1, 0.5], (width, height, squares, make) => {
      each(
        0,
        Math.min(200, width * 0.6, height),
        (tuck) => {
          Object.assign(size, {
            width: width - tuck,
            height: height - tuck / 2,
            depth: tuck,
            squares: 2 * squares,
          });
          if (offer(size)) take({ family: 'two-faces', face: make(), tuck });
        },
        2 * TUCK_STEP,
      );
    });
  },
  begin: ({ width, height, depth }, body, materials) => {
    const size = { width: width + depth, height: height + depth / 2 };
    const face = bodyOfSize(size, body, materials);
    return {
      family: 'two-faces',
      face,
      tuck: Math.min(MOST_TUCK, Math.round(depth / TUCK_STEP) * TUCK_STEP),
    };
  },
});
