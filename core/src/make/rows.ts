import type { Piece } from '../bag/index.ts';
import { type BagDocument, type Motif, motifOf, panelOf, type Swatch, swatchOf } from '../document/index.ts';
import { abbreviation, countedPanel, fabricPanel, type Instruction, writeRow } from '../fabric/index.ts';
import { fabricOf } from '../fit/index.ts';
import { area, must } from '../geometry/index.ts';
import type { MarkedEdge } from '../match/index.ts';
import { CORNERS, madeRounds, presetRounds, workRounds } from '../motif/index.ts';
import type { Plan } from '../plan/index.ts';
import { foundationChain, type Stitch, type Terms } from '../stitches/index.ts';
import { rowColours, writtenColours } from '../stripes/index.ts';
import { panelStitches, roundColours, roundStitches } from '../yarn/index.ts';
import type { PieceTask } from './task.ts';

/** Something to be put in after a row: a marker, where the piece meets its partner, or a button hole. */
export interface RowMark {
  readonly is: 'corner' | 'quarter' | 'half' | 'hole' | 'middle begins' | 'middle ends';
  /** What it will lie on: a piece, and after how many of its loops. */
  readonly on?: { readonly piece: string; readonly loop: number };
}

/** One row or round of a task. */
export interface WorkRow {
  /** From 1. */
  readonly number: number;
  readonly yarn: string;
  /** It is worked in another colour than the one before. */
  readonly changes: boolean;
  /** Where that is known. */
  readonly stitches: number | undefined;
  /** Stitch by stitch, where it is more than one stitch again and again. */
  readonly instructions: readonly Instruction[] | undefined;
  /** The stitch it is worked in, where nothing else is said. */
  readonly stitch: Stitch;
  readonly marks: readonly RowMark[];
}

type Bare = Omit<WorkRow, 'number' | 'changes' | 'marks'>;

/** Every row or round of a task, in the order in which they are worked. */
export function rowsOf(plan: Plan, task: PieceTask): WorkRow[] {
  const bare = bareRows(plan, task);
  const marks = marksOf(plan, task);
  return Array.from({ length: task.rows }, (_, i): WorkRow => {
    const row = bare(i + 1);
    return {
      ...row,
      number: i + 1,
      changes: i > 0 && bare(i).yarn !== row.yarn,
      marks: marks.get(i + 1) ?? [],
    };
  });
}

function bareRows(plan: Plan, task: PieceTask): (row: number) => Bare {
  const { document, graph } = plan;
  const piece = graph.pieces.find(({ id }) => id === task.pieces[0]);
  if (piece)
    return piece.make.of === 'motif' ? motifRows(plan, piece, piece.make) : panelRows(document, piece);
  const swatch = swatchOfTrim(plan, task);
  const { finish } = document;
  if (task.id === 'edge')
    return (row) => ({
      ...plainly(swatch),
      stitches: plan.edges.reduce((sum, { rounds }) => sum + (rounds[row - 1] ?? 0), 0),
    });
  const { straps } = plan;
  if (task.id === 'strap' && straps) {
    const own = finish?.straps?.panel;
    if (own !== undefined) return written(document, own, swatch);
    return () => ({ ...plainly(swatch), stitches: straps.counts === 'rows' ? straps.wide : straps.count });
  }
  const wide = bandOf(plan, task)?.band.wide;
  return () => ({ ...plainly(swatch), stitches: wide });
}

const plainly = ({ yarn, stitch }: Swatch): Bare => ({
  yarn,
  stitch,
  stitches: undefined,
  instructions: undefined,
});

/** What a task makes that comes with the way of building. */
const bandOf = ({ bands }: Plan, { id, title }: PieceTask) =>
  id.startsWith('band/') ? bands.find(({ band }) => band.name === title) : undefined;

/** The swatch that is worked in where a task makes no piece of the bag. */
function swatchOfTrim(plan: Plan, task: PieceTask): Swatch {
  const { document, graph } = plan;
  const { straps } = document.finish ?? {};
  const panel = straps?.panel === undefined ? undefined : panelOf(document, straps.panel);
  const band = bandOf(plan, task)?.band.swatch;
  const id =
    task.id === 'edge'
      ? graph.trim?.edging?.swatch
      : task.id === 'strap'
        ? (panel?.swatch ?? straps?.swatch)
        : band;
  return swatchOf(document, id ?? must(document.swatches[0], 'swatch').id);
}

function motifRows(
  { document, designs }: Plan,
  piece: Piece,
  make: Extract<Piece['make'], { of: 'motif' }>,
): (row: number) => Bare {
  const motif = motifOf(document, make.motif);
  const swatch = swatchOf(document, motif.swatch);
  const way = motif.colourways.find(({ id }) => id === designs.get(piece.id));
  const colours = roundColours(way, make.rounds, swatch.yarn);
  const said = roundInstructions(motif, make.rounds, swatch.stitch);
  return (row) => ({
    yarn: colours[row - 1] ?? swatch.yarn,
    stitch: swatch.stitch,
    stitches: roundStitches(motif, row),
    instructions: said[row - 1],
  });
}

/** What is worked in each round of a motif; nothing of one whose making is not known. */
function roundInstructions(motif: Motif, rounds: number, stitch: Stitch): Array<readonly Instruction[]> {
  const { making, kind } = motif;
  if (making?.of === 'given') return [];
  const worked =
    making?.of === 'rounds'
      ? madeRounds(making.rounds, rounds, kind)
      : workRounds(presetRounds(motif, rounds, stitch), CORNERS[kind]);
  return worked.rounds.map(({ instructions }) => instructions);
}

function panelRows(document: BagDocument, piece: Piece): (row: number) => Bare {
  const { make } = piece;
  if (make.of === 'motif') throw new Error(`${piece.name} is worked in rounds.`);
  const swatch = swatchOf(document, make.swatch);
  const colours = rowColours(document, piece);
  if (make.panel !== undefined) {
    const own = written(document, make.panel, swatch);
    return (row) => ({ ...own(row), yarn: colours(row) });
  }
  const fabric = fabricOf(document, swatch);
  const rows = fabric && fabricPanel(fabric, make.stitches, make.rows).rows;
  // What is no rectangle has rows of other lengths: how long they are, its outline alone tells.
  const square = Math.abs(panelStitches(piece, area) - make.stitches * make.rows) < 0.5;
  return (row) => ({
    yarn: colours(row),
    stitch: swatch.stitch,
    stitches: square ? (rows?.[row - 1]?.makes ?? make.stitches) : undefined,
    instructions: square ? rows?.[row - 1]?.instructions : undefined,
  });
}

/** Rows as their maker wrote them. */
function written(document: BagDocument, panel: string, swatch: Swatch): (row: number) => Bare {
  const own = panelOf(document, panel);
  const { rows } = countedPanel(own, swatch);
  const colours = writtenColours(document, own, swatch);
  return (row) => ({
    yarn: colours?.(row) ?? swatch.yarn,
    stitch: swatch.stitch,
    stitches: rows[row - 1]?.makes,
    instructions: rows[row - 1]?.instructions,
  });
}

/** What is to be put in after each row. */
function marksOf(plan: Plan, task: PieceTask): Map<number, RowMark[]> {
  const marks = new Map<number, RowMark[]>();
  const put = (row: number, mark: RowMark) => {
    const own = marks.get(row) ?? [];
    // Both long edges of a strip meet equal faces: one marker says it for both.
    if (!own.some(({ is }) => is === mark.is)) marks.set(row, [...own, mark]);
  };
  for (const edge of plan.marked) if (isOf(edge, task)) for (const mark of edge.marks) putMark(mark);
  for (const { row, is } of bandOf(plan, task)?.marks ?? []) put(row, { is });
  return marks;

  function putMark({ kind, count, partner }: MarkedEdge['marks'][number]) {
    if (kind === 'start' || kind === 'end') return;
    put(count, { is: kind, ...(partner ? { on: { piece: partner.piece, loop: partner.loop } } : {}) });
  }
}

const isOf = (edge: MarkedEdge, { pieces }: PieceTask): boolean =>
  edge.counts === 'rows' && pieces.includes(edge.piece);

/** A row in a line of words: stitch by stitch, or so many of its stitch. */
export function rowWords({ instructions, stitches, stitch }: WorkRow, terms: Terms): string {
  if (instructions && instructions.length > 0) return writeRow(instructions, terms);
  const name = abbreviation(stitch, terms);
  return stitches === undefined ? `${name} to the end` : `${stitches} ${name}`;
}

/** How a panel is begun: so many chains, and the first stitch in which of them; nothing of what is worked in the round or onto something. */
export function chainFor(
  plan: Plan,
  task: PieceTask,
): { readonly chains: number; readonly firstIn: number } | undefined {
  const piece = plan.graph.pieces.find(({ id }) => id === task.pieces[0]);
  if (piece?.make.of !== 'panel' || piece.make.panel !== undefined) return undefined;
  const { stitch, turning } = swatchOf(plan.document, piece.make.swatch);
  return foundationChain(piece.make.stitches, stitch, turning);
}
