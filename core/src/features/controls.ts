import type { BagGraph } from '../bag/index.ts';
import { measure } from '../bag/index.ts';
import { edgeSchema, type Features, waistBandSchema, waistSchema } from '../document/features-schema.ts';
import { firstSwatch } from '../document/look-up.ts';
import { type Choices, type Control, lift, panelOfSize } from '../families/control/control.ts';
import { ofPart, swatchChoice, yesNo } from '../families/control/control-kinds.ts';
import { faceControls, faceSize, oneOfSize } from '../families/control/face-control.ts';
import { evenEyelets, eyeletsSchema } from '../families/layout/eyelets.ts';
import type { FaceMake } from '../families/layout/face.ts';
import { rimBehind } from '../families/layout/flap.ts';
import type { Materials } from '../families/layout/materials.ts';
import { between } from '../fields/index.ts';
import { isSquare } from '../motif/index.ts';
import { stitchesForClasp } from '../panel/index.ts';

/** How far down the front a first flap reaches. */
const REACH = 0.55;
/** A first waist: high, and gently drawn in; per cent. */
const USUAL_WAIST = { at: 70, draw: 20 };
/** Eyelets stand about this far apart at first, mm. */
const EYELET_STEP = 45;

/** The decisions about what goes onto the bag, whatever its family. */
export function featureControls(
  features: Features,
  graph: BagGraph,
  materials: Materials,
  choices: Choices,
): Control<Features>[] {
  return [
    ...edgeControls(features, choices),
    ...flapControls(features, graph, materials, choices),
    ...waistControls(features, materials, choices),
    ...drawstringControls(features, graph),
  ];
}

/** The features without one of them. */
function without(features: Features, key: keyof Features): Features {
  const { [key]: _, ...rest } = features;
  return rest;
}

function edgeControls(features: Features, choices: Choices): Control<Features>[] {
  const { edge } = features;
  const swatch = firstSwatch(choices);
  const on = yesNo('edge', 'Edge rounds along the opening', edge !== undefined, (wanted): Features => {
    if (!wanted) return without(features, 'edge');
    return edge ? features : { ...features, edge: { swatch, rounds: 3, growth: 0 } };
  });
  if (!edge) return [on];
  return [
    on,
    {
      kind: 'count',
      id: 'edge-rounds',
      label: 'Edge rounds',
      value: edge.rounds,
      ...between(edgeSchema.shape.rounds),
      step: 1,
      hint: 'each adds its height',
      set: (rounds) => ({ ...features, edge: { ...edge, rounds } }),
    },
    {
      kind: 'count',
      id: 'edge-growth',
      label: 'Edge flares or draws in',
      value: edge.growth,
      ...between(edgeSchema.shape.growth),
      step: 5,
      hint: 'per cent of the rim: 0 keeps it, less draws it in, more flares',
      set: (growth) => ({ ...features, edge: { ...edge, growth } }),
    },
    ...swatchChoice(
      'edge-swatch',
      'Edge worked in',
      edge.swatch,
      choices,
      (own): Features => ({
        ...features,
        edge: { ...edge, swatch: own },
      }),
    ),
  ];
}

function flapControls(
  features: Features,
  graph: BagGraph,
  materials: Materials,
  choices: Choices,
): Control<Features>[] {
  const { flap } = features;
  // A bag whose construction has a flap of its own, or no level rim behind, takes none.
  if (!flap && (rimBehind(graph).length === 0 || graph.facets.some(({ face }) => face === 'flap'))) return [];
  const { width, height, depth } = measure(graph);
  const size = { width: 0.9 * width, height: depth + REACH * height };
  const swatch = firstSwatch(choices);
  const square = choices.motifs.find(({ kind }) => isSquare(kind));
  const half = choices.motifs.find(({ kind }) => kind === 'half-disc');
  const make = (value: string): FaceMake | undefined => {
    if (value === 'straight') return panelOfSize(size, swatch, materials);
    if (value === 'pointed') {
      const stitches = Math.max(4, Math.round(size.width / materials.pitch(swatch)));
      const rows = Math.max(4, Math.round(size.height / materials.rowHeight(swatch)));
      // Worked up from the point.
      const point = Math.max(1, Math.round(rows * 0.6));
      return {
        of: 'shaped',
        swatch,
        chain: Math.min(3, stitches),
        parts: [
          { rows: point, stitches },
          { rows: Math.max(1, rows - point), stitches },
        ],
      };
    }
    if (value === 'half' && half)
      return oneOfSize({ width: size.width, height: size.width / 2 }, half.id, materials);
    if (value === 'motif' && square)
      return oneOfSize({ width: 0.5 * width, height: 0.5 * width }, square.id, materials);
    return undefined;
  };
  const now = flap === undefined ? 'none' : kindOf(flap, choices);
  const on: Control<Features> = {
    kind: 'choice',
    id: 'flap',
    label: 'Flap',
    value: now,
    options: [
      { value: 'none', label: 'None' },
      { value: 'straight', label: 'Square-edged' },
      { value: 'pointed', label: 'Pointed, by decreases' },
      ...(half || now === 'half' ? [{ value: 'half', label: 'Half round' }] : []),
      ...(square || now === 'motif' ? [{ value: 'motif', label: 'A motif' }] : []),
    ],
    hint: half ? undefined : 'for a half round one, add a half disc under Swatch',
    set: (value) => {
      if (value === now) return features;
      const next = make(value);
      return next ? { ...features, flap: next } : without(features, 'flap');
    },
  };
  if (!flap) return [on];
  const box = faceSize(flap, materials);
  return [
    on,
    ...ofPart(
      'flap',
      'Flap',
      faceControls(flap, {
        choices,
        materials,
        corner: { x: box.width, y: box.height },
        columnsLabel: 'columns',
        rowsLabel: 'rows of squares',
      })
        .slice(1)
        .map((control) => lift(control, (next): Features => ({ ...features, flap: next }))),
    ),
  ];
}

function kindOf(flap: FaceMake, { motifs }: Choices): 'straight' | 'pointed' | 'half' | 'motif' {
  if (flap.of === 'worked') return 'straight';
  if (flap.of === 'shaped') return 'pointed';
  return flap.of === 'one' && motifs.some(({ id, kind }) => id === flap.motif && kind === 'half-disc')
    ? 'half'
    : 'motif';
}

function waistControls(features: Features, materials: Materials, choices: Choices): Control<Features>[] {
  const { waist } = features;
  const on = yesNo('waist', 'A drawn-in waist', waist !== undefined, (wanted): Features => {
    if (!wanted) return without(features, 'waist');
    return waist ? features : { ...features, waist: USUAL_WAIST };
  });
  if (!waist) return [on];
  return [
    on,
    {
      kind: 'count',
      id: 'waist-at',
      label: 'Waist at',
      value: waist.at,
      ...between(waistSchema.shape.at),
      step: 5,
      hint: 'per cent of the height',
      set: (at) => ({ ...features, waist: { ...waist, at } }),
    },
    {
      kind: 'count',
      id: 'waist-draw',
      label: 'Drawn in by',
      value: waist.draw,
      ...between(waistSchema.shape.draw),
      step: 2,
      hint: 'per cent of the way round: what goes in must pass it',
      set: (draw) => ({ ...features, waist: { ...waist, draw } }),
    },
    ...waistBandControls(features, waist, materials, choices),
  ];
}

/** Stitches a band round the waist begins with. */
const BAND_WIDE = 6;

function waistBandControls(
  features: Features,
  waist: NonNullable<Features['waist']>,
  materials: Materials,
  choices: Choices,
): Control<Features>[] {
  const { band } = waist;
  const set = (next: typeof band): Features => ({ ...features, waist: { ...waist, band: next } });
  const on = yesNo('waist-band', 'A band sewn round the waist', band !== undefined, (wanted) =>
    set(wanted ? (band ?? { swatch: materials.stripSwatch(), wide: BAND_WIDE }) : undefined),
  );
  if (!band) return [on];
  const { clasp = 0 } = band;
  const wanted = stitchesForClasp(clasp, materials.pitch(band.swatch));
  const { wide, clasp: high } = waistBandSchema.shape;
  return [
    on,
    ...swatchChoice('waist-band-swatch', 'Band worked in', band.swatch, choices, (swatch) =>
      set({ ...band, swatch }),
    ),
    {
      kind: 'count',
      id: 'waist-band-wide',
      label: 'Stitches across the band',
      value: band.wide,
      ...between(wide),
      step: 1,
      problem: wanted > band.wide ? `The clasp is ${clasp} mm high: ${wanted} stitches carry it.` : undefined,
      set: (many) => set({ ...band, wide: many }),
    },
    {
      kind: 'count',
      id: 'waist-clasp',
      label: 'Height of the clasp on it',
      value: clasp,
      ...between(high.unwrap()),
      min: 0,
      step: 1,
      hint: 'mm; 0 where it carries none',
      set: (mm) => set({ ...band, clasp: mm === 0 ? undefined : mm }),
    },
  ];
}

function drawstringControls(features: Features, graph: BagGraph): Control<Features>[] {
  const { drawstring } = features;
  const { min, max } = between(eyeletsSchema);
  const first = Math.min(max, Math.max(min, evenEyelets(measure(graph).opening / EYELET_STEP)));
  const on = yesNo(
    'drawstring',
    'Drawstring through the rim',
    drawstring !== undefined,
    (wanted): Features => {
      if (!wanted) return without(features, 'drawstring');
      return drawstring ? features : { ...features, drawstring: { eyelets: first } };
    },
  );
  if (!drawstring) return [on];
  return [
    on,
    {
      kind: 'count',
      id: 'eyelets',
      label: 'Eyelets',
      value: drawstring.eyelets,
      ...between(eyeletsSchema),
      step: 2,
      hint: 'an even number, so that the cord comes out where it went in. Cords can strangle: not on small children’s things.',
      set: (eyelets) => ({ ...features, drawstring: { eyelets: evenEyelets(eyelets) } }),
    },
  ];
}
