import { type Choices, type Control, lift } from '../control/control.ts';
import { panelOfValue, panelOptions, panelValue, rowsRunChoice } from '../control/control-kinds.ts';
import { sheetControls, sheetPanels } from '../control/sheet-control.ts';
import { MOST_CELLS, MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { type SheetMake, sheetSize } from '../layout/sheet-make.ts';
import { stripControls } from '../strip/strip-control.ts';
import { layApart } from './front-apart.ts';
import type { Apart, FoldOver } from './schema.ts';
import { flapSteps, reachOf, rowsGoUp, stepsUp, withSteps } from './steps.ts';

/** Depth of a strip nobody has chosen yet, mm. */
const USUAL_DEPTH = 50;

/** The decisions of a fold-over bag. */
export function foldOverControls(
  params: FoldOver,
  materials: Materials,
  choices: Choices,
): Control<FoldOver>[] {
  const { body, apart } = params;
  const { width, height } = sheetSize(body, materials);
  const steps = stepsUp(body, materials);
  const flap = flapSteps(params, materials);
  const fold = height * reachOf(steps - flap, body, materials);
  const sheet = sheetControls(body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns across',
    rowsLabel: apart ? 'Rows of back and flap' : 'Rows of front, back and flap',
  }).map((control) =>
    lift(
      control,
      (next): FoldOver =>
        // What a count changes is the panel's length; another kind of panel has other steps.
        control.kind === 'choice' ? alike(params, next, materials) : { ...params, body: next },
    ),
  );
  const kind: Control<FoldOver> = {
    kind: 'choice',
    id: 'kind',
    label: 'The front',
    value: apart ? 'apart' : 'folded',
    options: [
      { value: 'folded', label: 'Folds up from the same panel' },
      { value: 'apart', label: 'A panel of its own, a strip between' },
    ],
    set: (value) => {
      if ((value === 'apart') === (apart !== undefined)) return params;
      return value === 'apart' ? takenApart(params, materials) : foldedUp(params, materials);
    },
  };
  const need = apart ? 'The back needs' : 'Front and back need';
  const step = stepWord(body);
  const flapRows: Control<FoldOver> = {
    kind: 'count',
    id: 'flap',
    label: `${step.Many} of the flap`,
    value: params.flap,
    min: 0,
    // What was asked for before the body lost rows stays asked for.
    max: Math.max(params.flap, steps - (apart ? 1 : 2)),
    step: 1,
    problem:
      flap < params.flap
        ? `${need} a ${step.one}${apart ? '' : ' each'}: ${flap} of ${params.flap} are left for the flap.`
        : undefined,
    grip: { at: { x: width * 0.6, y: fold }, axis: 'y', perStep: -height / steps },
    set: (rows) => ({ ...params, flap: rows }),
  };
  if (!apart) return [kind, ...sheet, flapRows];
  const { front, place } = layApart(params, apart, materials);
  return [
    kind,
    ...sheet,
    flapRows,
    ...frontControls(params, apart, materials, choices),
    ...stripControls(apart.strip, front, place, materials, choices).map((control) =>
      lift(control, (strip): FoldOver => ({ ...params, apart: { ...apart, strip } })),
    ),
  ];
}

/** What the panel's length is counted in. */
const stepWord = (body: SheetMake) =>
  rowsGoUp(body) ? { one: 'row', Many: 'Rows' } : { one: 'stitch', Many: 'Stitches' };

/** The controls of a front of its own: what it is of, and its rows where they are counted. */
function frontControls(
  params: FoldOver,
  apart: Apart,
  materials: Materials,
  choices: Choices,
): Control<FoldOver>[] {
  const { front } = apart;
  const written = sheetPanels({ choices, materials });
  const into = (next: Apart['front']): FoldOver => ({ ...params, apart: { ...apart, front: next } });
  const counted = () => Math.max(1, stepsUp(params.body, materials) - flapSteps(params, materials));
  const of: Control<FoldOver> = {
    kind: 'choice',
    id: 'front-of',
    label: 'The front is',
    value: typeof front === 'number' ? 'counted' : panelValue(front.panel),
    options: [{ value: 'counted', label: 'Rows like the back' }, ...panelOptions(written)],
    set: (value) => {
      const panel = panelOfValue(value);
      if (panel === undefined) return typeof front === 'number' ? params : into(counted());
      return typeof front !== 'number' && front.panel === panel ? params : into({ of: 'rows', panel });
    },
  };
  const chosen = typeof front !== 'number' || written.length > 0 ? [of] : [];
  if (typeof front !== 'number') {
    const labels = { across: 'Across', upright: 'Upright' };
    const run = rowsRunChoice(
      front.upright ?? false,
      labels,
      (upright): FoldOver => into({ of: 'rows', panel: front.panel, ...(upright && { upright }) }),
    );
    return [...chosen, { ...run, id: 'front-rows-run', label: 'Rows of the front run' }];
  }
  return [
    ...chosen,
    {
      kind: 'count',
      id: 'front',
      label: `${stepWord(params.body).Many} of the front`,
      value: front,
      min: 1,
      max: MOST_STITCHES,
      step: 1,
      hint: 'no more than the back has; fewer leave its upper edge lower',
      set: into,
    },
  ];
}

/** The same bag of another panel: flap and front take the same share of it. */
function alike(params: FoldOver, body: SheetMake, materials: Materials): FoldOver {
  const { apart } = params;
  const share = stepsUp(body, materials) / stepsUp(params.body, materials);
  const scaled = (steps: number, least: number) =>
    Math.max(least, Math.min(MOST_STITCHES, Math.round(steps * share)));
  const next = { ...params, body, flap: scaled(params.flap, 0) };
  return apart && typeof apart.front === 'number'
    ? { ...next, apart: { ...apart, front: scaled(apart.front, 1) } }
    : next;
}

/** The same bag with its front cut off: the back keeps its height. A panel by its rows keeps them, and is all back and flap. */
function takenApart(params: FoldOver, materials: Materials): FoldOver {
  const { body } = params;
  const flap = Math.max(1, flapSteps(params, materials));
  const rest = stepsUp(body, materials) - flap;
  const tall = Math.max(1, body.of === 'rows' ? rest : Math.floor(rest / 2));
  const swatch = swatchOf(body, materials);
  return {
    ...params,
    body: body.of === 'rows' ? body : withSteps(body, tall + flap),
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

function swatchOf(body: SheetMake, materials: Materials): string {
  switch (body.of) {
    case 'worked':
      return body.swatch;
    case 'rows':
      return materials.panel(body.panel).swatch;
    case 'motifs':
      return materials.stripSwatch();
  }
}

/** The same bag with its front worked on from the bottom of the back; a panel by its rows keeps them. */
function foldedUp({ apart: _, ...params }: FoldOver, materials: Materials): FoldOver {
  const { body } = params;
  if (body.of === 'rows') return params;
  const flap = flapSteps(params, materials);
  const tall = Math.max(1, stepsUp(body, materials) - flap);
  const most = body.of === 'motifs' ? MOST_CELLS : MOST_STITCHES;
  return { ...params, body: withSteps(body, Math.min(most, 2 * tall + flap)) };
}
