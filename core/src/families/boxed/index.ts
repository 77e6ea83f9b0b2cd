import { z } from 'zod';
import type { BagGraph, Face, Motion, Piece } from '../../bag/index.ts';
import { type Point3, ROUNDING } from '../../geometry/index.ts';
import { bodyOfSize, type Choices, type Control, lift } from '../control/control.ts';
import { sheetControls } from '../control/sheet-control.ts';
import { each, eachRounds } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { bend, type Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { sew, sheetsToGraph } from '../layout/sew.ts';
import { BOTTOM, LEFT, piecesOf, RIGHT, reversed, type Sheet, sheetSide, TOP } from '../layout/sheet.ts';
import { laySheet, type SheetMake, sheetSchema, sheetSize } from '../layout/sheet-make.ts';
import { scaled, X, Y, Z } from '../layout/wrap.ts';
import { fitted } from './fitted.ts';

export const boxedSchema = z.strictObject({
  family: z.literal('boxed'),
  front: sheetSchema.meta({ description: 'Front and back, a by b.' }),
  side: sheetSchema.meta({ description: 'Left and right side, c by b.' }),
  bottom: sheetSchema.meta({ description: 'Bottom, a by c.' }),
});
export type Boxed = z.infer<typeof boxedSchema>;

const UPRIGHT = [LEFT, RIGHT, BOTTOM] as const;

/** Moves a flat sheet onto a wall, eased to the wall's size. */
function onto(sheet: Sheet, corner: Point3, u: Point3, v: Point3, width: number, height: number): Motion {
  const across = scaled(u, width / sheet.width);
  const up = scaled(v, height / sheet.height);
  return {
    origin: {
      x: corner.x - sheet.at.x * across.x - sheet.at.y * up.x,
      y: corner.y - sheet.at.x * across.y - sheet.at.y * up.y,
      z: corner.z - sheet.at.x * across.z - sheet.at.y * up.z,
    },
    u: across,
    v: up,
  };
}

/**
 * Four walls in a row with the bottom under the front; a by b by c squares, or panels, or both. Width and
 * height are the front's, depth the side's; what differs is eased on, and told.
 */
function build({ front, side, bottom }: Boxed, materials: Materials): BagGraph {
  const wall = (body: SheetMake, id: string, name: string, x: number) =>
    laySheet(body, materials, { id, name, at: { x, y: 0 }, joined: UPRIGHT });
  const f = wall(front, 'front', 'Front', 0);
  const r = wall(side, 'right', 'Right', f.width);
  const b = wall(front, 'back', 'Back', f.width + r.width);
  const l = wall(side, 'left', 'Left', 2 * f.width + r.width);
  const lying = laySheet(bottom, materials, {
    id: 'bottom',
    name: 'Bottom',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT, BOTTOM, TOP],
  });
  const floor = laySheet(bottom, materials, {
    id: 'bottom',
    name: 'Bottom',
    at: { x: (f.width - lying.width) / 2, y: -lying.height },
    joined: [LEFT, RIGHT, BOTTOM, TOP],
  });
  const [w, h, d] = [f.width, f.height, r.width];
  const place = (face: Face, id: string, motion: Motion): Region => ({
    face,
    within: [],
    motion,
    holds: (piece: Piece) => piece.cell.sheet === id,
  });
  const at = (x: number, z: number): Point3 => ({ x, y: 0, z });
  const regions = [
    place('front', 'front', onto(f, at(-w / 2, d / 2), X, Y, w, h)),
    place('right', 'right', onto(r, at(w / 2, d / 2), scaled(Z, -1), Y, d, h)),
    place('back', 'back', onto(b, at(w / 2, -d / 2), scaled(X, -1), Y, w, h)),
    place('left', 'left', onto(l, at(-w / 2, -d / 2), Z, Y, d, h)),
    place('bottom', 'bottom', onto(floor, at(-w / 2, -d / 2), X, Z, w, d)),
  ];
  const upright = (id: string, name: string, from: Sheet, to: Sheet, kind: 'flat' | 'closing') =>
    sew(kind, id, name, sheetSide(from, RIGHT), reversed(sheetSide(to, LEFT)));
  const under = (id: string, name: string, from: Sheet, edge: typeof LEFT | typeof RIGHT | typeof BOTTOM) =>
    sew('closing', id, name, sheetSide(from, BOTTOM), reversed(sheetSide(floor, edge)));
  const sheets = [
    { sheet: f, id: 'front', name: 'Front,' },
    { sheet: r, id: 'right', name: 'Right,' },
    { sheet: b, id: 'back', name: 'Back,' },
    { sheet: l, id: 'left', name: 'Left,' },
    { sheet: floor, id: 'bottom', name: 'Bottom,' },
  ];
  return sheetsToGraph(
    sheets,
    [
      upright('front-right', 'Front to right side', f, r, 'flat'),
      upright('right-back', 'Right side to back', r, b, 'flat'),
      upright('back-left', 'Back to left side', b, l, 'flat'),
      sew('flat', 'bottom-front', 'Bottom to front', sheetSide(f, BOTTOM), reversed(sheetSide(floor, TOP))),
      upright('left-front', 'Left side to front', l, f, 'closing'),
      under('bottom-right', 'Bottom to right side', r, RIGHT),
      under('bottom-back', 'Bottom to back', b, BOTTOM),
      under('bottom-left', 'Bottom to left side', l, LEFT),
    ],
    [
      bend(
        sheets.flatMap(({ sheet }) => piecesOf(sheet)),
        regions,
      ),
    ],
  );
}

/** Makes side and bottom follow what has changed of the front's width and height and the side's width. */
function following(before: Boxed, after: Boxed, materials: Materials): Boxed {
  const [was, now] = [sheetSize(before.front, materials), sheetSize(after.front, materials)];
  const moved = (from: number, to: number) => (Math.abs(from - to) > ROUNDING ? to : undefined);
  const side = fitted(after.side, materials, undefined, moved(was.height, now.height));
  const deep = moved(sheetSize(before.side, materials).width, sheetSize(side, materials).width);
  return { ...after, side, bottom: fitted(after.bottom, materials, moved(was.width, now.width), deep) };
}

function controls(params: Boxed, materials: Materials, choices: Choices): Control<Boxed>[] {
  const { width, height } = sheetSize(params.front, materials);
  const part = (
    key: 'front' | 'side' | 'bottom',
    title: string,
    x: number,
    keep: (id: string, axis: 'x' | 'y' | undefined) => boolean,
  ) =>
    sheetControls(params[key], {
      choices,
      materials,
      corner: { x: key === 'front' ? width : x + sheetSize(params[key], materials).width, y: height },
      columnsLabel: 'columns',
      rowsLabel: 'rows of squares',
    })
      .filter((control) => keep(control.id, control.kind !== 'choice' ? control.grip?.axis : undefined))
      .map((control): Control<Boxed> => {
        const lifted = lift(
          control,
          (body): Boxed => following(params, { ...params, [key]: body }, materials),
        );
        const label = `${title}: ${control.label.charAt(0).toLowerCase()}${control.label.slice(1)}`;
        return { ...lifted, id: `${key}-${control.id}`, label };
      });
  // The side decides the depth only, the bottom nothing but what it is of: the rest follows.
  return [
    ...part('front', 'Front', 0, () => true),
    ...part(
      'side',
      'Side',
      width,
      (id, axis) => axis === 'x' || ['of', 'motif', 'rowsRun', 'rows-run'].includes(id),
    ),
    ...part('bottom', 'Bottom', 0, (id) =>
      ['of', 'motif', 'rounds', 'rowsRun', 'rows-run', 'multiple', 'extra'].includes(id),
    ).map((control) => (control.kind !== 'choice' ? { ...control, grip: undefined } : control)),
  ];
}

export const boxed = defineFamily(boxedSchema)({
  name: 'Boxed',
  about: 'Front, back, two sides and a bottom, of squares or of worked panels, in any mixture.',
  drawing: {
    pieces: 'M8 8h16v22H8zM24 8h10v22H24zM34 8h16v22H34zM50 8h10v22H50zM8 30h16v10H8z',
    folds: 'M24 6v26M34 6v26M50 6v26M6 30h20',
  },
  deep: true,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const most = Math.min(ranges.squares, 8);
    for (const motif of ranges.motifs) {
      eachRounds(motif, ranges.rounds, materials, (rounds) => {
        const side = materials.motifSide(motif, rounds);
        const join = materials.join();
        each(1, most, (a) => {
          each(1, most, (b) => {
            each(1, most, (c) => {
              size.width = a * (side + join);
              size.height = b * side + (b - 0.5) * join;
              size.depth = c * (side + join);
              size.squares = 2 * b * (a + c) + a * c;
              if (!offer(size)) return;
              const body = { of: 'motifs', motif, rounds } as const;
              take({
                family: 'boxed',
                front: { ...body, columns: a, rows: b },
                side: { ...body, columns: c, rows: b },
                bottom: { ...body, columns: a, rows: c },
              });
            });
          });
        });
      });
    }
  },
  begin: (size, body, materials) => {
    const front: SheetMake = bodyOfSize(size, body, materials);
    const side = fitted(front, materials, size.depth);
    return { family: 'boxed', front, side, bottom: fitted(front, materials, undefined, size.depth) };
  },
});
