import type { BagGraph, Interval, Seam } from '../bag/index.ts';

/** Where part of an edge meets another. */
export interface EdgeMeeting {
  readonly seam: Seam;
  readonly own: Interval;
  readonly other: Interval;
}

/** Everything an edge of a piece meets, from its start on. */
export function edgeMeetings({ seams }: Pick<BagGraph, 'seams'>, piece: string, edge: number): EdgeMeeting[] {
  const on = (side: Interval) => side.piece === piece && side.edge === edge;
  return seams
    .flatMap((seam): EdgeMeeting[] => [
      ...(on(seam.a) ? [{ seam, own: seam.a, other: seam.b }] : []),
      ...(on(seam.b) ? [{ seam, own: seam.b, other: seam.a }] : []),
    ])
    .sort((p, q) => Math.min(p.own.from, p.own.to) - Math.min(q.own.from, q.own.to));
}
