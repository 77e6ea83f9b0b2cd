import { z } from 'zod';
import type { BagGraph } from '../../bag/index.ts';
import { each } from '../explore.ts';
import type { Family } from '../family.ts';
import { type Body, bodySchema, MOST_STITCHES } from '../shared/body.ts';
import {
  bodyControls,
  type Choices,
  type Control,
  lift,
  panelOfSize,
  sizeOf,
  squaresOfSize,
} from '../shared/control.ts';
import type { Materials } from '../shared/materials.ts';
import { sew, sheetsToGraph, split } from '../shared/sew.ts';
import { LEFT, layOut, piecesOf, RIGHT, reversed, sheetSide } from '../shared/sheet.ts';
import { sheetsWithin } from '../shared/sheets-within.ts';
import { type Section, scaled, wrap, X, Y } from '../shared/wrap.ts';

export const foldOverSchema = z.object({
  family: z.literal('fold-over'),
  /** The whole panel: front, back and flap end to end. */
  body: bodySchema,
  /** How much of its rows hangs over as the flap. */
  flap: z
    .int('The flap is a whole number of rows.')
    .min(0, 'The flap cannot be less than no row.')
    .max(MOST_STITCHES, `The flap cannot have more than ${MOST_STITCHES} rows.`),
});
export type FoldOver = z.infer<typeof foldOverSchema>;

/** Steps along the panel's length: rows of squares, or rows or stitches of a worked panel. */
const stepsUp = (body: Body): number =>
  body.of === 'motifs' || body.rowsRun === 'across' ? body.rows : body.stitches;

/** The flap as far as the panel allows: front and back need at least a row each. */
const flapSteps = ({ body, flap }: FoldOver): number => Math.max(0, Math.min(flap, stepsUp(body) - 2));

/** One long panel, folded at the bottom and again at the top of the back: front, back, flap. */
function build(params: FoldOver, materials: Materials): BagGraph {
  const sheet = layOut(params.body, materials, {
    id: 'body',
    name: params.body.of === 'worked' ? 'Panel' : '',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT],
  });
  const flap = (sheet.height * flapSteps(params)) / stepsUp(params.body);
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
        sections.filter(({ from, to }) => to > from + 1e-6),
      ),
    ],
  );
}

function controls(params: FoldOver, materials: Materials, choices: Choices): Control<FoldOver>[] {
  const { width, height } = sizeOf(params.body, materials);
  const steps = stepsUp(params.body);
  const flap = flapSteps(params);
  const unit = height / steps;
  const body = bodyControls(params.body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns across',
    rowsLabel: 'Rows of front, back and flap',
  }).map((control) => lift(control, (next): FoldOver => ({ ...params, body: next })));
  return [
    ...body,
    {
      kind: 'count',
      id: 'flap',
      label: 'Rows of the flap',
      value: params.flap,
      min: 0,
      max: Math.max(1, steps - 2),
      step: 1,
      grip: { at: { x: width * 0.6, y: height - flap * unit }, axis: 'y', perStep: -unit },
      set: (rows) => ({ ...params, flap: rows }),
    },
  ];
}

export const foldOver: Family<FoldOver> = {
  id: 'fold-over',
  name: 'Fold-over',
  about: 'One long panel makes front, back and flap by folding; two side seams close it.',
  drawing: { pieces: 'M24 2h24v52H24z', folds: 'M20 18h32M20 38h32' },
  deep: false,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    sheetsWithin(ranges, materials, [1, 0], (width, height, squares, make) => {
      const body = make();
      const steps = stepsUp(body);
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
    const made =
      body.of === 'motifs'
        ? squaresOfSize(size, body.motif, materials)
        : panelOfSize(size, body.swatch, materials);
    return { family: 'fold-over', body: made, flap: Math.max(0, Math.round(stepsUp(made) / 4)) };
  },
};
