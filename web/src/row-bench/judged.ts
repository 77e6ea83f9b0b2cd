import {
  type BagDocument,
  type CountedProgram,
  countedPanel,
  fabricFrom,
  fabricPanel,
  fanText,
  flatnessText,
  formatLength,
  type LengthSystem,
  leanOf,
  leanText,
  meanHeight,
  meanRowEnds,
  type Panel,
  panelSizes,
  repeatOf,
  type Swatch,
  sectionHeights,
  sectionsText,
  sizeTable,
  strangeLetters,
  type Terms,
  type WorkedPiece,
  yarnOf,
  yarnOfLetter,
} from '@fennot/core';
import { over } from './over.ts';
import type { ShapeAsk } from './shape.ts';

/** What rows come to: their counts, the piece they make, and what is said of it. */
export interface Judged {
  readonly counted: CountedProgram;
  /** Whose shape is to be found; nothing where there is none. */
  readonly shape: ShapeAsk | undefined;
  /** Colour of a row of the piece, by its number. */
  readonly colour: (row: number) => string;
  /** Of the piece, once its shape is found: how large, and whether it lies flat. */
  readonly measured: (piece: WorkedPiece | undefined) => string;
  /** Of the rows as a whole: that they come out, or why not. */
  readonly verdict: { readonly good: boolean; readonly text: string };
}

/** Where rows are judged: which bag, in which swatch, in which terms. */
export interface Where {
  readonly document: BagDocument;
  readonly swatch: Swatch;
  readonly terms: Terms;
  readonly system: LengthSystem;
}

/** The colours of rows by the letters that are written beside them. */
function coloursOf({ rows }: CountedProgram, { document, swatch }: Where): (row: number) => string {
  const hex = (yarn: string) => yarnOf(document, yarn).colour;
  const colours = rows.map(({ colour }) => hex(yarnOfLetter(document, swatch.yarn, colour ?? 'A')));
  return (row) => colours[row - 1] ?? hex(swatch.yarn);
}

const rowWord = (many: number, round: boolean) => `${round ? 'round' : 'row'}${many === 1 ? '' : 's'}`;

/** How a panel leans, where anyone would see it. */
function leaning(piece: WorkedPiece, system: LengthSystem): string {
  const lean = leanOf(piece);
  return lean ? leanText(lean, (mm) => formatLength(mm, system)) : '';
}

/** Colours that the rows name and the bag has not. */
function strangers(counted: CountedProgram, { document, swatch }: Where): string {
  const letters = strangeLetters(document, swatch.yarn, counted);
  if (letters.length === 0) return '';
  const many = document.yarns.length;
  return `The bag has ${many} ${many === 1 ? 'yarn' : 'yarns'}: for ${letters.join(' and ')} there is none, and A is taken.`;
}

/** Rows of a panel. */
export function judgedPanel(rows: string, where: Where, sections?: Panel['sections']): Judged {
  const { document, swatch, terms, system } = where;
  const { stitch, turning } = swatch;
  const written = { rows, terms };
  const counted = countedPanel(written, swatch);
  const round = counted.rows.some((row) => row.round);
  const many = counted.rows.length;
  const some = counted.rows.some(({ makes }) => makes > 0);
  const sizes = panelSizes(document, { ...(sections && { sections }) }, swatch, sizeTable(document).sizes);
  return {
    counted,
    shape: some ? { written, stitch, turning, sizes } : undefined,
    colour: coloursOf(counted, where),
    measured: (piece) => {
      if (!some) return 'There are no rows yet.';
      if (!piece) return 'Its shape is being worked out ...';
      const wide = `Widest at ${rowWord(1, round)} ${piece.widest.row}: ${formatLength(piece.widest.width, system)}; ${formatLength(piece.height, system)} high.`;
      const uneven = sectionsText(sectionHeights(piece), (mm) => formatLength(mm, system));
      const flat = piece.flatness.lies === 'flat' && uneven ? '' : flatnessText(piece.flatness, round);
      const fan = piece.fan && piece.flatness.lies === 'flat' ? fanText(piece.fan) : '';
      return [wide, flat, fan, uneven, leaning(piece, system)].filter(Boolean).join(' ');
    },
    verdict: {
      good: counted.problems.length === 0,
      text: [`${many} ${rowWord(many, round)}, all of it comes out.`, strangers(counted, where)]
        .join(' ')
        .trim(),
    },
  };
}

/** Rows of a fabric: drawn as a panel of some repeats. */
export function judgedFabric(rows: string, where: Where): Judged {
  const { document, swatch, terms, system } = where;
  const reading = fabricFrom({ rows, terms }, { turning: swatch.turning, usual: swatch.stitch });
  if (reading.is === 'nothing')
    return {
      counted: reading.counted,
      shape: undefined,
      colour: coloursOf(reading.counted, where),
      measured: () => 'It is drawn as soon as it comes out.',
      verdict: { good: false, text: reading.why.message },
    };
  const { fabric } = reading;
  const { multiple, extra } = fabric.multiple;
  const stitches = extra + multiple * Math.max(1, Math.ceil(SHOWN / multiple));
  const many = fabric.repeated.first - 1 + repeatOf(fabric) * Math.ceil(SHOWN / repeatOf(fabric));
  const panel = fabricPanel(fabric, stitches, many);
  const sizes = {
    sizes: { ...sizeTable(document).sizes(swatch.id), usual: meanHeight(fabric) },
    rowEndRate: meanRowEnds(fabric),
    sections: [],
  };
  const repeats = repeatOf(fabric);
  return {
    counted: reading.counted,
    shape: {
      written: { rows, terms },
      stitch: swatch.stitch,
      turning: swatch.turning,
      sizes,
      shown: { stitches, rows: many },
    },
    colour: coloursOf(panel, where),
    measured: (piece) =>
      `${stitches} stitches by ${many} rows${piece ? `: ${formatLength(piece.widest.width, system)} wide, ${formatLength(piece.height, system)} high` : ''}.`,
    verdict: {
      good: true,
      text: `It comes out over ${over(fabric.multiple)}, and repeats over ${repeats} ${rowWord(repeats, false)}.`,
    },
  };
}

/** So many stitches and rows are shown of a fabric, at least. */
const SHOWN = 16;
