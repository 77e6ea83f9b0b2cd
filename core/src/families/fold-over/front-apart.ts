import type { BagGraph } from '../../bag/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import { layFace } from '../layout/face.ts';
import type { LaidFace } from '../layout/laid-face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sheetsToGraph, split } from '../layout/sew.ts';
import { BOTTOM, LEFT, layOut, piecesOf, RIGHT, reversed, type Sheet, sheetSide } from '../layout/sheet.ts';
import { type Section, scaled, wrap, X, Y, Z } from '../layout/wrap.ts';
import { stripWall } from '../strip/shaped-wall.ts';
import { type CutStrip, cutStrip, sewStrip } from '../strip/strip.ts';
import { standing } from '../strip/wall.ts';
import { type FoldOver, stepsUp, withSteps } from './schema.ts';

type Apart = NonNullable<FoldOver['apart']>;

interface LaidApart {
  /** Back and flap in one. */
  readonly sheet: Sheet;
  readonly front: LaidFace;
  /** Height of the back, mm. */
  readonly tall: number;
  /** Where the strip lies in the net. */
  readonly place: { readonly middle: number; readonly top: number };
}

/** Lays out front, back with flap, and the place of the strip. The front has no more rows than the back. */
export function layApart({ body, flap }: FoldOver, apart: Apart, materials: Materials): LaidApart {
  const steps = stepsUp(body);
  const over = Math.max(0, Math.min(flap, steps - 1));
  const front = layFace(withSteps(body, Math.min(apart.front, steps - over)), materials, {
    id: 'front',
    name: 'Front',
    at: { x: 0, y: 0 },
  });
  const sheet = layOut(body, materials, {
    id: 'body',
    name: body.of === 'worked' ? 'Back and flap' : 'Back',
    at: { x: front.width + APART, y: 0 },
    joined: [LEFT, BOTTOM, RIGHT],
  });
  const tall = Math.max(front.height, (sheet.height * (steps - over)) / steps);
  return { sheet, front, tall, place: { middle: front.width + APART / 2, top: -APART } };
}

/** A back that runs on into the flap, a front of its own, and a strip between the two. */
export function frontApart(params: FoldOver, apart: Apart, materials: Materials): BagGraph {
  const { sheet, front, tall, place } = layApart(params, apart, materials);
  const w = front.width;
  const strip: CutStrip = cutStrip(apart.strip, front, place, materials);
  const { depth } = strip;
  // Behind, the strip runs as high as the front does.
  const [right] = split(sheetSide(sheet, RIGHT), front.height);
  const [, left] = split(sheetSide(sheet, LEFT), sheet.height - front.height);
  const behind = [reversed(right), reversed(sheetSide(sheet, BOTTOM)), reversed(left)];
  const west = scaled(X, -1);
  const back = { x: w / 2, y: 0, z: -depth / 2 };
  const lid = Math.min(sheet.height, tall + depth);
  const sections: Section[] = [
    { from: 0, to: tall, face: 'back', start: back, u: west, v: Y },
    { from: tall, to: lid, face: 'flap', start: { ...back, y: tall }, u: west, v: Z },
    {
      from: lid,
      to: sheet.height,
      face: 'flap',
      start: { x: w / 2, y: tall, z: depth / 2 },
      u: west,
      v: scaled(Y, -1),
    },
  ];
  const shift = (section: Section): Section => ({
    ...section,
    start: { ...section.start, x: section.start.x + sheet.at.x },
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
