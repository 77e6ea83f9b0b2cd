import type { Counts, ScrapSquares } from './ask.ts';

/**
 * Squares out of the counts of each round: each square gets one colour a round, so that as few as can be have two rounds
 * alike one over the other, and as many as can be are unlike all others.
 *
 * @param unlike how different two yarns look: of colours that do as well the one that stands out most is taken.
 */
export function designsOf(counts: Counts, unlike: (p: string, q: string) => number): ScrapSquares['designs'] {
  let squares: string[][] = listed(counts[0] ?? new Map()).map((yarn) => [yarn]);
  for (const round of counts.slice(1)) squares = withRound(squares, listed(round), unlike);
  const found = new Map<string, { rounds: readonly string[]; many: number }>();
  for (const rounds of squares) {
    const key = rounds.join(' ');
    found.set(key, { rounds, many: (found.get(key)?.many ?? 0) + 1 });
  }
  return [...found.values()];
}

const listed = (counts: ReadonlyMap<string, number>): string[] =>
  [...counts].flatMap(([yarn, many]) => Array.from({ length: many }, () => yarn));

/** One round more on each square: a matching of squares with colours that tries unlike ones first. */
function withRound(
  squares: readonly string[][],
  colours: readonly string[],
  unlike: (p: string, q: string) => number,
): string[][] {
  const holder: Array<number | undefined> = colours.map(() => undefined);
  const worth = (square: number, slot: number) => {
    const [below, colour] = [squares[square]?.at(-1) ?? '', colours[slot] ?? ''];
    const own = [...(squares[square] ?? []), colour].join(' ');
    // As many squares as have just these rounds already, so much less.
    const twins = holder.filter(
      (other, i) => other !== undefined && [...(squares[other] ?? []), colours[i]].join(' ') === own,
    ).length;
    return unlike(below, colour) - twins;
  };
  const give = (square: number, tried: Set<number>): boolean => {
    const slots = [...colours.keys()]
      .filter((slot) => !tried.has(slot) && colours[slot] !== squares[square]?.at(-1))
      .map((slot) => ({ slot, worth: worth(square, slot) }))
      .sort(
        (p, q) =>
          Number(holder[p.slot] !== undefined) - Number(holder[q.slot] !== undefined) || q.worth - p.worth,
      );
    for (const { slot } of slots) {
      if (tried.has(slot)) continue;
      tried.add(slot);
      const before = holder[slot];
      if (before === undefined || give(before, tried)) {
        holder[slot] = square;
        return true;
      }
    }
    return false;
  };
  const left = [...squares.keys()].filter((square) => !give(square, new Set()));
  // What cannot be told apart from the round below takes what there is.
  for (const square of left) {
    const slot = holder.indexOf(undefined);
    if (slot >= 0) holder[slot] = square;
  }
  const colourOf = new Map(holder.map((square, slot) => [square, colours[slot] ?? '']));
  return squares.map((own, square) => [...own, colourOf.get(square) ?? '']);
}
