import { between } from '../../fields/index.ts';
import { extent, must } from '../../geometry/index.ts';
import { isSquare } from '../../motif/index.ts';
import { MOST_STITCHES } from '../layout/body.ts';
import { type FaceMake, layFace, MOST_PARTS, oneSchema, type ShapedFace } from '../layout/face.ts';
import type { Materials } from '../layout/materials.ts';
import {
  type BodyControlOptions,
  bodyControls,
  type Control,
  lift,
  panelOfSize,
  squaresOfSize,
} from './control.ts';
import { panelOfValue, panelOptions, panelValue, rowsRunChoice } from './control-kinds.ts';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Share of a disc's round that stays open at first, per cent. */
const USUAL_OPENING = 30;

/** A face's width and height without joins at its sewn edges, mm. */
export function faceSize(face: FaceMake, materials: Materials): Size {
  const { width, height } = layFace(face, materials, { id: 'face', name: 'Face', at: { x: 0, y: 0 } });
  return { width, height };
}

/** One motif with the rounds that bring it nearest to the size. */
export function oneOfSize({ width, height }: Size, motif: string, materials: Materials): FaceMake {
  const off = (rounds: number) => {
    const box = extent(materials.motifShape(motif, rounds).outline);
    return Math.abs(box.width - width) + Math.abs(box.height - height);
  };
  const { from, to } = materials.motifRounds(motif);
  let rounds = from;
  for (let more = from + 1; more <= to; more++) if (off(more) < off(rounds)) rounds = more;
  return { of: 'one', motif, rounds, open: USUAL_OPENING };
}

/** A panel of the size that widens over its first rows and narrows towards the top. */
function shapedOfSize({ width, height }: Size, swatch: string, materials: Materials): ShapedFace {
  const stitches = Math.max(4, Math.round(width / materials.pitch(swatch)));
  const rows = Math.max(4, Math.round(height / materials.rowHeight(swatch)));
  const share = (of: number) => Math.max(1, Math.round(of * rows));
  return {
    of: 'shaped',
    swatch,
    chain: Math.round(stitches * 0.7),
    parts: [
      { rows: share(0.3), stitches },
      { rows: share(0.35), stitches },
      { rows: share(0.35), stitches: Math.round(stitches * 0.75) },
    ],
  };
}

/** The controls of a face: what it is of, and its counts. */
export function faceControls(face: FaceMake, options: BodyControlOptions): Control<FaceMake>[] {
  const { choices, materials } = options;
  const square = choices.motifs.find(({ kind }) => isSquare(kind));
  const swatch = 'swatch' in face ? face.swatch : must(choices.swatches[0], 'swatch').id;
  const of: Control<FaceMake> = {
    kind: 'choice',
    id: 'of',
    label: 'Made of',
    value: whatOf(face),
    options: [
      ...(square ? [{ value: 'motifs', label: 'Squares' }] : []),
      { value: 'worked', label: 'A panel worked in rows' },
      { value: 'shaped', label: 'A shaped panel' },
      ...panelOptions(choices.panels ?? []),
      ...choices.motifs.map(({ id, name }) => ({ value: `one:${id}`, label: `One piece: ${name}` })),
    ],
    hint: 'panels by their rows, discs, half discs, hexagons and triangles are added under Swatch',
    set: (value) => {
      if (value === whatOf(face)) return face;
      const panel = panelOfValue(value);
      if (panel !== undefined) return { of: 'rows', panel, open: USUAL_OPENING };
      const size = faceSize(face, materials);
      if (value.startsWith('one:')) return oneOfSize(size, value.slice(4), materials);
      if (value === 'shaped') return shapedOfSize(size, swatch, materials);
      return value === 'motifs' && square
        ? squaresOfSize(size, square.id, materials)
        : panelOfSize(size, swatch, materials);
    },
  };
  if (face.of === 'motifs' || face.of === 'worked') {
    const own = bodyControls(face, options).slice(1);
    return [of, ...own.map((control) => lift(control, (next): FaceMake => next))];
  }
  switch (face.of) {
    case 'one':
      return [of, ...oneControls(face, options)];
    case 'shaped':
      return [of, ...shapedControls(face, options)];
    case 'rows':
      return [of, ...rowsControls(face, options)];
  }
}

/** What a face is of, as the choice names it. */
const whatOf = (face: FaceMake): string =>
  face.of === 'one' ? `one:${face.motif}` : face.of === 'rows' ? panelValue(face.panel) : face.of;

/** A panel by its rows has its counts in its rows; what is worked round opens as wide as it is told. */
function rowsControls(
  face: Extract<FaceMake, { of: 'rows' }>,
  { materials }: BodyControlOptions,
): Control<FaceMake>[] {
  const { sides } = materials.panel(face.panel).piece;
  if (sides.length === 1) return [opening(face.open, (open) => ({ ...face, open }))];
  if (!sides.some(({ at }) => at === 'bottom')) return [];
  const { of, panel, open } = face;
  return [
    rowsRunChoice(
      face.upright ?? false,
      { across: 'Across: it opens along its last row', upright: 'Upright: it opens along its row ends' },
      (upright): FaceMake => ({ of, panel, open, ...(upright && { upright }) }),
    ),
  ];
}

const opening = (value: number, set: (open: number) => FaceMake): Control<FaceMake> => ({
  kind: 'count',
  id: 'open',
  label: 'Open at the top',
  value,
  ...between(oneSchema.shape.open),
  step: 5,
  hint: 'per cent of the round that no strip takes',
  set,
});

function oneControls(
  face: Extract<FaceMake, { of: 'one' }>,
  { choices, materials, corner }: BodyControlOptions,
): Control<FaceMake>[] {
  const wide = (rounds: number) => extent(materials.motifShape(face.motif, rounds).outline).width;
  const disc = choices.motifs.some(({ id, kind }) => id === face.motif && kind === 'disc');
  const { from, to } = materials.motifRounds(face.motif);
  const rounds: Control<FaceMake> = {
    kind: 'count',
    id: 'rounds',
    label: 'Rounds',
    value: face.rounds,
    min: Math.min(from, face.rounds),
    max: to,
    step: 1,
    grip: {
      at: { x: corner.x, y: corner.y / 2 },
      axis: 'x',
      perStep: Math.max(1, wide(face.rounds + 1) - wide(face.rounds)),
    },
    set: (rounds) => ({ ...face, rounds }),
  };
  return [
    ...(from < to ? [rounds] : []),
    ...(disc ? [opening(face.open, (open) => ({ ...face, open }))] : []),
  ];
}

function shapedControls(face: ShapedFace, { materials, corner }: BodyControlOptions): Control<FaceMake>[] {
  const { parts } = face;
  const row = materials.rowHeight(face.swatch);
  const setPart = (i: number, fields: Partial<ShapedFace['parts'][number]>): FaceMake => ({
    ...face,
    parts: parts.map((part, k) => (k === i ? { ...part, ...fields } : part)),
  });
  const stitches = { kind: 'count', min: 1, max: MOST_STITCHES, step: 1 } as const;
  let below = 0;
  return [
    {
      ...stitches,
      id: 'chain',
      label: 'Stitches of the first row',
      value: face.chain,
      set: (chain: number) => ({ ...face, chain }),
    },
    {
      ...stitches,
      id: 'parts',
      label: 'Parts, from the bottom up',
      value: parts.length,
      max: MOST_PARTS,
      set: (many: number) => ({
        ...face,
        parts: Array.from({ length: many }, (_, i) => parts[i] ?? parts.at(-1) ?? { rows: 4, stitches: 20 }),
      }),
    },
    ...parts.flatMap((part, i): Control<FaceMake>[] => {
      const title = `Part ${i + 1}`;
      below += part.rows;
      return [
        {
          ...stitches,
          id: `part-${i}-rows`,
          label: `${title}: rows`,
          value: part.rows,
          grip: { at: { x: corner.x * 0.5, y: below * row }, axis: 'y', perStep: row },
          set: (rows: number) => setPart(i, { rows }),
        },
        {
          ...stitches,
          id: `part-${i}-stitches`,
          label: `${title}: stitches it ends with`,
          value: part.stitches,
          set: (many: number) => setPart(i, { stitches: many }),
        },
      ];
    }),
  ];
}
