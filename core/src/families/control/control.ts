import { between } from '../../fields/index.ts';
import { must, type Point } from '../../geometry/index.ts';
import { isSquare, type MotifKind } from '../../motif/index.ts';
import { multipleProblem, nearestMultiple, repeatsText } from '../../panel/index.ts';
import { type Body, MOST_CELLS, MOST_STITCHES, multipleSchema, sizeOf } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { rowPattern, stitchPattern } from '../layout/pattern.ts';
import { squareRounds, swatchChoice } from './control-kinds.ts';

/** A grip on the net: pulling it along `axis` by `perStep` mm changes the count by one. */
export interface Grip {
  readonly at: Point;
  readonly axis: 'x' | 'y';
  readonly perStep: number;
}

/**
 * A decision a family leaves to the maker. The interface draws controls without knowing families; `set`
 * gives the construction with the new value.
 */
export type Control<C> =
  | {
      /** `length`: the value is mm, and shown in the maker's unit. */
      readonly kind: 'count' | 'length';
      readonly id: string;
      readonly label: string;
      readonly value: number;
      readonly min: number;
      readonly max: number;
      readonly step: number;
      readonly hint?: string | undefined;
      readonly problem?: string | undefined;
      readonly grip?: Grip | undefined;
      /** `side`: a decision about the strip or side, shown where sides are. */
      readonly about?: 'side';
      readonly set: (value: number) => C;
    }
  | {
      readonly kind: 'choice';
      readonly id: string;
      readonly label: string;
      readonly value: string;
      readonly options: ReadonlyArray<{ readonly value: string; readonly label: string }>;
      readonly hint?: string | undefined;
      readonly about?: 'side';
      /** The value that makes the side come out by itself. */
      readonly fits?: readonly string[];
      readonly set: (value: string) => C;
    };

/** The same control for something that contains the thing it controls. */
export function lift<A, B>(control: Control<A>, into: (a: A) => B): Control<B> {
  return control.kind !== 'choice'
    ? { ...control, set: (value: number) => into(control.set(value)) }
    : { ...control, set: (value: string) => into(control.set(value)) };
}

/** What there is to choose from in the document. */
export interface Choices {
  readonly motifs: ReadonlyArray<{
    readonly id: string;
    readonly name: string;
    readonly kind: MotifKind;
    /** Its rounds, where it is made by rounds of its own. */
    readonly ownRounds?: number;
  }>;
  readonly swatches: ReadonlyArray<{ readonly id: string; readonly name: string }>;
  readonly panels?: ReadonlyArray<{ readonly id: string; readonly name: string }> | undefined;
}

/** The motifs that can be laid in columns and rows. */
const squares = ({ motifs }: Choices) => motifs.filter(({ kind }) => isSquare(kind));

/** Which square is used; nothing to choose when there is only one. */
export const motifChoice = <C>(motif: string, choices: Choices, set: (motif: string) => C): Control<C>[] =>
  squares(choices).length < 2
    ? []
    : [
        {
          kind: 'choice',
          id: 'motif',
          label: 'Square',
          value: motif,
          options: squares(choices).map(({ id, name }) => ({ value: id, label: name })),
          set,
        },
      ];

export interface BodyControlOptions {
  readonly choices: Choices;
  readonly materials: Materials;
  /** Right end and top of the sheet in the net, for the grips. */
  readonly corner: Point;
  readonly columnsLabel: string;
  readonly rowsLabel: string;
}

/** The controls of a body: what it is of, and how many. */
export function bodyControls(body: Body, options: BodyControlOptions): Control<Body>[] {
  const { choices, materials, corner } = options;
  const firstSwatch = must(choices.swatches[0], 'swatch').id;
  const firstMotif = squares(choices)[0]?.id;
  const of: Control<Body> = {
    kind: 'choice',
    id: 'of',
    label: 'Made of',
    value: body.of,
    options: [
      ...(firstMotif ? [{ value: 'motifs', label: 'Squares' }] : []),
      { value: 'worked', label: 'A panel worked in rows' },
    ],
    set: (value) => {
      if (value === body.of) return body;
      const size = sizeOf(body, materials);
      return value === 'motifs' && firstMotif !== undefined
        ? squaresOfSize(size, firstMotif, materials)
        : panelOfSize(size, body.of === 'worked' ? body.swatch : firstSwatch, materials);
    },
  };
  const gripX = (perStep: number): Grip => ({ at: { x: corner.x, y: corner.y * 0.28 }, axis: 'x', perStep });
  const gripY = (perStep: number): Grip => ({ at: { x: corner.x * 0.28, y: corner.y }, axis: 'y', perStep });
  if (body.of === 'motifs') {
    const pitch = materials.motifSide(body.motif, body.rounds) + materials.join();
    const perRound =
      materials.motifSide(body.motif, body.rounds + 1) - materials.motifSide(body.motif, body.rounds);
    return [
      of,
      ...motifChoice(body.motif, choices, (motif) => {
        const own = choices.motifs.find(({ id }) => id === motif)?.ownRounds ?? 1;
        return { ...body, motif, rounds: Math.max(own, body.rounds) };
      }),
      ...squareRounds(body, materials, (rounds) => ({ ...body, rounds }), {
        at: { x: pitch, y: corner.y - pitch },
        axis: 'x',
        perStep: Math.max(perRound, 1),
      }),
      {
        kind: 'count',
        id: 'columns',
        label: options.columnsLabel,
        value: body.columns,
        min: 1,
        max: MOST_CELLS,
        step: 1,
        grip: gripX(pitch),
        set: (columns) => ({ ...body, columns }),
      },
      {
        kind: 'count',
        id: 'rows',
        label: options.rowsLabel,
        value: body.rows,
        min: 1,
        max: MOST_CELLS,
        step: 1,
        grip: gripY(pitch),
        set: (rows) => ({ ...body, rows }),
      },
    ];
  }
  const pitch = materials.pitch(body.swatch);
  const row = materials.rowHeight(body.swatch);
  const across = body.rowsRun === 'across';
  const pattern = stitchPattern(body.multiple, body.swatch, materials);
  const { multiple } = pattern;
  const repeat = rowPattern(body.swatch, materials);
  const own = materials.fabric(body.swatch) === undefined;
  return [
    of,
    ...swatchChoice('body-swatch', 'Worked as swatch', body.swatch, choices, (swatch): Body => {
      const panel = panelOfSize(sizeOf(body, materials), swatch, materials, body.rowsRun);
      return { ...panel, multiple: body.multiple };
    }),
    {
      kind: 'choice',
      id: 'rowsRun',
      label: 'Rows run',
      value: body.rowsRun,
      options: [
        { value: 'across', label: 'Across the bag' },
        { value: 'upright', label: 'Up the bag' },
      ],
      set: (value) => ({ ...body, rowsRun: value === 'upright' ? 'upright' : 'across' }),
    },
    {
      kind: 'count',
      id: 'stitches',
      label: 'Stitches in a row',
      value: body.stitches,
      min: 1,
      max: MOST_STITCHES,
      step: multiple,
      problem: multipleProblem(body.stitches, pattern, pitch),
      grip: across ? gripX(pitch * multiple) : gripY(pitch * multiple),
      set: (stitches) => ({ ...body, stitches }),
    },
    {
      kind: 'count',
      id: 'rows',
      label: 'Rows',
      value: body.rows,
      min: 1,
      max: MOST_STITCHES,
      step: 1,
      ...(repeat.multiple > 1 ? { hint: repeatsText(body.rows, repeat, row) } : {}),
      grip: across ? gripY(row) : gripX(row),
      set: (rows) => ({ ...body, rows }),
    },
    ...(own ? multipleControls(body) : []),
  ];
}

/** What a maker says of their stitch pattern, where no fabric's rows say it. */
function multipleControls(body: Extract<Body, { of: 'worked' }>): Control<Body>[] {
  return [
    {
      kind: 'count',
      id: 'multiple',
      label: 'Stitch pattern repeats over',
      value: body.multiple.multiple,
      ...between(multipleSchema.shape.multiple),
      step: 1,
      hint: 'stitches; 1 when any count will do',
      set: (value) => ({ ...body, multiple: { ...body.multiple, multiple: value } }),
    },
    {
      kind: 'count',
      id: 'extra',
      label: 'plus',
      value: body.multiple.extra,
      ...between(multipleSchema.shape.extra),
      step: 1,
      hint: 'stitches at the ends',
      set: (value) => ({ ...body, multiple: { ...body.multiple, extra: value } }),
    },
  ];
}

const times = (way: number, unit: number, most: number) =>
  Math.min(most, Math.max(1, Math.round(way / unit)));

/** By how much a length misses what is wished for, as a share of it. */
const missed = (length: number, wish: number) => Math.abs(length - wish) / wish;

/** Rounds a first suggestion may have: smaller squares are fiddly, larger ones leave little choice. */
const USUAL_ROUNDS = [3, 4, 5, 6, 7, 8];

/**
 * Squares covering about the size, with the rounds at which whole columns and rows come nearest to it.
 * Columns come in multiples of `columnStep`. A depth that is to be made of the same squares has its say, too.
 */
export function squaresOfSize(
  size: { width: number; height: number; depth?: number },
  motif: string,
  materials: Materials,
  columnStep = 1,
): Extract<Body, { of: 'motifs' }> {
  const has = materials.motifRounds(motif);
  const tries = [...new Set(USUAL_ROUNDS.map((rounds) => Math.min(has.to, Math.max(has.from, rounds))))].map(
    (rounds) => {
      const side = materials.motifSide(motif, rounds) + materials.join();
      const columns = columnStep * times(size.width, side * columnStep, Math.floor(MOST_CELLS / columnStep));
      const rows = times(size.height, side, MOST_CELLS);
      const off =
        missed(columns * side, size.width) +
        missed(rows * side, size.height) +
        (size.depth ? missed(times(size.depth, side, MOST_CELLS) * side, size.depth) : 0);
      return { off, body: { of: 'motifs' as const, motif, rounds, columns, rows } };
    },
  );
  return tries.reduce((best, next) => (next.off < best.off ? next : best)).body;
}

/** A plain panel of about the size, rows across. */
export function panelOfSize(
  size: { width: number; height: number },
  swatch: string,
  materials: Materials,
  rowsRun: 'across' | 'upright' = 'across',
): Extract<Body, { of: 'worked' }> {
  const [stitchWay, rowWay] = rowsRun === 'across' ? [size.width, size.height] : [size.height, size.width];
  const any = { multiple: 1, extra: 0 };
  const stitches = times(stitchWay, materials.pitch(swatch), MOST_STITCHES);
  const rows = times(rowWay, materials.rowHeight(swatch), MOST_STITCHES);
  return {
    of: 'worked',
    swatch,
    stitches: nearestMultiple(stitches, stitchPattern(any, swatch, materials), MOST_STITCHES),
    rows: nearestMultiple(rows, rowPattern(swatch, materials), MOST_STITCHES),
    multiple: any,
    rowsRun,
  };
}

/** A body of about the size, of squares or of a panel like the given one. */
export const bodyOfSize = (
  size: { width: number; height: number; depth?: number },
  like: Body,
  materials: Materials,
): Body =>
  like.of === 'motifs'
    ? squaresOfSize(size, like.motif, materials)
    : panelOfSize(size, like.swatch, materials);
