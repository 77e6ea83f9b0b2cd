import type { ProgramRow } from './count-program.ts';

/** How far back a slip is looked for: one that lies farther back would have been met by then. */
const BACK = 6;

/**
 * Where it probably went wrong: a row before it that grows by so much less, or more, than its neighbours as the row at
 * hand misses, or has too many. A guess, said as what the rows do, and not as what the maker did.
 */
export function causeOf(row: ProgramRow, before: readonly ProgramRow[]): string | undefined {
  if (row.available === undefined) return undefined;
  const missing = row.left > 0 ? -row.left : row.before + row.uses - row.available;
  if (missing === 0) return undefined;
  const last = before.slice(-BACK);
  const growth = last.map(({ increases, decreases }) => increases.length - decreases.length);
  const usual = growth.filter((value) => value > 0);
  const most = commonest(usual);
  if (most === undefined) return undefined;
  const odd = last.findLastIndex((_, i) => growth[i] !== most && (growth[i] ?? 0) > 0);
  const slip = last[odd];
  const own = growth[odd];
  if (!slip || own === undefined || most - own !== missing) return undefined;
  const alike = last.filter((_, i) => growth[i] === most).map(({ number }) => number);
  if (alike.length < 2) return undefined;
  const [what, others] = row.round ? ['Round', 'rounds'] : ['Row', 'rows'];
  return `${what} ${slip.number} has ${own} increases where ${others} ${listed(alike)} have ${most}.`;
}

const listed = (numbers: readonly number[]): string =>
  numbers.length < 3 ? numbers.join(' and ') : `${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)}`;

/** The value that is there most often, and more than once. */
function commonest(values: readonly number[]): number | undefined {
  const many = new Map<number, number>();
  for (const value of values) many.set(value, (many.get(value) ?? 0) + 1);
  const [best] = [...many].sort((a, b) => b[1] - a[1]);
  return best && best[1] > 1 ? best[0] : undefined;
}
