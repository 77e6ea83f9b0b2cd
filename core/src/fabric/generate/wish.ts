import { STITCHES, type Stitch, type Terms } from '../../stitches/index.ts';
import { alongAll, alongEdge } from '../count/along-edge.ts';
import type { CountedProgram } from '../count/count-program.ts';
import type { Along } from '../shorthand/read-edge.ts';
import { abbreviation } from '../shorthand/vocabulary.ts';
import { writeRow } from '../shorthand/write-row.ts';
import { eyelets, handle } from './openings.ts';
import { disc, halfDisc, shaped, shells, type Where, writeRows } from './rows.ts';
import { type Block, sideBySide } from './side-by-side.ts';
import { plain } from './spread.ts';

/** Rows that a maker wants written. */
export type Wish =
  /** On over the last row, to another count. */
  | { readonly of: 'to'; readonly stitches: number; readonly rows: number; readonly where: Where }
  /** On over the last row, as many as it has. */
  | { readonly of: 'straight'; readonly rows: number }
  | { readonly of: 'disc'; readonly more: number; readonly rounds: number }
  | { readonly of: 'half-disc'; readonly first: number; readonly more: number; readonly rows: number }
  /** A last row of shells, of so many each, with so many passed over at either side. */
  | { readonly of: 'shells'; readonly each: number; readonly gap: number }
  /** A handle carried through: so many chains over as many stitches, in the middle of the next row. */
  | { readonly of: 'handle'; readonly chains: number }
  | { readonly of: 'eyelets'; readonly holes: number }
  /** A first round, or row, along an edge of all that is there. */
  | {
      readonly of: 'edge';
      readonly along: 'round' | 'left' | 'right' | 'both';
      /** Stitches beside so many rows, and in each corner. */
      readonly beside: number;
      readonly perRows: number;
      readonly corner: number;
    }
  /** The sections of a panel side by side, each in its own fabric. */
  | { readonly of: 'sections'; readonly rows: number };

/** Rows that were written, with what is to be said of them; or why they cannot be. */
export type Granted =
  | { readonly ok: true; readonly text: string; readonly note: string }
  | { readonly ok: false; readonly problem: string };

const no = (problem: string): Granted => ({ ok: false, problem });

/**
 * Writes rows to go on a program with, in its terms.
 *
 * @param blocks the sections of the panel, where it has any.
 */
export function grant(
  wish: Wish,
  program: CountedProgram,
  stitch: Stitch,
  blocks: readonly Block[] = [],
): Granted {
  const { terms } = program.rules;
  if (wish.of === 'sections') return inSections(wish.rows, program, blocks);
  const last = program.rows.at(-1);
  if (wish.of === 'disc' || wish.of === 'half-disc') return fromRing(wish, program, stitch);
  if (!last || last.makes === 0) return no('There is no row to go on from yet.');
  const next = last.number + 1;
  const what = last.round ? 'Round' : 'Row';
  switch (wish.of) {
    case 'straight':
      return straight(wish.rows, last.makes, next, what, stitch, terms);
    case 'to': {
      const made = shaped(last.makes, wish.stitches, wish.rows, { stitch, where: wish.where });
      if (!made)
        return no(
          `From ${last.makes} to ${wish.stitches} over ${wish.rows === 1 ? 'one row' : `${wish.rows} rows`} a row would more than double, or halve: take more rows.`,
        );
      const each = (wish.stitches - last.makes) / wish.rows;
      return {
        ok: true,
        text: writeRows(made, next, terms, what),
        note: `From ${last.makes} to ${wish.stitches}: ${signed(each)} a row.`,
      };
    }
    case 'shells': {
      const made = shells(last.makes, wish.each, wish.gap);
      if (!made)
        return no(
          `${last.makes} stitches are too few for a shell with ${wish.gap} passed over at either side.`,
        );
      const { over, even } = made;
      const rest =
        over === 0
          ? `They come out even over ${last.makes}.`
          : `${over} ${over === 1 ? 'stitch is' : 'stitches are'} left over, worked plainly at the ends; over ${even.join(' or ')} they would come out even.`;
      return {
        ok: true,
        text: `${what} ${next}: ${writeRow(made.instructions, terms)}`,
        note: `${made.shells} ${made.shells === 1 ? 'shell' : 'shells'} of ${wish.each}. ${rest}`,
      };
    }
    case 'handle':
      return carried(wish.chains, last.makes, `${what} ${next}`, stitch, terms);
    case 'eyelets':
      return eyeletRow(wish.holes, last.makes, `${what} ${next}`, stitch, terms);
    case 'edge':
      return alongIt(wish, program, stitch);
  }
}

const signed = (each: number): string => {
  const size = Math.abs(each);
  const said = Number.isInteger(size) ? String(size) : `about ${size.toFixed(1)}`;
  return each === 0 ? 'as many' : `${said} ${each > 0 ? 'more' : 'fewer'}`;
};

function straight(
  rows: number,
  makes: number,
  next: number,
  what: 'Row' | 'Round',
  stitch: Stitch,
  terms: Terms,
): Granted {
  const row = writeRow(
    [{ do: 'repeat', parts: [plain(stitch, 1)], times: { of: 'end', before: 0 }, span: { from: 0, to: 0 } }],
    terms,
  );
  const numbers = rows === 1 ? `${what} ${next}` : `${what}s ${next}-${next + rows - 1}`;
  return { ok: true, text: `${numbers}: ${row} (${makes})`, note: `${makes} in each.` };
}

function carried(chains: number, onto: number, row: string, stitch: Stitch, terms: Terms): Granted {
  const made = handle(onto, chains, stitch);
  if (!made) return no(`${onto} stitches are too few for a handle of ${chains} chains.`);
  const { instructions, before, after } = made;
  const note =
    before === after
      ? `${before} on either side: a twin worked the same has it at the same place.`
      : `${before} before it and ${after} behind: over ${chains - 1} or ${chains + 1} it would lie in the middle. On a twin, which lies the other way round, begin with ${after}.`;
  return { ok: true, text: `${row}: ${writeRow(instructions, terms)} (${onto})`, note };
}

function eyeletRow(holes: number, onto: number, row: string, stitch: Stitch, terms: Terms): Granted {
  const made = eyelets(onto, holes, stitch);
  if (!made) {
    const others = [holes - 1, holes + 1].filter((many) => many > 0 && eyelets(onto, many, stitch));
    const instead = others.length > 0 ? ` ${others.join(' or ')} would.` : '';
    return no(`${holes} eyelets along ${onto} stitches cannot lie the same from both ends.${instead}`);
  }
  return {
    ok: true,
    text: `${row}: ${writeRow(made.instructions, terms)} (${onto})`,
    note: `${holes} ${holes === 1 ? 'eyelet' : 'eyelets'}, the first and the last ${made.before} from the ends: a twin worked the same has them at the same places.`,
  };
}

function alongIt(
  { along, beside, perRows, corner }: Extract<Wish, { of: 'edge' }>,
  program: CountedProgram,
  stitch: Stitch,
): Granted {
  const { rows, rules } = program;
  const [first, last] = [rows[0]?.number ?? 1, rows.at(-1)?.number ?? 1];
  const rate = { eachStitch: 1, beside, perRows, corner };
  const own: Along =
    along === 'round'
      ? { of: 'round' }
      : along === 'both'
        ? { of: 'rows', rows: { first, last } }
        : { of: 'side', side: along, rows: { first, last } };
  const parts = alongEdge({ along: own, rate }, program);
  if (!parts)
    return no(
      rows.length === 0
        ? 'There are no rows yet to work along.'
        : 'What is worked round has one edge: work along all of it.',
    );
  const where =
    along === 'round'
      ? 'all round'
      : `along the ${along === 'both' ? '' : `${along} `}edge of rows ${first}-${last}`;
  const each = `${beside} beside each ${perRows === 1 ? 'row' : `${perRows} rows`}`;
  const corners = along === 'round' && corner > 1 ? `, ${corner} in each corner` : '';
  const said = [
    parts.chain > 0 ? `${parts.chain} along the chain` : '',
    parts.beside > 0 ? `${parts.beside} beside the rows` : '',
    parts.steps > 0 ? `${parts.steps} along steps` : '',
    parts.top > 0 ? `${parts.top} along the last row` : '',
    parts.corners > 0 ? `${parts.corners} more in corners` : '',
  ].filter(Boolean);
  return {
    ok: true,
    text: `Edge: ${abbreviation(stitch, rules.terms)} evenly ${where}, 1 in each st, ${each}${corners}`,
    note: `${said.join(', ')}: ${alongAll(parts)} in all.`,
  };
}

function inSections(
  rows: number,
  { chain, rows: before, rules: { terms } }: CountedProgram,
  blocks: readonly Block[],
): Granted {
  if (blocks.length < 2) return no('The panel has no sections side by side.');
  if (before.length > 0 || chain !== undefined)
    return no('Sections begin with a chain: their rows go into a panel that has none yet.');
  const written = sideBySide(blocks, rows, terms);
  if (!written.ok) return written;
  let passed = 0;
  const borders = blocks.slice(0, -1).map(({ stitches }) => {
    passed += stitches;
    return passed;
  });
  return {
    ok: true,
    text: written.text,
    note: `${blocks.map(({ stitches, name }) => `${stitches} in ${name}`).join(', ')}: markers after stitch ${borders.join(' and ')} of row 1.`,
  };
}

function fromRing(
  wish: Extract<Wish, { of: 'disc' | 'half-disc' }>,
  { rows, rules: { terms } }: CountedProgram,
  stitch: Stitch,
): Granted {
  if (rows.length > 0) return no('A disc begins in a ring: it goes into a panel that has no rows yet.');
  if (wish.of === 'disc') {
    const made = disc(wish.more, wish.rounds, stitch);
    return {
      ok: true,
      text: writeRows(made, 1, terms, 'Round'),
      note: `${wish.more} more in each round; the last has ${made.rows.at(-1)?.makes ?? 0}.`,
    };
  }
  const made = halfDisc(wish.first, wish.more, wish.rows, stitch);
  if (!made) return no(`A half disc that begins with ${wish.first} cannot grow by ${wish.more} a row.`);
  return {
    ok: true,
    text: writeRows(made, 1, terms, 'Row'),
    note: `${wish.more} more in each row; the last has ${made.rows.at(-1)?.makes ?? 0}.`,
  };
}

/** The stitch a program goes on in: what its last row ends in. */
export const goesOnIn = ({ rows }: CountedProgram, usual: Stitch): Stitch =>
  rows.at(-1)?.tops.kind.findLast((kind): kind is Stitch => STITCHES.some((stitch) => stitch === kind)) ??
  usual;
