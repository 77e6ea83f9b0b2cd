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
import { faceSchema, type LaidFace, layFace } from '../layout/face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sew } from '../layout/sew.ts';
import { BOTTOM, reversed, TOP } from '../layout/sheet.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { standing, wallAlong } from '../strip/wall.ts';

const MOST_ROUNDS_OUT = 60;

export const grownSidesSchema = z.strictObject({
  family: z.literal('grown-sides'),
  face: faceSchema,
  /** Swatch of the rounds that turn up as walls. */
  swatch: idSchema,
  /** Rounds worked out of each face's border: half of the depth. */
  rounds: count('Rounds of the wall', MOST_ROUNDS_OUT),
});
export type GrownSides = z.infer<typeof grownSidesSchema>;

/** The rounds out of one face, unrolled: along its upper edge (front) or lower edge (back) lies the face. */
function wallPiece(params: GrownSides, face: LaidFace, name: 'front' | 'back', materials: Materials): Piece {
  const length = face.sides.reduce((sum, { path }) => sum + pathLength(path), 0);
  const depth = params.rounds * materials.rowHeight(params.swatch) + materials.join() / 2;
  const stitches = Math.max(
    1,
    Math.round(face.sides.reduce((sum, { chain }) => sum + chainLoops(chain, face.pieces), 0)),
  );
  const rowEnds = Math.round(params.rounds * materials.rowEndRate(params.swatch));
  const long = (kind: Edge['kind']): Edge => ({ kind, length: mm(length), loops: stitches });
  const short: Edge = { kind: 'row-ends', length: mm(depth), loops: rowEnds };
  const id = `${name}-wall`;
  return {
    id,
    name: name === 'front' ? 'Front wall' : 'Back wall',
    make: { of: 'panel', swatch: params.swatch, stitches, rows: params.rounds, rowsRun: 'across' },
    outline: rectangle(0, 0, length, depth),
    edges:
      name === 'front'
        ? [long('tops'), short, long('round'), short]
        : [long('round'), short, long('tops'), short],
    at: {
      x: face.at.x + (face.width - length) / 2,
      y: name === 'front' ? -APART - depth : -APART * 1.5 - 2 * depth,
    },
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
}

/** Two faces whose own borders go on as walls and meet in the middle of the side. */
function build(params: GrownSides, materials: Materials): BagGraph {
  const front = layFace(params.face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } });
  const w = front.width;
  const back = layFace(params.face, materials, { id: 'back', name: 'Back', at: { x: w + APART, y: 0 } });
  const [before, behind] = [
    wallPiece(params, front, 'front', materials),
    wallPiece(params, back, 'back', materials),
  ];
  // Both walls lie under the middle of the net, one below the other.
  const middle = w + APART / 2 - must(before.outline[2], 'corner').x / 2;
  const walls = [before, behind].map((wall) => ({ ...wall, at: { ...wall.at, x: middle } }));
  const [frontWall = before, backWall = behind] = walls;
  const length = edgeOf(frontWall, BOTTOM).length;
  const depth = must(frontWall.outline[2], 'corner').y;
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
  const meeting = sew(
    'closing',
    'middle',
    'Front wall to back wall',
    [{ piece: frontWall.id, edge: BOTTOM, from: 0, to: length }],
    [{ piece: backWall.id, edge: TOP, from: length, to: 0 }],
  );
  const sewn = [...grown, meeting];
  const bent = [
    wallAlong(frontWall, front.sides, marks, w, [0, depth]),
    wallAlong(backWall, front.sides, marks, w, [-depth, 0]),
  ];
  return {
    pieces: [...front.pieces, ...back.pieces, frontWall, backWall],
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
