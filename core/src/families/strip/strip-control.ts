import { pathLength } from '../../geometry/index.ts';
import { multipleProblem, nearestMultiple } from '../../panel/index.ts';
import type { Choices, Control } from '../control/control.ts';
import { swatchChoice } from '../control/control-kinds.ts';
import { MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { layRowsStrip, type RowsStrip, stripWays } from './rows-strip.ts';
import {
  type AlongFace,
  countsAlong,
  cutStrip,
  isByRows,
  LEAST,
  type Strip,
  stripDepth,
  stripPattern,
  stripUnit,
  type WorkedStrip,
} from './strip.ts';

/**
 * The decisions about a strip along some sides.
 *
 * @param middle where the strip's middle lies in the net, and `top` its upper edge, for the grips.
 */
export function stripControls(
  strip: Strip,
  face: AlongFace,
  { middle, top }: { middle: number; top: number },
  materials: Materials,
  choices: Choices,
): Control<Strip>[] {
  const panels = (choices.panels ?? []).filter(
    ({ id }) => materials.hasRows(id) && stripWays(materials.panel(id).piece.sides).length > 0,
  );
  const of: Control<Strip>[] =
    panels.length === 0
      ? []
      : [
          {
            kind: 'choice',
            id: 'strip-of',
            about: 'side',
            label: 'Strip made of',
            value: isByRows(strip) ? strip.panel : WORKED,
            options: [
              { value: WORKED, label: 'Rows as many as it takes' },
              ...panels.map(({ id, name }) => ({ value: id, label: `By its rows: ${name}` })),
            ],
            set: (value) => madeOf(strip, value, face, materials),
          },
        ];
  const own = isByRows(strip)
    ? rowsStripControls(strip, face, materials)
    : workedStripControls(strip, face, { middle, top }, materials, choices);
  return [...of, ...own];
}

/** No panel has this name. */
const WORKED = '~worked';

/** The strip made of a panel, or worked again, about as deep as it was. */
function madeOf(strip: Strip, value: string, face: AlongFace, materials: Materials): Strip {
  if (value !== WORKED) {
    // Short rows, many of them, where it can lie so.
    const [worked = 'across'] = stripWays(materials.panel(value).piece.sides);
    return { of: 'rows', panel: value, worked };
  }
  if (!isByRows(strip)) return strip;
  const { swatch } = materials.panel(strip.panel);
  const { depth } = cutStrip(strip, face, { middle: 0, top: 0 }, materials);
  const unit = strip.worked === 'across' ? materials.pitch(swatch) : materials.rowHeight(swatch);
  return {
    swatch,
    worked: strip.worked,
    depth: Math.min(MOST_STITCHES, Math.max(1, Math.round((depth - materials.join()) / unit))),
    length: { by: 'way' },
    multiple: { multiple: 1, extra: 0 },
  };
}

/** A panel by its rows has its counts in its rows: how it lies can be chosen, and how far it reaches is told. */
function rowsStripControls(strip: RowsStrip, face: AlongFace, materials: Materials): Control<Strip>[] {
  const { length, count } = layRowsStrip(strip, materials);
  const way = face.sides.reduce((sum, { path }) => sum + pathLength(path), 0);
  const unit = length / count;
  const takes = Math.max(1, Math.round(way / unit));
  const what = strip.worked === 'across' ? 'rows' : 'stitches';
  return [
    {
      kind: 'choice',
      id: 'strip-worked',
      about: 'side',
      label: 'Its rows run',
      value: strip.worked,
      options: stripWays(materials.panel(strip.panel).piece.sides).map((value) => ({
        value,
        label: value === 'across' ? 'Across the strip' : 'Along the strip',
      })),
      hint:
        takes === count
          ? `${count} ${what}, as many as the way takes`
          : `${count} ${what}; the way takes ${takes}`,
      set: (value) => ({ ...strip, worked: value === 'along' ? 'along' : 'across' }),
    },
  ];
}

function workedStripControls(
  strip: WorkedStrip,
  face: AlongFace,
  { middle, top }: { middle: number; top: number },
  materials: Materials,
  choices: Choices,
): Control<Strip>[] {
  const across = strip.worked === 'across';
  const pattern = stripPattern(strip, materials);
  const counts = countsAlong(strip, face, materials);
  const unit = stripUnit(strip, materials);
  const length = counts.total * unit;
  const depthUnit = across ? materials.pitch(strip.swatch) : materials.rowHeight(strip.swatch);
  const depth = stripDepth(strip, materials);
  const totalBy = (by: 'way' | 'loops') => countsAlong({ ...strip, length: { by } }, face, materials).total;
  const stitchProblem = (count: number) => multipleProblem(count, pattern, materials.pitch(strip.swatch));
  return [
    ...swatchChoice(
      'strip-swatch',
      'Strip worked as swatch',
      strip.swatch,
      choices,
      (swatch): WorkedStrip => {
        const other = { ...strip, swatch };
        const own = across ? materials.pitch(swatch) : materials.rowHeight(swatch);
        const count = Math.max(1, Math.round((strip.depth * depthUnit) / own));
        const wide = across ? nearestMultiple(count, stripPattern(other, materials), MOST_STITCHES) : count;
        return { ...other, depth: wide, length: { by: 'way' } };
      },
    ),
    {
      kind: 'choice',
      id: 'strip-worked',
      about: 'side',
      label: 'Strip worked',
      value: strip.worked,
      options: [
        { value: 'across', label: 'Across: short rows, many of them' },
        { value: 'along', label: 'Along: one long chain, few rows' },
      ],
      set: (value) => {
        const worked = value === 'along' ? 'along' : 'across';
        if (worked === strip.worked) return strip;
        const size = worked === 'across' ? materials.pitch(strip.swatch) : materials.rowHeight(strip.swatch);
        const rows = Math.max(1, Math.round((strip.depth * depthUnit) / size));
        return { ...strip, worked, depth: rows, length: { by: 'way' } };
      },
    },
    {
      kind: 'count',
      id: 'strip-depth',
      about: 'side',
      label: across ? 'Stitches across the strip' : 'Rows of the strip',
      value: strip.depth,
      min: 1,
      max: MOST_STITCHES,
      step: across ? pattern.multiple : 1,
      problem: across ? stitchProblem(strip.depth) : undefined,
      grip: { at: { x: middle - length * 0.1, y: top - depth }, axis: 'y', perStep: -depthUnit },
      set: (depthCount) => ({ ...strip, depth: depthCount }),
    },
    {
      kind: 'choice',
      id: 'strip-fit',
      about: 'side',
      fits: ['way', 'loops'],
      label: across ? 'Rows of the strip' : 'Stitches along the strip',
      value: strip.length.by,
      options: [
        { value: 'way', label: `By length, each side to its corner: ${totalBy('way')}` },
        {
          value: 'loops',
          label: `By count, ${across ? 'a row end' : 'one'} for each stitch of the sides: ${totalBy('loops')}`,
        },
        { value: 'count', label: 'As many as I say' },
      ],
      set: (value) => ({
        ...strip,
        length:
          value === 'count'
            ? { by: 'count', count: counts.total }
            : { by: value === 'loops' ? 'loops' : 'way' },
      }),
    },
    ...(strip.length.by === 'count'
      ? [
          {
            kind: 'count' as const,
            id: 'strip-length',
            about: 'side' as const,
            label: across ? 'Rows' : 'Stitches',
            value: strip.length.count,
            min: LEAST,
            max: MOST_STITCHES,
            step: across ? 1 : pattern.multiple,
            problem: across ? undefined : stitchProblem(strip.length.count),
            grip: {
              at: { x: middle + length / 2, y: top - depth / 2 },
              axis: 'x' as const,
              perStep: unit / 2,
            },
            set: (count: number): Strip => ({ ...strip, length: { by: 'count', count } }),
          },
        ]
      : []),
  ];
}
