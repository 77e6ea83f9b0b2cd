import type { BagGraph } from '../../bag/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import { bodyControls, bodyOfSize, type Choices, type Control, lift, sizeOf } from '../control/control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { MOST_CELLS, MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { sew, sheetsToGraph, split } from '../layout/sew.ts';
import { LEFT, layOut, piecesOf, RIGHT, reversed, sheetSide } from '../layout/sheet.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { type Section, scaled, wrap, X, Y } from '../layout/wrap.ts';
import { countsAlong, settledStrip } from '../strip/strip.ts';
import { stripControls } from '../strip/strip-control.ts';
import { frontApart, layApart } from './front-apart.ts';
import { type FoldOver, foldOverSchema, stepsUp, withSteps } from './schema.ts';

export { foldOverSchema };

/** Depth of a strip nobody has chosen yet, mm. */
const USUAL_DEPTH = 50;

/** The flap as far as the panel allows: front and back need at least a row each. */
const flapSteps = ({ body, flap }: FoldOver): number => Math.max(0, Math.min(flap, stepsUp(body) - 2));

/** Builds either kind: the front folded up from the panel, or apart from it with a strip between. */
const build = (params: FoldOver, materials: Materials): BagGraph =>
  params.apart ? frontApart(params, params.apart, materials) : folded(params, materials);

/** One long panel, folded at the bottom and again at the top of the back: front, back, flap. */
function folded(params: FoldOver, materials: Materials): BagGraph {
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
        sections.filter(({ from, to }) => to > from + NOTHING),
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
    rowsLabel: params.apart ? 'Rows of back and flap' : 'Rows of front, back and flap',
  }).map((control) => lift(control, (next): FoldOver => ({ ...params, body: next })));
  const kind: Control<FoldOver> = {
    kind: 'choice',
    id: 'kind',
    label: 'The front',
    value: params.apart ? 'apart' : 'folded',
    options: [
      { value: 'folded', label: 'Folds up from the same panel' },
      { value: 'apart', label: 'A panel of its own, a strip between' },
    ],
    set: (value) => {
      if ((value === 'apart') === (params.apart !== undefined)) return params;
      return value === 'apart' ? takenApart(params, materials) : foldedUp(params);
    },
  };
  const flapRows: Control<FoldOver> = {
    kind: 'count',
    id: 'flap',
    label: 'Rows of the flap',
    value: params.flap,
    min: 0,
    // What was asked for before the body lost rows stays asked for.
    max: Math.max(params.flap, steps - 2),
    step: 1,
    problem:
      flap < params.flap
        ? `Front and back need a row each: ${flap} of ${params.flap} are left for the flap.`
        : undefined,
    grip: { at: { x: width * 0.6, y: height - flap * unit }, axis: 'y', perStep: -unit },
    set: (rows) => ({ ...params, flap: rows }),
  };
  const { apart } = params;
  if (!apart) return [kind, ...body, flapRows];
  const { front, place } = layApart(params, apart, materials);
  return [
    kind,
    ...body,
    flapRows,
    {
      kind: 'count',
      id: 'front',
      label: 'Rows of the front',
      value: apart.front,
      min: 1,
      max: MOST_STITCHES,
      step: 1,
      hint: 'no more than the back has; fewer leave its upper edge lower',
      set: (rows) => ({ ...params, apart: { ...apart, front: rows } }),
    },
    ...stripControls(apart.strip, front, place, materials, choices).map((control) =>
      lift(control, (strip): FoldOver => ({ ...params, apart: { ...apart, strip } })),
    ),
  ];
}

/** The same bag with its front cut off: the back keeps its height. */
function takenApart(params: FoldOver, materials: Materials): FoldOver {
  const { body } = params;
  const tall = Math.max(1, Math.floor((stepsUp(body) - flapSteps(params)) / 2));
  const flap = Math.max(1, flapSteps(params));
  const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
  return {
    ...params,
    body: withSteps(body, tall + flap),
    flap,
    apart: {
      front: tall,
      strip: {
        swatch,
        worked: 'across',
        depth: Math.max(2, Math.round(USUAL_DEPTH / materials.pitch(swatch))),
        length: { by: 'way' },
        multiple: { multiple: 1, extra: 0 },
      },
    },
  };
}

/** The same bag with its front worked on from the bottom of the back. */
function foldedUp({ apart: _, ...params }: FoldOver): FoldOver {
  const tall = Math.max(1, stepsUp(params.body) - flapSteps(params));
  const most = params.body.of === 'motifs' ? MOST_CELLS : MOST_STITCHES;
  return { ...params, body: withSteps(params.body, Math.min(most, 2 * tall + flapSteps(params))) };
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
    const made = bodyOfSize(size, body, materials);
    const folding: FoldOver = {
      family: 'fold-over',
      body: made,
      flap: Math.max(0, Math.round(stepsUp(made) / 4)),
    };
    return folding;
  },
});
