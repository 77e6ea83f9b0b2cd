import type { BagGraph } from '../../bag/index.ts';
import { must } from '../../geometry/index.ts';
import { layFace } from '../layout/face.ts';
import type { Materials } from '../layout/materials.ts';
import { APART } from '../layout/sew.ts';
import { reversed } from '../layout/sheet.ts';
import { stripWall } from '../strip/shaped-wall.ts';
import { countsAlong, cutStrip, settledStrip, sewStrip } from '../strip/strip.ts';
import { standing } from '../strip/wall.ts';
import type { FacesAndStrip } from './schema.ts';

/** The front face laid in the net. */
export const layFront = ({ face }: FacesAndStrip, materials: Materials) =>
  layFace(face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } });

/** Fixes the strip's length as the count it takes now. */
export function settle(params: FacesAndStrip, materials: Materials): FacesAndStrip {
  const { strip } = params;
  const counts = countsAlong(strip, layFront(params, materials), materials);
  return { ...params, strip: settledStrip(strip, counts) };
}

/** Builds two equal faces with one strip along all of their outline but the opening. */
export function buildFacesAndStrip(params: FacesAndStrip, materials: Materials): BagGraph {
  const front = layFront(params, materials);
  const w = front.width;
  const back = layFace(params.face, materials, {
    id: 'back',
    name: 'Back',
    at: { x: w + APART, y: 0 },
    mirrored: true,
  });
  const strip = cutStrip(params.strip, front, { middle: w + APART / 2, top: -APART }, materials);
  const { depth } = strip;
  // Behind, the same way runs along the back's sides from the other end.
  const behind = front.sides.map((_, i) => reversed(must(back.sides.at(-1 - i), 'side behind').chain));
  const sewn = sewStrip(strip, front.sides, behind);
  const bent = stripWall(strip, front.sides, w, [-depth / 2, depth / 2]);
  return {
    pieces: [...front.pieces, ...back.pieces, strip.piece],
    seams: [...front.seams, ...back.seams, ...sewn.flatMap(({ seams }) => seams)],
    lines: [...front.lines, ...back.lines, ...sewn.map(({ line }) => line)],
    folds: bent.folds,
    facets: [...standing(front, 'front', depth / 2), ...standing(back, 'back', -depth / 2), ...bent.facets],
    rims: 1,
  };
}
