import { whole } from '../../geometry/index.ts';
import type { EdgeLine } from '../shorthand/read-edge.ts';
import { type CountedProgram, chainOf, type ProgramRow } from './count-program.ts';

/** What is worked along an edge, part by part. */
export interface AlongEdge {
  /** Into stitches that lie open: of the chain, of steps, of the last row. */
  readonly chain: number;
  readonly steps: number;
  readonly top: number;
  /** Beside rows, all ends together. */
  readonly beside: number;
  /** What corners have more than one stitch. */
  readonly corners: number;
}

export const alongAll = ({ chain, steps, top, beside, corners }: AlongEdge): number =>
  chain + steps + top + beside + corners;

type Rows = Pick<CountedProgram, 'rows' | 'chain'>;

/**
 * Counts the stitches that are worked along an edge: of rows that begin or end inside the row below, what they leave
 * lies open there.
 *
 * @returns nothing where there are no such rows; of what is worked round only all of it has an edge.
 */
export function alongEdge(
  { along, rate }: Pick<EdgeLine, 'along' | 'rate'>,
  program: Rows,
): AlongEdge | undefined {
  const { rows } = program;
  const own =
    along.of === 'round'
      ? rows
      : rows.filter(({ number }) => number >= along.rows.first && number <= along.rows.last);
  const last = own.at(-1);
  if (!last || (along.of !== 'round' && own.some(({ round }) => round))) return undefined;
  const into = (stitches: number) => stitches * rate.eachStitch;
  const upEnd = whole((own.length * rate.beside) / rate.perRows);
  const steps = into(
    own.reduce((sum, row) => sum + openAt(row, along.of === 'side' ? along.side : undefined), 0),
  );
  switch (along.of) {
    case 'side':
      return { chain: 0, steps, top: 0, beside: upEnd, corners: 0 };
    case 'rows':
      return { chain: 0, steps, top: into(last.makes), beside: 2 * upEnd, corners: 0 };
    case 'round': {
      // A disc has one edge; on a ring there is no chain, and no corners at it.
      if (last.round) return { chain: 0, steps: 0, top: into(last.makes), beside: 0, corners: 0 };
      const chain = chainOf(program);
      const corners = (chain > 0 ? 4 : 2) * (rate.corner - 1);
      // What the first row leaves of the chain is counted with the chain.
      const [first] = own;
      const ofChain = first ? into(openAt(first, undefined)) : 0;
      return {
        chain: into(chain),
        steps: steps - ofChain,
        top: into(last.makes),
        beside: 2 * upEnd,
        corners,
      };
    }
  }
}

/** What a row leaves open of the row below at an end of the piece, seen from in front; or at both. */
function openAt({ before, left, number }: ProgramRow, side: 'left' | 'right' | undefined): number {
  if (side === undefined) return before + left;
  // The first row runs to the right as it is seen from in front, the next back over it.
  return (number % 2 === 1) === (side === 'left') ? before : left;
}
