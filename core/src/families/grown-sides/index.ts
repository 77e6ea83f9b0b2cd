import { z } from 'zod';
import { type BagGraph, chainLoops, type Edge, edgeOf, type Interval, type Piece } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { must, pathLength, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import { bodyOfSize, type Choices, type Control, lift } from '../control/control.ts';
import { swatchChoice } from '../control/control-kinds.ts';
import { faceControls, faceSize } from '../control/face-control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { faceSchema, layFace } from '../layout/face.ts';
import type { LaidFace } from '../layout/laid-face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sew } from '../layout/sew.ts';
import { BOTTOM, reversed, TOP } from '../layout/sheet.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { standing, wallAlong } from '../strip/wall.ts';

const MOST_ROUNDS_OUT = 60;
/** Kinds of rounds after the first. */
const MOST_BANDS = 5;

export const grownSidesSchema = z.strictObject({
  family: z.literal('grown-sides'),
  face: faceSchema,
  /** Swatch of the rounds that turn up as walls. */
  swatch: idSchema,
  /** Rounds worked out of each face's border: half of the depth. */
  rounds: count('Rounds of the wall', MOST_ROUNDS_OUT),
  /** Rounds of other stitches that follow them, outwards. */
  more: z
    .array(z.strictObject({ swatch: idSchema, rounds: count('Rounds of the wall', MOST_ROUNDS_OUT) }))
    .max(MOST_BANDS, `A wall has at most ${MOST_BANDS + 1} kinds of rounds one after the other.`)
    .optional(),
});
export type GrownSides = z.infer<typeof grownSidesSchema>;

/** The kinds of rounds of a wall, from its face outwards. */
const bandsOf = ({ swatch, rounds, more = [] }: GrownSides) => [{ swatch, rounds }, ...more];

/** The rounds of one kind out of one face, unrolled, with how deep they stand, mm. */
interface Band {
  readonly piece: Piece;
  readonly depth: number;
}

/**
 * The rounds out of one face, unrolled, band by band: along the first one's upper edge (front) or lower edge (back) lies
 * the face. They are worked without increases, so every band has the face's own stitches.
 *
 * @param top where the walls lie in the net, from there down, and `middle` the middle of them.
 */
function wallOf(
  params: GrownSides,
  face: LaidFace,
  name: 'front' | 'back',
  { top, middle }: { readonly top: number; readonly middle: number },
  materials: Materials,
): Band[] {
  const length = face.sides.reduce((sum, { path }) => sum + pathLength(path), 0);
  const stitches = Math.max(
    1,
    Math.round(face.sides.reduce((sum, { chain }) => sum + chainLoops(chain, face.pieces), 0)),
  );
  const bands = bandsOf(params);
  // In the net the front's wall lies from its face down, the back's from its face up.
  const order = name === 'front' ? bands.map((_, i) => i) : bands.map((_, i) => bands.length - 1 - i);
  let y = top;
  const made = new Map<number, Band>();
  for (const i of order) {
    const { swatch, rounds } = must(bands[i], 'band');
    const last = i === bands.length - 1;
    const depth = rounds * materials.rowHeight(swatch) + (last ? materials.join() / 2 : 0);
    y -= depth;
    const rowEnds = Math.round(rounds * materials.rowEndRate(swatch));
    const long = (kind: Edge['kind']): Edge => ({ kind, length: mm(length), loops: stitches });
    const short: Edge = { kind: 'row-ends', length: mm(depth), loops: rowEnds };
    const id = i === 0 ? `${name}-wall` : `${name}-wall-${i + 1}`;
    const title = name === 'front' ? 'Front wall' : 'Back wall';
    made.set(i, {
      depth,
      piece: {
        id,
        name: i === 0 ? title : `${title} ${i + 1}`,
        make: { of: 'panel', swatch, stitches, rows: rounds, rowsRun: 'across' },
        outline: rectangle(0, 0, length, depth),
        edges:
          name === 'front'
            ? [long('tops'), short, long('round'), short]
            : [long('round'), short, long('tops'), short],
        at: { x: middle - length / 2, y },
        turn: 0,
        cell: { sheet: id, row: 0, column: 0 },
      },
    });
  }
  return bands.map((_, i) => must(made.get(i), 'band'));
}

/** Two faces whose own borders go on as walls and meet in the middle of the side. */
function build(params: GrownSides, materials: Materials): BagGraph {
  const front = layFace(params.face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } });
  const w = front.width;
  const back = layFace(params.face, materials, {
    id: 'back',
    name: 'Back',
    at: { x: w + APART, y: 0 },
    mirrored: true,
  });
  // Both walls lie under the middle of the net, one below the other.
  const middle = w + APART / 2;
  const before = wallOf(params, front, 'front', { top: -APART, middle }, materials);
  const depth = before.reduce((sum, band) => sum + band.depth, 0);
  const behind = wallOf(params, back, 'back', { top: -APART * 1.5 - depth, middle }, materials);
  const [frontWall, backWall] = [must(before[0], 'wall').piece, must(behind[0], 'wall').piece];
  const length = edgeOf(frontWall, BOTTOM).length;
  const marks = [0];
  for (const { path } of front.sides) marks.push(must(marks.at(-1), 'mark') + pathLength(path));
  const grown = front.sides.flatMap(({ id, name, chain }, i) => {
    const [from = 0, to = 0] = [marks[i], marks[i + 1]];
    const upper: Interval = { piece: frontWall.id, edge: TOP, from: length - from, to: length - to };
    const lower: Interval = { piece: backWall.id, edge: BOTTOM, from, to };
    return [
      sew('grown', `front/${id}`, `Front, ${name}`, chain, [upper]),
      sew(
        'grown',
        `back/${id}`,
        `Back, ${name}`,
        reversed(must(back.sides.at(-1 - i), 'side behind').chain),
        [lower],
      ),
    ];
  });
  /** One lower edge on one upper edge, all along. */
  const onto = (kind: 'grown' | 'closing', id: string, name: string, low: Piece, high: Piece) =>
    sew(
      kind,
      id,
      name,
      [{ piece: low.id, edge: BOTTOM, from: 0, to: length }],
      [{ piece: high.id, edge: TOP, from: length, to: 0 }],
    );
  const between = before
    .slice(1)
    .flatMap(({ piece }, i) => [
      onto('grown', `front-wall/${i + 2}`, `${piece.name}, worked on`, must(before[i], 'wall').piece, piece),
      onto(
        'grown',
        `back-wall/${i + 2}`,
        `Back wall ${i + 2}, worked on`,
        must(behind[i + 1], 'wall').piece,
        must(behind[i], 'wall').piece,
      ),
    ]);
  const [lastBefore, lastBehind] = [must(before.at(-1), 'wall').piece, must(behind.at(-1), 'wall').piece];
  const meeting = onto('closing', 'middle', 'Front wall to back wall', lastBefore, lastBehind);
  const sewn = [...grown, ...between, meeting];
  let z = depth;
  const bent = before.flatMap(({ piece, depth: deep }, i) => {
    const [near, far] = [z - deep, z];
    z = near;
    return [
      wallAlong(piece, front.sides, marks, w, [near, far]),
      wallAlong(must(behind[i], 'wall').piece, front.sides, marks, w, [-far, -near]),
    ];
  });
  return {
    pieces: [
      ...front.pieces,
      ...back.pieces,
      ...before.map(({ piece }) => piece),
      ...behind.map(({ piece }) => piece),
    ],
    seams: [...front.seams, ...back.seams, ...sewn.flatMap(({ seams }) => seams)],
    lines: [...front.lines, ...back.lines, ...sewn.map(({ line }) => line)],
    folds: bent.flatMap(({ folds }) => folds),
    facets: [
      ...standing(front, 'front', depth),
      ...standing(back, 'back', -depth),
      ...bent.flatMap(({ facets }) => facets),
    ],
    rims: 1,
  };
}

function controls(params: GrownSides, materials: Materials, choices: Choices): Control<GrownSides>[] {
  const { width, height } = faceSize(params.face, materials);
  const face = faceControls(params.face, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns of each face',
    rowsLabel: 'Rows of each face',
  }).map((control) => lift(control, (next): GrownSides => ({ ...params, face: next })));
  const row = materials.rowHeight(params.swatch);
  return [
    ...face,
    {
      kind: 'count',
      id: 'wall-rounds',
      about: 'side',
      label: 'Rounds out of each face',
      value: params.rounds,
      min: 1,
      max: MOST_ROUNDS_OUT,
      step: 1,
      hint: 'worked without increases, so that they turn up; front and back each give half of the depth',
      grip: { at: { x: width, y: -APART - params.rounds * row }, axis: 'y', perStep: -row },
      set: (rounds) => ({ ...params, rounds }),
    },
    ...swatchChoice(
      'wall-swatch',
      'Walls worked in',
      params.swatch,
      choices,
      (swatch): GrownSides => ({
        ...params,
        swatch,
      }),
    ).map((control) => ({ ...control, about: 'side' as const })),
    ...bandControls(params, choices),
  ];
}

/** Further kinds of rounds, one after the other outwards. */
function bandControls(params: GrownSides, choices: Choices): Control<GrownSides>[] {
  const { more = [], swatch } = params;
  const withBands = (bands: typeof more): GrownSides => ({
    ...params,
    more: bands.length > 0 ? bands : undefined,
  });
  const other = choices.swatches.find(({ id }) => id !== swatch)?.id ?? swatch;
  return [
    ...more.flatMap((band, i): Control<GrownSides>[] => {
      const set = (next: typeof band) => withBands(more.map((one, k) => (k === i ? next : one)));
      return [
        {
          kind: 'count',
          id: `band-${i + 2}-rounds`,
          about: 'side',
          label: `Then rounds of another kind, ${i + 2}`,
          value: band.rounds,
          min: 1,
          max: MOST_ROUNDS_OUT,
          step: 1,
          set: (rounds) => set({ ...band, rounds }),
        },
        ...swatchChoice(`band-${i + 2}-swatch`, `Rounds ${i + 2} worked in`, band.swatch, choices, (own) =>
          set({ ...band, swatch: own }),
        ).map((control) => ({ ...control, about: 'side' as const })),
      ];
    }),
    {
      kind: 'count',
      id: 'bands',
      about: 'side',
      label: 'Kinds of rounds in the wall',
      value: more.length + 1,
      min: 1,
      max: MOST_BANDS + 1,
      step: 1,
      hint: 'each in a stitch or yarn of its own, from the face outwards',
      set: (many) =>
        many === more.length + 1
          ? params
          : withBands(
              Array.from(
                { length: many - 1 },
                (_, i) => more[i] ?? { swatch: i % 2 === 0 ? other : swatch, rounds: 2 },
              ),
            ),
    },
  ];
}

export const grownSides = defineFamily(grownSidesSchema)({
  name: 'Grown sides',
  about:
    'Rounds worked straight out of each face turn up as walls; front and back meet in the middle of the side.',
  drawing: {
    pieces: 'M8 14h22v28H8zM42 14h22v28H42z',
    folds: 'M4 10v36h30V10M38 10v36h30V10',
  },
  deep: true,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const join = materials.join();
    sheetsWithin(ranges, materials, [1, 0.5], (width, height, squares, make) => {
      for (const swatch of ranges.strips) {
        const row = materials.rowHeight(swatch);
        each(1, Math.min(MOST_ROUNDS_OUT, ranges.strip / 2), (rounds) => {
          Object.assign(size, { width, height, depth: 2 * rounds * row + join, squares: 2 * squares });
          if (offer(size)) take({ family: 'grown-sides', face: make(), swatch, rounds });
        });
      }
    });
  },
  begin: (size, body, materials) => {
    const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
    const row = materials.rowHeight(swatch);
    return {
      family: 'grown-sides',
      face: bodyOfSize(size, body, materials),
      swatch,
      rounds: Math.min(MOST_ROUNDS_OUT, Math.max(1, Math.round(size.depth / row / 2))),
    };
  },
});
