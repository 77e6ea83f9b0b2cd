import type { Instruction, StitchKind } from '../shorthand/instruction.ts';
import { plain } from './spread.ts';

const NOWHERE = { from: 0, to: 0 };
const chain = (many: number): Instruction => ({ do: 'chain', many, span: NOWHERE });
const skip = (many: number): Instruction => ({ do: 'skip', many, span: NOWHERE });

/** A row with openings in it. */
export interface Opened {
  readonly instructions: readonly Instruction[];
  /** Stitches from its beginning to the first opening, and from the last to its end. */
  readonly before: number;
  readonly after: number;
}

/**
 * A handle carried through a row: so many, chain k, skip k, so many; as much on both sides as comes out.
 *
 * @returns nothing where no stitch would be left beside it.
 */
export function handle(onto: number, chains: number, stitch: StitchKind): Opened | undefined {
  const left = onto - chains;
  if (left < 2) return undefined;
  const [before, after] = [Math.floor(left / 2), Math.ceil(left / 2)];
  return {
    instructions: [plain(stitch, before), chain(chains), skip(chains), plain(stitch, after)],
    before,
    after,
  };
}

/**
 * Eyelets along a row, chain one and skip one, the same from both its ends: what is over lies in the middle, or in pairs
 * of gaps from the ends inwards.
 *
 * @returns nothing where they do not fit, or cannot lie the same from both ends.
 */
export function eyelets(onto: number, many: number, stitch: StitchKind): Opened | undefined {
  const free = onto - many;
  const least = Math.floor(free / (many + 1));
  if (least < 1) return undefined;
  let over = free - least * (many + 1);
  const gaps = Array.from({ length: many + 1 }, () => least);
  const give = (i: number, more: number) => {
    gaps[i] = (gaps[i] ?? 0) + more;
  };
  if (over % 2 === 1) {
    // An odd one can only lie in the middle, and there is a gap there only between an even number.
    if (many % 2 === 1) return undefined;
    give(many / 2, 1);
    over--;
  }
  for (let i = 0; over > 0; i++, over -= 2) {
    give(i, 1);
    give(many - i, 1);
  }
  return {
    instructions: gaps.flatMap((gap, i) => [...(i > 0 ? [chain(1), skip(1)] : []), plain(stitch, gap)]),
    before: gaps[0] ?? 0,
    after: gaps.at(-1) ?? 0,
  };
}
