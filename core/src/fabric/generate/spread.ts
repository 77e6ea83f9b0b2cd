import type { Instruction, StitchKind, Work } from '../shorthand/instruction.ts';

const NOWHERE = { from: 0, to: 0 };

/** So many plain stitches. */
export const plain = (stitch: StitchKind, many: number): Work => ({
  do: 'work',
  stitch,
  hold: 'both',
  takes: 1,
  makes: 1,
  into: 'stitch',
  many,
  span: NOWHERE,
});

/** So many in one, or so many together: `inc` and `dec` where they are two, in the stitch around them. */
export const turned = (takes: number, makes: number, stitch: StitchKind): Work => ({
  do: 'work',
  stitch: Math.max(takes, makes) === 2 ? undefined : stitch,
  hold: 'both',
  takes,
  makes,
  into: 'stitch',
  many: 1,
  span: NOWHERE,
});

/** Instructions again and again; once, as they are. */
export const times = (parts: readonly Instruction[], many: number): readonly Instruction[] =>
  many === 0
    ? []
    : many === 1
      ? parts
      : [{ do: 'repeat', parts, times: { of: 'times', many }, span: NOWHERE }];

/** How a row's changes are laid along it. */
export interface SpreadOptions {
  readonly stitch: StitchKind;
  /** Share of a gap by which the first change comes later, 0 to 1: row after row another, so that no line of them shows. */
  readonly shift: number;
}

/**
 * A row on `from` stitches that makes `to`, its increases or decreases as evenly as counts allow: the gaps between them
 * differ by one stitch at most. The two ends together are one gap, divided
 * by the shift.
 *
 * @returns nothing where that cannot be done in one row: at most twice as many, at least half.
 */
export function spread(from: number, to: number, options: SpreadOptions): readonly Instruction[] | undefined {
  const { stitch, shift } = options;
  const changes = Math.abs(to - from);
  const grows = to > from;
  const plains = from - changes * (grows ? 1 : 2);
  if (from < 1 || to < 1 || plains < 0) return undefined;
  const change = grows ? turned(1, 2, stitch) : turned(2, 1, stitch);
  if (changes === 0) return [plain(stitch, from)];
  // Gap i ends at the plain stitch that is i shares along the row.
  const upTo = (i: number) => Math.min(plains, Math.ceil((plains * (i + shift)) / changes - 0.5));
  const gaps = Array.from({ length: changes }, (_, i) => (i === 0 ? upTo(0) : upTo(i) - upTo(i - 1)));
  const last = plains - upTo(changes - 1);
  const [first = 0, ...between] = gaps;
  return first === 0
    ? gathered([...between, last], (many) => [change, ...gap(stitch, many)])
    : [...gathered(gaps, (many) => [...gap(stitch, many), change]), ...gap(stitch, last)];
}

const gap = (stitch: StitchKind, many: number): readonly Instruction[] =>
  many > 0 ? [plain(stitch, many)] : [];

/** The same gap several times running, written once with how often. */
function gathered<T>(list: readonly T[], each: (item: T) => readonly Instruction[]): readonly Instruction[] {
  const runs: { readonly item: T; many: number }[] = [];
  for (const item of list) {
    const last = runs.at(-1);
    if (last && last.item === item) last.many++;
    else runs.push({ item, many: 1 });
  }
  return runs.flatMap(({ item, many }) => times(each(item), many));
}
