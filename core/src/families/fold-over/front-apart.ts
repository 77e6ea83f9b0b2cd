import type { BagGraph } from '../../bag/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import { panelOfSize } from '../control/control.ts';
import { type FaceMake, layFace } from '../layout/face.ts';
import type { LaidFace } from '../layout/laid-face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sheetsToGraph, split } from '../layout/sew.ts';
import { BOTTOM, LEFT, piecesOf, RIGHT, reversed, type Sheet, sheetSide } from '../layout/sheet.ts';
import { laySheet, sheetSize } from '../layout/sheet-make.ts';
import { type Section, scaled, wrap, X, Y, Z } from '../layout/wrap.ts';
import { stripWall } from '../strip/shaped-wall.ts';
import { type CutStrip, cutStrip, sewStrip } from '../strip/strip.ts';
import { standing } from '../strip/wall.ts';
import type { Apart, FoldOver } from './schema.ts';
import { flapSteps, reachOf, stepsUp, withSteps } from './steps.ts';

interface LaidApart {
  /** Back and flap in one. */
  readonly sheet: Sheet;
  readonly front: LaidFace;
  /** Height of the back, mm. */
  readonly tall: number;
  /** Where the strip lies in the net. */
  readonly place: { readonly middle: number; readonly top: number };
}

/** Share of a round that stays open: a front is a rectangle, and opens along its upper side. */
const ANY_OPENING = 5;

/** What a front of its own is made of: no more rows than the back has, or the rows that are written. */
function frontOf({ body }: FoldOver, { front }: Apart, back: number, materials: Materials): FaceMake {
  if (typeof front !== 'number') return { ...front, open: ANY_OPENING };
  const steps = Math.min(front, back);
  if (body.of !== 'rows') return withSteps(body, steps);
  // Plain rows of the same swatch, as wide as the panel and as high as so many of its rows.
  const { width, height } = sheetSize(body, materials);
  const size = { width, height: height * reachOf(steps, body, materials) };
  return panelOfSize(
    size,
    materials.panel(body.panel).swatch,
    materials,
    body.upright ? 'upright' : 'across',
  );
}

/** Lays out front, back with flap, and the place of the strip. */
export function layApart(params: FoldOver, apart: Apart, materials: Materials): LaidApart {
  const { body } = params;
  const behind = stepsUp(body, materials) - flapSteps(params, materials);
  const front = layFace(frontOf(params, apart, behind, materials), materials, {
    id: 'front',
    name: 'Front',
    at: { x: 0, y: 0 },
  });
  const sheet = laySheet(body, materials, {
    id: 'body',
    name: body.of === 'motifs' ? 'Back' : 'Back and flap',
    at: { x: front.width + APART, y: 0 },
    joined: [LEFT, BOTTOM, RIGHT],
  });
  const tall = Math.min(
    sheet.height,
    Math.max(front.height, sheet.height * reachOf(behind, body, materials)),
  );
  return { sheet, front, tall, place: { middle: front.width + APART / 2, top: -APART } };
}

/** A back that runs on into the flap, a front of its own, and a strip between the two. */
export function frontApart(params: FoldOver, apart: Apart, materials: Materials): BagGraph {
  const { sheet, front, tall, place } = layApart(params, apart, materials);
  const w = front.width;
  const strip: CutStrip = cutStrip(apart.strip, front, place, materials);
  const { depth } = strip;
  // Behind, the strip runs as high as the front does.
  const high = Math.min(front.height, sheet.height);
  const [right] = split(sheetSide(sheet, RIGHT), high);
  const [, left] = split(sheetSide(sheet, LEFT), sheet.height - high);
  const behind = [reversed(right), reversed(sheetSide(sheet, BOTTOM)), reversed(left)];
  // A back of another size is eased to the front's: the strip runs round both.
  const ease = w / sheet.width;
  const rise = Math.max(1, front.height / sheet.height);
  const west = scaled(X, -ease);
  const back = { x: w / 2, y: 0, z: -depth / 2 };
  const top = tall * rise;
  const lid = Math.min(sheet.height, tall + depth);
  const sections: Section[] = [
    { from: 0, to: tall, face: 'back', start: back, u: west, v: scaled(Y, rise) },
    { from: tall, to: lid, face: 'flap', start: { ...back, y: top }, u: west, v: Z },
    {
      from: lid,
      to: sheet.height,
      face: 'flap',
      start: { x: w / 2, y: top, z: depth / 2 },
      u: west,
      v: scaled(Y, -1),
    },
  ];
  const shift = (section: Section): Section => ({
    ...section,
    start: { ...section.start, x: section.start.x + sheet.at.x * ease },
  });
  const bent = wrap(piecesOf(sheet), 'y', sections.filter(({ from, to }) => to > from + NOTHING).map(shift));
  const wall = stripWall(strip, front.sides, w, [-depth / 2, depth / 2]);
  const graph = sheetsToGraph([{ sheet, id: 'body', name: 'Back,' }], sewStrip(strip, front.sides, behind), [
    bent,
    wall,
    { facets: standing(front, 'front', depth / 2), folds: [] },
  ]);
  return {
    ...graph,
    pieces: [...graph.pieces, ...front.pieces, strip.piece],
    seams: [...graph.seams, ...front.seams],
    lines: [...graph.lines, ...front.lines],
  };
}
