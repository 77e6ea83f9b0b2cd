import { multipleProblem } from '../../panel/index.ts';
import { MOST_STITCHES } from '../shared/body.ts';
import { type Choices, type Control, lift } from '../shared/control.ts';
import { faceControls, faceSize } from '../shared/face-control.ts';
import type { Materials } from '../shared/materials.ts';
import { APART } from '../shared/sew.ts';
import { stripCounts, stripDepth, stripUnit } from './build.ts';
import { type FacesAndStrip, LEAST, type Strip } from './schema.ts';

/** The decisions of a bag of two faces and a strip. */
export function facesAndStripControls(
  params: FacesAndStrip,
  materials: Materials,
  choices: Choices,
): Control<FacesAndStrip>[] {
  const { strip } = params;
  const { width, height } = faceSize(params.face, materials);
  const face = faceControls(params.face, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns of each face',
    rowsLabel: 'Rows of each face',
  }).map((control) => lift(control, (next): FacesAndStrip => ({ ...params, face: next })));

  const withStrip = (change: Partial<Strip>): FacesAndStrip => ({
    ...params,
    strip: { ...strip, ...change },
  });
  const across = strip.worked === 'across';
  const counts = stripCounts(params, materials);
  const unit = stripUnit(strip, materials);
  const length = counts.total * unit;
  const depthUnit = across ? materials.pitch(strip.swatch) : materials.rowHeight(strip.swatch);
  const middle = (2 * width + APART) / 2;
  const depth = stripDepth(strip, materials);
  const stitchProblem = (count: number) => multipleProblem(count, strip.multiple);
  return [
    ...face,
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
        if (worked === strip.worked) return params;
        const other = { ...strip, worked } as const;
        const size = worked === 'across' ? materials.pitch(strip.swatch) : materials.rowHeight(strip.swatch);
        const rows = Math.max(1, Math.round((strip.depth * depthUnit) / size));
        return { ...params, strip: { ...other, depth: rows, length: { by: 'way' } } };
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
      step: across ? strip.multiple.multiple : 1,
      problem: across ? stitchProblem(strip.depth) : undefined,
      grip: { at: { x: middle - length * 0.1, y: -APART - depth }, axis: 'y', perStep: -depthUnit },
      set: (value) => withStrip({ depth: value }),
    },
    {
      kind: 'choice',
      id: 'strip-fit',
      about: 'side',
      fits: 'way',
      label: across ? 'Rows of the strip' : 'Stitches along the strip',
      value: strip.length.by,
      options: [
        { value: 'way', label: `As many as it takes: ${counts.total}` },
        { value: 'count', label: 'As many as I say' },
      ],
      set: (value) =>
        withStrip({ length: value === 'count' ? { by: 'count', count: counts.total } : { by: 'way' } }),
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
            step: across ? 1 : strip.multiple.multiple,
            problem: across ? undefined : stitchProblem(strip.length.count),
            grip: {
              at: { x: middle + length / 2, y: -APART - depth / 2 },
              axis: 'x' as const,
              perStep: unit / 2,
            },
            set: (count: number) => withStrip({ length: { by: 'count', count } }),
          },
        ]
      : []),
  ];
}
