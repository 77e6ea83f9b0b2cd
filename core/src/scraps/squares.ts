import type { Highs } from 'highs';
import type { Counts, ScrapSquares, ScrapsAsk } from './ask.ts';
import { designsOf } from './designs.ts';
import { programme } from './programme.ts';

/** The solver may take so long, s: there are a few hundred whole numbers at most. */
const SECONDS = 5;

/** Squares out of what is left, and what would make more of them. */
export interface ScrapsAnswer extends ScrapSquares {
  /** With so much more of a yarn, so many squares: only those that make a difference. */
  readonly more: ReadonlyArray<{ readonly yarn: string; readonly squares: number }>;
}

/**
 * The most squares that what is left makes, in colours spread as evenly as can be, none of it running out.
 *
 * @param highs the solver.
 * @param unlike how different two yarns look.
 * @param extra how much more of a yarn is tried, mm.
 */
export function squaresOf(
  ask: ScrapsAsk,
  highs: Highs,
  unlike: (p: string, q: string) => number,
  extra: number,
): ScrapsAnswer {
  const counts = countsFor(ask, highs);
  const squares = sizeOf(counts);
  const used = new Map<string, number>();
  for (const [r, round] of counts.entries())
    for (const [yarn, many] of round) used.set(yarn, (used.get(yarn) ?? 0) + many * (ask.need[r] ?? 0));
  const more =
    squares >= ask.wanted
      ? []
      : ask.yarns.flatMap(({ id }) => {
          const yarns = ask.yarns.map((one) =>
            one.id === id ? { ...one, length: one.length + extra } : one,
          );
          const enough = sizeOf(countsFor({ ...ask, yarns }, highs));
          return enough > squares ? [{ yarn: id, squares: enough }] : [];
        });
  return { squares, designs: designsOf(counts, unlike), used, more };
}

const sizeOf = (counts: Counts): number =>
  [...(counts[0]?.values() ?? [])].reduce((sum, many) => sum + many, 0);

function countsFor(ask: ScrapsAsk, highs: Highs): Counts {
  if (ask.wanted <= 0 || ask.need.length === 0 || ask.yarns.length === 0) return [];
  return highs.withModel({ format: 'lp', data: programme(ask) }, (model) => {
    model.options.set({ output_flag: false, time_limit: SECONDS });
    model.run();
    const { colValue } = model.getSolution();
    const counts = ask.need.map(() => new Map<string, number>());
    for (const [column, value] of colValue.entries()) {
      const [, round, yarn] = /^k_(\d+)_(\d+)$/.exec(model.getColName(column)) ?? [];
      const own = ask.yarns[Number(yarn)];
      const many = Math.round(value);
      if (round !== undefined && own && many > 0) counts[Number(round)]?.set(own.id, many);
    }
    return counts;
  });
}
