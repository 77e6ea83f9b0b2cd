import { type SquareDefinition, sideStitches } from './counts.ts';

/** One visible part of a stitch, in a square whose side is 1 with the origin at its centre, y up. */
export interface Stroke {
  /** The round it belongs to, from 1; 0 is the ring. */
  readonly round: number;
  /** `post` stands from the round below to this one; `chain` spans a gap or corner; `top` lies along the edge. */
  readonly part: 'post' | 'chain' | 'top' | 'ring';
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

type Put = (part: Stroke['part'], u1: number, v1: number, u2: number, v2: number) => void;

/** Radius of the ring as a share of the height of one round. */
const RING = 0.55;

/** Lays one side of a round; `u` runs along the side, `v` outwards, both in rounds. */
function clusterSide(put: Put, round: number, inner: number, outer: number, gap: number): void {
  const pitch = (2 * outer) / (round + 0.15);
  for (let k = 0; k < round; k++) {
    const centre = (k - (round - 1) / 2) * pitch;
    // Three posts grow out of one space of the round below, so they lean together at the foot.
    const foot = centre * (inner / outer);
    for (const lean of [-1, 0, 1]) {
      const head = centre + lean * pitch * 0.27;
      put('post', foot + lean * pitch * 0.13, inner, head, outer - 0.06);
      put('top', head - pitch * 0.12, outer - 0.04, head + pitch * 0.12, outer - 0.04);
    }
    if (gap > 0 && k > 0) {
      const between = centre - pitch / 2;
      put('chain', between - pitch * 0.1, outer - 0.05, between + pitch * 0.1, outer - 0.05);
    }
  }
}

function solidSide(put: Put, count: number, inner: number, outer: number): void {
  const pitch = (2 * outer) / (count + 1.2);
  for (let k = 0; k < count; k++) {
    const head = (k - (count - 1) / 2) * pitch;
    const foot = Math.max(-inner, Math.min(inner, head * (count > 3 ? 1 : 0.5)));
    put('post', foot, inner, head, outer - 0.08);
    put('top', head - pitch * 0.42, outer - 0.05, head + pitch * 0.42, outer - 0.05);
  }
}

/**
 * The stitches of a square motif as strokes, round by round from the ring outwards, so that a picture of
 * it looks like the piece itself. Pure geometry: colours and widths are the painter's.
 */
export function motifStrokes(square: SquareDefinition, rounds: number): Stroke[] {
  const strokes: Stroke[] = [];
  const unit = 0.5 / (rounds + RING);
  for (let k = 0; k < 8; k++) {
    const from = (k / 8) * 2 * Math.PI;
    const to = ((k + 1) / 8) * 2 * Math.PI;
    const r = RING * unit * 0.8;
    strokes.push({
      round: 0,
      part: 'ring',
      x1: Math.cos(from) * r,
      y1: Math.sin(from) * r,
      x2: Math.cos(to) * r,
      y2: Math.sin(to) * r,
    });
  }
  for (let round = 1; round <= rounds; round++) {
    const inner = RING + round - 1;
    const outer = RING + round;
    for (let side = 0; side < 4; side++) {
      const angle = (side * Math.PI) / 2;
      const cos = Math.cos(angle) * unit;
      const sin = Math.sin(angle) * unit;
      const put: Put = (part, u1, v1, u2, v2) => {
        strokes.push({
          round,
          part,
          x1: u1 * cos - v1 * sin,
          y1: u1 * sin + v1 * cos,
          x2: u2 * cos - v2 * sin,
          y2: u2 * sin + v2 * cos,
        });
      };
      if (square.kind === 'cluster') clusterSide(put, round, inner, outer, square.gapChains);
      else solidSide(put, sideStitches(square, round), inner, outer);
      // The corner's chains bend round the corner: one stroke to it and one from it.
      const bend = outer - 0.1;
      put('chain', outer - 0.42, outer - 0.05, bend, bend);
      put('chain', -bend, bend, -outer + 0.42, outer - 0.05);
    }
  }
  return strokes;
}
