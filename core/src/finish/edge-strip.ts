import { type BagGraph, type RimStretch, rimStretches } from '../bag/index.ts';
import type { StrapPlaces, StrapPlan } from '../strap/index.ts';
import { goesOn, turnAt } from './edge.ts';

export type RimFace = 'front' | 'back' | 'left' | 'right';

/** Something at one place of the first edge round, counted in its stitches. */
export interface EdgeMark {
  readonly at: number;
  readonly is: 'join' | 'gap' | 'peak' | 'notch' | 'strap' | 'closure';
  /** Stitches it takes along the round. */
  readonly wide: number;
}

/** The first edge round rolled out, from the left end of the front; as seen from outside. */
export interface EdgeStrip {
  readonly stitches: number;
  readonly parts: ReadonlyArray<{ readonly face: RimFace; readonly from: number; readonly to: number }>;
  readonly marks: readonly EdgeMark[];
}

const faceOf = ({ normal: { x, z } }: RimStretch): RimFace =>
  z > 0.5 ? 'front' : z < -0.5 ? 'back' : x < 0 ? 'left' : 'right';

/** What is fixed along the rim of the two faces. */
export interface FixedAlong {
  readonly straps: StrapPlan | undefined;
  /** Loops after which something sits, on either face. */
  readonly front: readonly number[];
  readonly back: readonly number[];
}

/** The mouth from the left end of the front on, to the right and round behind. */
function fromFrontLeft(mouth: readonly RimStretch[]): RimStretch[] {
  // Outlines run so that the front's rim is walked from right to left.
  const round = mouth.map((one): RimStretch => ({ ...one, from: one.to, to: one.from })).reverse();
  const first = round.findIndex(
    (one, i) => faceOf(one) === 'front' && faceOf(round.at(i - 1) ?? one) !== 'front',
  );
  const start = Math.max(0, first);
  return [...round.slice(start), ...round.slice(0, start)];
}

/**
 * Rolls the first edge round out: a stitch in each loop, one more at every join, two more at a peak and two fewer at a
 * notch, as `edgeCount` counts them, with the places of straps and closure.
 */
export function edgeStrip(graph: BagGraph, fixed: FixedAlong): EdgeStrip | undefined {
  const [mouth = []] = rimStretches(graph);
  if (mouth.length === 0) return undefined;
  const round = fromFrontLeft(mouth);
  const parts: Array<{ face: RimFace; from: number; to: number }> = [];
  const marks: EdgeMark[] = [];
  /** Where the loops of each face lie along the strip: loops so far, and the stitch they begin at. */
  const runs: Record<'front' | 'back', Array<{ loops: number; from: number; to: number }>> = {
    front: [],
    back: [],
  };
  let at = 0;
  round.forEach((stretch, i) => {
    const face = faceOf(stretch);
    const next = round[(i + 1) % round.length] ?? stretch;
    const from = at;
    at += stretch.loops;
    const last = parts.at(-1);
    if (last?.face === face) last.to = at;
    else parts.push({ face, from, to: at });
    if (face === 'front' || face === 'back') runs[face].push({ loops: stretch.loops, from, to: at });
    if (!goesOn(stretch, next)) {
      // Where a flap or handle grows out, the round leaves the body.
      marks.push({ at, is: 'gap', wide: 0 });
    } else if (stretch.piece !== next.piece) {
      marks.push({ at, is: 'join', wide: 1 });
      at += 1;
    }
    // The corner was found walking the other way.
    const turn = turnAt(
      { ...next, from: next.to, to: next.from },
      { ...stretch, from: stretch.to, to: stretch.from },
    );
    if (turn === 'peak') {
      marks.push({ at, is: 'peak', wide: 2 });
      at += 2;
    }
    if (turn === 'notch') {
      marks.push({ at, is: 'notch', wide: 2 });
      at -= 2;
    }
    const grown = parts.at(-1);
    if (grown && faceOf(next) === face) grown.to = at;
  });
  // A wide flap or a cover can take a whole face out of the rim: there is then no place on it to mark.
  const along = (face: 'front' | 'back', loop: number): number | undefined => {
    let left = loop;
    for (const run of runs[face]) {
      if (left <= run.loops) return run.from + ((run.to - run.from) * left) / run.loops;
      left -= run.loops;
    }
    return runs[face].at(-1)?.to;
  };
  const mark = (face: 'front' | 'back', loop: number, is: 'strap' | 'closure', wide: number) => {
    const at = along(face, loop);
    if (at !== undefined) marks.push({ at, is, wide });
  };
  const strapEnds = (face: 'front' | 'back', places: StrapPlaces | undefined) => {
    if (!places) return;
    const { loops, fromSide, under } = places;
    for (const start of [fromSide, loops - fromSide - under]) mark(face, start, 'strap', under);
  };
  strapEnds('front', fixed.straps?.front);
  strapEnds('back', fixed.straps?.back);
  for (const face of ['front', 'back'] as const)
    for (const loop of fixed[face]) mark(face, loop, 'closure', 1);
  return { stitches: Math.round(at), parts, marks: marks.sort((p, q) => p.at - q.at) };
}
