import type { ProgramRow } from './count-program.ts';

type Row = Pick<ProgramRow, 'tops' | 'round' | 'before'>;

/**
 * In which section each top of each row is, in the order it is worked: what stands on a section belongs to it, however
 * it grows or narrows.
 *
 * @param first places of what the first row stands on.
 * @param sections so many of those places each, in the order the first row is worked; the last has what is left.
 */
export function sectionsOfRows(rows: readonly Row[], first: number, sections: readonly number[]): number[][] {
  const last = Math.max(0, sections.length - 1);
  const starts = sections.flatMap((many, i) => Array.from({ length: many }, () => i));
  let below: readonly number[] = Array.from({ length: first }, (_, place) => starts[place] ?? last);
  return rows.map(({ tops, round, before }, i) => {
    // A row that is turned meets the row below from its other end.
    const met = i > 0 && !round ? [...below].reverse() : below;
    const passed = i === 0 && first > 0 ? before : 0;
    const own = tops.from.map((from) => met[Math.min(met.length - 1, Math.max(0, from - passed))] ?? 0);
    below = own;
    return own;
  });
}

/** Tops of a row after which another section begins: where markers stand. */
export const bordersOf = (sections: readonly number[]): number[] =>
  sections.flatMap((section, i) => (i > 0 && sections[i - 1] !== section ? [i] : []));
