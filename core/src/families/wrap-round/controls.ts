import { must } from '../../geometry/index.ts';
import { type Choices, type Control, lift } from '../control/control.ts';
import { panelOfValue, panelOptions, panelValue } from '../control/control-kinds.ts';
import { sheetControls } from '../control/sheet-control.ts';
import { MOST_CELLS, MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { type SheetMake, sheetSize } from '../layout/sheet-make.ts';
import type { WrapRound } from './schema.ts';

const WHAT = {
  tube: { columns: 'Columns round the bag', rows: 'Rows up the bag' },
  folded: { columns: 'Columns across', rows: 'Rows, front and back together' },
  panels: { columns: 'Columns of each panel', rows: 'Rows of each panel' },
} as const;

/** How many faces a laid sheet spans across and up. */
const SPAN = { tube: [2, 1], folded: [1, 2], panels: [1, 1] } as const;

/** Multiplies a sheet's counts, so that a bag keeps its size when it is laid another way. What is written has its own. */
function stretched(body: SheetMake, across: number, up: number): SheetMake {
  if (body.of === 'rows') return body;
  const times = (count: number, by: number, most: number) =>
    Math.min(most, Math.max(1, Math.round(count * by)));
  if (body.of === 'motifs') {
    return {
      ...body,
      columns: times(body.columns, across, MOST_CELLS),
      rows: times(body.rows, up, MOST_CELLS),
    };
  }
  const [stitchWay, rowWay] = body.rowsRun === 'across' ? [across, up] : [up, across];
  return {
    ...body,
    stitches: times(body.stitches, stitchWay, MOST_STITCHES),
    rows: times(body.rows, rowWay, MOST_STITCHES),
  };
}

/** The decisions of a wrap-round bag. */
export function wrapRoundControls(
  params: WrapRound,
  materials: Materials,
  choices: Choices,
): Control<WrapRound>[] {
  const { width, height } = sheetSize(params.body, materials);
  const laid: Control<WrapRound> = {
    kind: 'choice',
    id: 'laid',
    label: 'Laid out as',
    value: params.laid,
    options: [
      { value: 'tube', label: 'A tube, closed at the bottom' },
      { value: 'folded', label: 'One sheet, folded at the bottom' },
      { value: 'panels', label: 'Two panels, joined on three sides' },
    ],
    hint: {
      tube: 'One side seam and a bottom seam.',
      folded: 'Saves the bottom seam; squares on the back are laid upside down.',
      panels: 'The most seams, and every square hangs upright as laid.',
    }[params.laid],
    set: (value) => {
      const next = value === 'folded' || value === 'panels' ? value : 'tube';
      const [fromX, fromY] = SPAN[params.laid];
      const [toX, toY] = SPAN[next];
      return { ...params, laid: next, body: stretched(params.body, toX / fromX, toY / fromY) };
    },
  };
  const tube = params.laid === 'tube' ? tubeControls(params, materials, choices) : [];
  const body = sheetControls(params.body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: WHAT[params.laid].columns,
    rowsLabel: WHAT[params.laid].rows,
  }).map((control) => lift(control, (next): WrapRound => ({ ...params, body: next })));
  return [laid, ...tube, ...body];
}

/** How a tube closes at the bottom, and where its sides fold. */
function tubeControls(params: WrapRound, materials: Materials, choices: Choices): Control<WrapRound>[] {
  const { body, base, bottom } = params;
  const squares = body.of === 'motifs';
  const disc = choices.motifs.find(({ kind }) => kind === 'disc');
  const { base: _, ...flat } = params;
  const row = squares && body.columns >= 4 && body.columns % 2 === 0;
  const rounds = (choices.panels ?? []).filter(
    ({ id }) => materials.hasRows(id) && materials.panel(id).piece.sides.length === 1,
  );
  const options = [
    { value: 'seam', label: 'A seam, flat' },
    ...(row ? [{ value: 'row', label: 'A row of squares, one deep' }] : []),
    ...(disc ? [{ value: 'disc', label: 'A disc to stand on' }] : []),
    ...panelOptions(rounds, 'By its rounds'),
  ];
  const closes: Control<WrapRound> = {
    kind: 'choice',
    id: 'bottom',
    label: 'Bottom',
    value: base ? (base.of === 'rows' ? panelValue(base.panel) : 'disc') : row ? bottom : 'seam',
    options,
    hint: disc ? undefined : 'to stand it on a disc, add one under Swatch',
    set: (value) => {
      const panel = panelOfValue(value);
      if (panel !== undefined) return { ...params, base: { of: 'rows', panel } };
      if (value === 'disc' && disc)
        return {
          ...params,
          base:
            base?.of === 'one'
              ? base
              : { of: 'one', motif: disc.id, rounds: roundsFor(params, disc.id, materials) },
        };
      return { ...flat, bottom: value === 'row' ? 'row' : 'seam' };
    },
  };
  if (base?.of === 'rows') return [closes];
  if (base) {
    const fitting = roundsFor(params, base.motif, materials);
    const { from, to } = materials.motifRounds(base.motif);
    if (from === to) return [closes];
    return [
      closes,
      {
        kind: 'count',
        id: 'base-rounds',
        label: 'Rounds of the base',
        value: base.rounds,
        min: Math.min(from, base.rounds),
        max: to,
        step: 1,
        hint: `${fitting} rounds come nearest to the way round`,
        set: (rounds) => ({ ...params, base: { ...base, rounds } }),
      },
    ];
  }
  const folds: Control<WrapRound> = {
    kind: 'choice',
    id: 'sides',
    label: 'Sides fold',
    value: params.sides,
    options: [
      { value: 'joins', label: 'On the joins' },
      { value: 'columns', label: 'Down the middle of a column' },
    ],
    hint:
      squares && body.columns % 2 === 1
        ? 'With an odd number of columns one side folds on a join, the other down a column.'
        : undefined,
    set: (value) => ({ ...params, sides: value === 'columns' ? 'columns' : 'joins' }),
  };
  const folding = squares && (bottom === 'seam' || body.columns % 2 === 1);
  return [...(options.length > 1 ? [closes] : []), ...(folding ? [folds] : [])];
}

/** The rounds of a disc whose way round comes nearest to the tube's. */
function roundsFor({ body }: WrapRound, motif: string, materials: Materials): number {
  const { width } = sheetSize(body, materials);
  const off = (rounds: number) =>
    Math.abs(must(materials.motifShape(motif, rounds).edges[0], 'edge').length - width);
  const { from, to } = materials.motifRounds(motif);
  let best = from;
  for (let rounds = from + 1; rounds <= to; rounds++) if (off(rounds) < off(best)) best = rounds;
  return best;
}
