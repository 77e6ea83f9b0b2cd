import { type Body, MOST_CELLS, MOST_STITCHES } from '../shared/body.ts';
import { bodyControls, type Choices, type Control, lift, sizeOf } from '../shared/control.ts';
import type { Materials } from '../shared/materials.ts';
import type { WrapRound } from './schema.ts';

const WHAT = {
  tube: { columns: 'Columns round the bag', rows: 'Rows up the bag' },
  folded: { columns: 'Columns across', rows: 'Rows, front and back together' },
  panels: { columns: 'Columns of each panel', rows: 'Rows of each panel' },
} as const;

/** How many faces a laid sheet spans across and up. */
const SPAN = { tube: [2, 1], folded: [1, 2], panels: [1, 1] } as const;

/** Multiplies a body's counts, so that a bag keeps its size when it is laid another way. */
function stretched(body: Body, across: number, up: number): Body {
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
  const { width, height } = sizeOf(params.body, materials);
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
  const forTubes: Control<WrapRound>[] =
    params.laid === 'tube' && params.body.of === 'motifs'
      ? [
          ...(params.body.columns >= 4 && params.body.columns % 2 === 0
            ? [
                {
                  kind: 'choice' as const,
                  id: 'bottom',
                  label: 'Bottom',
                  value: params.bottom,
                  options: [
                    { value: 'seam', label: 'A seam, flat' },
                    { value: 'row', label: 'A row of squares, one deep' },
                  ],
                  set: (value: string) => ({ ...params, bottom: value === 'row' ? 'row' : 'seam' }) as const,
                },
              ]
            : []),
          ...(params.bottom === 'seam' || params.body.columns % 2 === 1
            ? [
                {
                  kind: 'choice' as const,
                  id: 'sides',
                  label: 'Sides fold',
                  value: params.sides,
                  options: [
                    { value: 'joins', label: 'On the joins' },
                    { value: 'columns', label: 'Down the middle of a column' },
                  ],
                  hint:
                    params.body.columns % 2 === 1
                      ? 'With an odd number of columns one side folds on a join, the other down a column.'
                      : undefined,
                  set: (value: string) =>
                    ({ ...params, sides: value === 'columns' ? 'columns' : 'joins' }) as const,
                },
              ]
            : []),
        ]
      : [];
  const body = bodyControls(params.body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: WHAT[params.laid].columns,
    rowsLabel: WHAT[params.laid].rows,
  }).map((control) => lift(control, (next): WrapRound => ({ ...params, body: next })));
  return [laid, ...forTubes, ...body];
}
