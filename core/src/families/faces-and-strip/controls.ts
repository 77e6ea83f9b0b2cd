import { type Choices, type Control, lift } from '../control/control.ts';
import { faceControls } from '../control/face-control.ts';
import type { Materials } from '../layout/materials.ts';
import { APART } from '../layout/sew.ts';
import { stripControls } from '../strip/strip-control.ts';
import { layFront } from './build.ts';
import type { FacesAndStrip } from './schema.ts';

/** The decisions of a bag of two faces and a strip. */
export function facesAndStripControls(
  params: FacesAndStrip,
  materials: Materials,
  choices: Choices,
): Control<FacesAndStrip>[] {
  const front = layFront(params, materials);
  const { width, height } = front;
  const face = faceControls(params.face, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns of each face',
    rowsLabel: 'Rows of each face',
  }).map((control) => lift(control, (next): FacesAndStrip => ({ ...params, face: next })));
  const strip = stripControls(
    params.strip,
    front,
    { middle: width + APART / 2, top: -APART },
    materials,
    choices,
  ).map((control) => lift(control, (next): FacesAndStrip => ({ ...params, strip: next })));
  return [...face, ...strip];
}
