import type { EdgeCount, EdgePart } from './count.ts';

/** Something at one place of the first edge round, counted in its stitches. */
export interface EdgeMark {
  readonly at: number;
  readonly is: 'join' | 'peak' | 'notch' | 'strap' | 'closure';
  /** Stitches it takes along the round. */
  readonly wide: number;
}

/** The first edge round rolled out, from the left end of the front; as seen from outside. */
export interface EdgeStrip {
  readonly stitches: number;
  readonly parts: readonly EdgePart[];
  readonly marks: readonly EdgeMark[];
}

/**
 * Something fixed along a face, or the lowest edge of a flap: after so many of its stitches, counted from the left as
 * the round goes.
 */
export interface FixedPlace {
  readonly face: 'front' | 'back' | 'flap' | 'tip';
  readonly after: number;
  readonly is: 'strap' | 'closure';
  readonly wide: number;
}

/** How wide a mark of each kind is: what it takes more, or the two stitches that are worked with a third. */
const WIDE = { join: 1, peak: 2, notch: 2 } as const;

/** Rolls the first edge round out, with what it meets and what is fixed along it. */
export function edgeStrip({ first, parts, events, tip }: EdgeCount, fixed: readonly FixedPlace[]): EdgeStrip {
  /** The stitch of the round after so many stitches of a face; nothing where that face has no rim. */
  const place = (face: FixedPlace['face'], after: number): number | undefined => {
    if (face === 'tip') return tip && tip.from + after;
    let left = after;
    const own = parts.filter((part) => part.face === face);
    for (const { from, to } of own) {
      if (left <= to - from) return from + left;
      left -= to - from;
    }
    return own.at(-1)?.to;
  };
  const marks = [
    ...events.map(({ is, at }): EdgeMark => ({ is, at, wide: WIDE[is] })),
    ...fixed.flatMap(({ face, after, is, wide }): EdgeMark[] => {
      const at = place(face, after);
      return at === undefined ? [] : [{ is, at, wide }];
    }),
  ];
  return { stitches: first, parts, marks: marks.sort((p, q) => p.at - q.at) };
}
