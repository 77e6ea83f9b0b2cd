import { letterOf } from '../../fields/index.ts';
import { must } from '../../geometry/index.ts';
import { type Choices, type Control, motifChoice } from '../control/control.ts';
import { squareRounds } from '../control/control-kinds.ts';
import { each, eachRounds } from '../explore.ts';
import { defineFamily } from '../family.ts';
import type { Materials } from '../layout/materials.ts';
import { buildPinwheel, pitchOf } from './build.ts';
import { MOST_WING, type Pinwheel, pinwheelSchema } from './schema.ts';

export { pinwheelSchema };

function controls(params: Pinwheel, materials: Materials, choices: Choices): Control<Pinwheel>[] {
  const s = pitchOf(params, materials);
  // Where each wing ends, and which way a pull lengthens it.
  const ends = [
    { x: 1, y: 0.5, axis: 'x', sign: 1 },
    { x: -0.5, y: 1, axis: 'y', sign: 1 },
    { x: -1, y: -0.5, axis: 'x', sign: -1 },
    { x: 0.5, y: -1, axis: 'y', sign: -1 },
  ] as const;
  const wings = params.wings.map((length, i): Control<Pinwheel> => {
    const end = ends[i] ?? ends[0];
    const far = length * s;
    const at = end.axis === 'x' ? { x: end.x * far, y: end.y * s } : { x: end.x * s, y: end.y * far };
    return {
      kind: 'count',
      id: `wing-${i}`,
      label: `Squares of wing ${letterOf(i)}`,
      value: length,
      min: 1,
      max: MOST_WING,
      step: 1,
      hint: i === 0 ? 'with its centre square' : undefined,
      grip: { at, axis: end.axis, perStep: end.sign * s },
      set: (squares) => {
        const [a, b, c, d] = params.wings;
        const next: Pinwheel['wings'] = [a, b, c, d];
        next[i] = squares;
        return { ...params, wings: next };
      },
    };
  });
  return [
    ...motifChoice(params.motif, choices, (motif) => ({ ...params, motif })),
    ...squareRounds(params, materials, (rounds): Pinwheel => ({ ...params, rounds })),
    ...wings,
  ];
}

export const pinwheel = defineFamily(pinwheelSchema)({
  name: 'Pinwheel',
  about: 'Four wings turn out of a centre of four squares, and rise round the bag in a spiral.',
  drawing: {
    pieces: 'M24 16h24v24H24zM24 28h24M36 16v24M48 16h14v12H48M24 40H10V28h14M24 16V4h12v12M48 40v13H36V40',
    folds: 'M36 16l12 12l-12 12l-12 -12z',
  },
  // As deep as it is wide: its base is a square.
  deep: false,
  ofMotifs: true,
  build: buildPinwheel,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    for (const motif of ranges.motifs) {
      eachRounds(motif, ranges.rounds, materials, (rounds) => {
        const s = pitchOf({ motif, rounds }, materials);
        each(2, MOST_WING, (long) => {
          // All alike, or the second and fourth one shorter: the ends then line up into slopes.
          for (const short of [long, long - 1]) {
            size.width = s * Math.SQRT2;
            size.depth = size.width;
            size.height = (long * s) / Math.SQRT2;
            size.squares = 2 * (long + short);
            if (offer(size)) take({ family: 'pinwheel', motif, rounds, wings: [long, short, long, short] });
          }
        });
      });
    }
  },
  begin: ({ height, width }, body, materials) => {
    const motif = body.of === 'motifs' ? body.motif : must(materials.anyMotif(), 'square');
    const tries = [3, 4, 5, 6, 7, 8, 9, 10].map((rounds) => {
      const s = pitchOf({ motif, rounds }, materials);
      // Tips stand at L / sqrt 2 sides above the base, which lies d wide.
      const length = Math.min(MOST_WING, Math.max(2, Math.round((height * Math.SQRT2) / s)));
      const off =
        Math.abs(s * Math.SQRT2 - width) / width + Math.abs((length * s) / Math.SQRT2 - height) / height;
      const params: Pinwheel = { family: 'pinwheel', motif, rounds, wings: [length, length, length, length] };
      return { off, params };
    });
    return tries.reduce((best, next) => (next.off < best.off ? next : best)).params;
  },
});
