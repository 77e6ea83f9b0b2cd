import type { Instruction } from '../shorthand/instruction.ts';
import { type CountedRow, countRow, type Onto } from './count-row.ts';
import type { Tops } from './tops.ts';

/**
 * Rows that have been counted before. Of a long piece one row changes at a time, and the rows over it stand on as many
 * stitches of the same kinds as before, or do not.
 */
const known = new WeakMap<readonly Instruction[], Map<string, CountedRow>>();
/** Of one row's instructions: as many as a piece may have rows that repeat it. */
const MOST_KNOWN = 2000;

/** As `countRow`, remembered. */
export function countedRow(instructions: readonly Instruction[], onto: Onto): CountedRow {
  const { below, onChain, belowName, turnedWith, turning, usual, written } = onto;
  const key = [seenFromAbove(below), onChain, belowName, turnedWith, turning, usual, written].join(' ');
  const rows = known.get(instructions) ?? new Map<string, CountedRow>();
  const before = rows.get(key);
  if (before) return before;
  const counted = countRow(instructions, onto);
  if (rows.size >= MOST_KNOWN) rows.clear();
  rows.set(key, counted);
  known.set(instructions, rows);
  return counted;
}

const seen = new WeakMap<Tops, string>();

/** All that a row knows of the row it is worked into: what tops there are, and which chains are one. */
function seenFromAbove(tops: Tops | undefined): string {
  if (!tops) return '';
  const before = seen.get(tops);
  if (before !== undefined) return before;
  const runs: string[] = [];
  for (let i = 0; i < tops.kind.length; ) {
    let end = i + 1;
    const chain = tops.kind[i] === 'chain';
    while (
      end < tops.kind.length &&
      tops.kind[end] === tops.kind[i] &&
      (!chain || tops.run[end] === tops.run[i])
    )
      end++;
    runs.push(`${tops.kind[i]}${end - i}`);
    i = end;
  }
  const text = runs.join();
  seen.set(tops, text);
  return text;
}
