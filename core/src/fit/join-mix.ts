import { type BagGraph, intervalLength, joinedSeams } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { groupBy } from '../geometry/index.ts';
import type { JoinMethodId } from '../runs/index.ts';
import type { SizeTable, SizeVariable } from './size-table.ts';

/** What the joins of a bag add, where its lines are joined by more than one method. */
export interface JoinMix {
  /** What a line adds that a builder names. */
  line(id: string): SizeVariable;
  /** What all others add, one with another. */
  readonly rest: SizeVariable;
}

/** Whether any line is joined by another method than the bag. */
export const isMixed = ({ joins }: BagDocument): boolean =>
  Object.values(joins.lines ?? {}).some(({ method }) => method !== undefined && method !== joins.method);

/**
 * What joins add once lines differ. A builder names the lines within its sheets, which get what their own method adds;
 * the half joins at the outer sides of sheets and panels are not told apart, and get the mean of all other lines, by
 * their lengths.
 *
 * @param graph the bag by its own method, and `named` the lines its builder asked for by name.
 */
export function joinMix(
  document: BagDocument,
  table: SizeTable,
  graph: BagGraph,
  named: ReadonlySet<string>,
): JoinMix {
  const { lines = {}, method: own } = document.joins;
  const methodOf = (line: string): JoinMethodId => lines[line]?.method ?? own;
  const others = joinedSeams(graph).filter(({ line }) => !named.has(line));
  const ways = [...groupBy(others, ({ line }) => methodOf(line))].map(([method, seams]) => ({
    join: table.join(method),
    way: seams.reduce((sum, { a }) => sum + intervalLength(a), 0),
  }));
  const whole = ways.reduce((sum, { way }) => sum + way, 0);
  const mean = (of: (join: SizeVariable) => number) =>
    ways.reduce((sum, { join, way }) => sum + (of(join) * way) / whole, 0);
  const [first, second] = ways;
  const rest: SizeVariable =
    !first || whole === 0
      ? table.join()
      : !second
        ? first.join
        : {
            ...first.join,
            value: mean(({ value }) => value),
            common: mean(({ common }) => common),
            origin: ways.every(({ join }) => join.origin === 'measured') ? 'measured' : 'estimated',
          };
  return { line: (id) => table.join(methodOf(id)), rest };
}
