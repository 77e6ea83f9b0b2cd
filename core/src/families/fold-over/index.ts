import type { BagGraph } from '../../bag/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import { bodyOfSize } from '../control/control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import type { Materials } from '../layout/materials.ts';
import { sew, sheetsToGraph, split } from '../layout/sew.ts';
import { LEFT, piecesOf, RIGHT, reversed, sheetSide } from '../layout/sheet.ts';
import { laySheet } from '../layout/sheet-make.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { type Section, scaled, wrap, X, Y } from '../layout/wrap.ts';
import { countsAlong, settledStrip } from '../strip/strip.ts';
import { foldOverControls } from './controls.ts';
import { frontApart, layApart } from './front-apart.ts';
import { type FoldOver, foldOverSchema } from './schema.ts';
import { flapSteps, reachOf, stepsUp } from './steps.ts';

export { foldOverSchema };

/** Builds either kind: the front folded up from the panel, or apart from it with a strip between. */
const build = (params: FoldOver, materials: Materials): BagGraph =>
  params.apart ? frontApart(params, params.apart, materials) : folded(params, materials);

/** One long panel, folded at the bottom and again at the top of the back: front, back, flap. */
function folded(params: FoldOver, materials: Materials): BagGraph {
  const sheet = laySheet(params.body, materials, {
    id: 'body',
    name: params.body.of === 'motifs' ? '' : 'Panel',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT],
  });
  const below = stepsUp(params.body, materials) - flapSteps(params, materials);
  const flap = sheet.height * (1 - reachOf(below, params.body, materials));
  const tall = (sheet.height - flap) / 2;
  const w = sheet.width;
  const [west, south] = [scaled(X, -1), scaled(Y, -1)];
  const sections: Section[] = [
    // The front lies on its head in the net, like the flap; only the back hangs as it is laid.
    { from: 0, to: tall, face: 'front', start: { x: w / 2, y: tall, z: 0 }, u: west, v: south },
    { from: tall, to: 2 * tall, face: 'back', start: { x: w / 2, y: 0, z: 0 }, u: west, v: Y },
    { from: 2 * tall, to: sheet.height, face: 'flap', start: { x: w / 2, y: tall, z: 0 }, u: west, v: south },
  ];
  const [, leftBody] = split(sheetSide(sheet, LEFT), flap);
  const [leftBack, leftFront] = split(leftBody, tall);
  const [rightFront, rightRest] = split(sheetSide(sheet, RIGHT), tall);
  const [rightBack] = split(rightRest, tall);
  return sheetsToGraph(
    [{ sheet, id: 'body', name: '' }],
    [
      sew('closing', 'left', 'Left side seam', leftFront, reversed(leftBack)),
      sew('closing', 'right', 'Right side seam', rightFront, reversed(rightBack)),
    ],
    [
      wrap(
        piecesOf(sheet),
        'y',
        sections.filter(({ from, to }) => to > from + NOTHING),
      ),
    ],
  );
}

export const foldOver = defineFamily(foldOverSchema)({
  name: 'Fold-over',
  about:
    'One long panel makes back and flap, and the front too by folding up; or a front of its own with a strip between.',
  drawing: { pieces: 'M24 2h24v52H24z', folds: 'M20 18h32M20 38h32' },
  // Begun flat; a front of its own with a strip between makes it deep.
  deep: false,
  ofMotifs: false,
  build,
  settle: (params, materials) => {
    const { apart } = params;
    if (!apart) return params;
    const counts = countsAlong(apart.strip, layApart(params, apart, materials).front, materials);
    return { ...params, apart: { ...apart, strip: settledStrip(apart.strip, counts) } };
  },
  controls: foldOverControls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    sheetsWithin(ranges, materials, [1, 0], (width, height, squares, make) => {
      const body = make();
      const steps = stepsUp(body, materials);
      // A flap of about a third to two thirds of the front.
      each(Math.ceil(steps / 7), Math.floor(steps / 4), (flap) => {
        if (flap > steps - 2) return;
        Object.assign(size, { width, height: (height * (1 - flap / steps)) / 2, squares });
        if (offer(size)) take({ family: 'fold-over', body, flap });
      });
    });
  },
  begin: ({ width, height }, body, materials) => {
    // The flap reaches over two thirds of the front.
    const size = { width, height: height * (2 + 2 / 3) };
    const made = bodyOfSize(size, body, materials);
    const folding: FoldOver = {
      family: 'fold-over',
      body: made,
      flap: Math.max(0, Math.round(stepsUp(made, materials) / 4)),
    };
    return folding;
  },
});
