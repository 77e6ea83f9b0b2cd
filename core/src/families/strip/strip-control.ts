import { multipleProblem, nearestMultiple } from '../../panel/index.ts';
import type { Choices, Control } from '../control/control.ts';
import { swatchChoice } from '../control/control-kinds.ts';
import { MOST_STITCHES } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import {
  type AlongFace,
  countsAlong,
  LEAST,
  type Strip,
  stripDepth,
  stripPattern,
  stripUnit,
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
  const across = strip.worked === 'across';
  const pattern = stripPattern(strip, materials);
  const counts = countsAlong(strip, face, materials);
  const unit = stripUnit(strip, materials);
  const length = counts.total * unit;
  const depthUnit = across ? materials.pitch(strip.swatch) : materials.rowHeight(strip.swatch);
  const depth = stripDepth(strip, materials);
  const totalBy = (by: 'way' | 'loops') => countsAlong({ ...strip, length: { by } }, face, materials).total;
  const stitchProblem = (count: number) => multipleProblem(count, pattern);
  return [
    ...swatchChoice('strip-swatch', 'Strip worked as swatch', strip.swatch, choices, (swatch): Strip => {
      const other = { ...strip, swatch };
      const own = across ? materials.pitch(swatch) : materials.rowHeight(swatch);
      const count = Math.max(1, Math.round((strip.depth * depthUnit) / own));
      const wide = across ? nearestMultiple(count, stripPattern(other, materials), MOST_STITCHES) : count;
      return { ...other, depth: wide, length: { by: 'way' } };
    }),
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
