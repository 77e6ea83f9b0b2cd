import { must } from '../../geometry/index.ts';
import type { Control, Grip } from '../control/control.ts';
import { motifChoice } from '../control/control.ts';
import { squareRounds } from '../control/control-kinds.ts';
import { each, eachRounds } from '../explore.ts';
import { defineFamily, type Family } from '../family.ts';
import type { Materials } from '../layout/materials.ts';
import { buildOnPoint, pitchOf, squaresNeeded } from './build.ts';
import { MOST_ACROSS, MOST_ROWS, type OnPoint, onPointSchema } from './schema.ts';

export { onPointSchema };

function controls(
  params: OnPoint,
  materials: Materials,
  choices: Parameters<Family<OnPoint>['controls']>[2],
) {
  const d = pitchOf(params, materials) * Math.SQRT2;
  const grip = (x: number, y: number, axis: Grip['axis'], perStep: number): Grip => ({
    at: { x, y },
    axis,
    perStep,
  });
  const top = ((params.rows + 1) * d) / 2;
  const list: Control<OnPoint>[] = [
    ...motifChoice(params.motif, choices, (motif) => ({ ...params, motif })),
    ...squareRounds(params, materials, (rounds): OnPoint => ({ ...params, rounds })),
    {
      kind: 'count',
      id: 'across',
      label: 'Diamonds across',
      value: params.across,
      min: 1,
      max: MOST_ACROSS,
      step: 1,
      grip: grip(params.across * d, d * 0.5, 'x', d),
      set: (across) => ({ ...params, across }),
    },
    {
      kind: 'count',
      id: 'rows',
      label: 'Rows above the bottom',
      value: params.rows,
      min: 1,
      max: MOST_ROWS,
      step: 1,
      hint: 'each rises half a diamond',
      grip: grip((params.across * d) / 2, top, 'y', d / 2),
      set: (rows) => ({ ...params, rows }),
    },
    {
      kind: 'choice',
      id: 'bottom',
      label: 'Bottom',
      value: params.bottom,
      options: [
        { value: 'tapered', label: 'Tapered, lower corners cut off' },
        { value: 'straight', label: 'Straight' },
      ],
      set: (bottom) => ({ ...params, bottom: bottom === 'straight' ? 'straight' : 'tapered' }),
    },
  ];
  return list;
}

export const onPoint = defineFamily(onPointSchema)({
  name: 'On point',
  about: 'Squares hung as diamonds; the bottom row folds, and the top ends in points.',
  drawing: {
    pieces:
      'M24 4l12 12l-12 12L12 16zM48 4l12 12L48 28L36 16zM36 16l12 12L36 40L24 28zM24 28l12 12L24 52L12 40zM48 28l12 12L48 52L36 40z',
    folds: 'M20 28h32',
  },
  deep: false,
  ofMotifs: true,
  build: buildOnPoint,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    for (const motif of ranges.motifs) {
      eachRounds(motif, ranges.rounds, materials, (rounds) => {
        each(1, MOST_ACROSS, (across) => {
          each(1, MOST_ROWS, (rows) => {
            for (const bottom of ['tapered', 'straight'] as const) {
              const params: OnPoint = { family: 'on-point', motif, rounds, across, rows, bottom };
              const d = pitchOf(params, materials) * Math.SQRT2;
              size.width = across * d;
              size.height = ((rows + 1) * d) / 2;
              size.squares = squaresNeeded(params);
              if (offer(size)) take(params);
            }
          });
        });
      });
    }
  },
  begin: ({ width, height }, body, materials) => {
    const motif = body.of === 'motifs' ? body.motif : must(materials.anyMotif(), 'square');
    const tries = [3, 4, 5, 6, 7, 8].flatMap((rounds) =>
      Array.from({ length: MOST_ACROSS }, (_, i) => i + 1).map((across) => {
        const base: OnPoint = { family: 'on-point', motif, rounds, across, rows: 1, bottom: 'tapered' };
        const d = pitchOf(base, materials) * Math.SQRT2;
        const rows = Math.min(MOST_ROWS, Math.max(1, Math.round((2 * height) / d) - 1));
        const off = Math.abs(across * d - width) / width + Math.abs(((rows + 1) * d) / 2 - height) / height;
        // A bag one diamond across has no bottom row to taper.
        const bottom: OnPoint['bottom'] = across === 1 ? 'straight' : 'tapered';
        return { off, params: { ...base, rows, bottom } };
      }),
    );
    return tries.reduce((best, next) => (next.off < best.off ? next : best)).params;
  },
});
