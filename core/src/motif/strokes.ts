import type { Stitch } from '../stitches/index.ts';
import { increasesOf, isHalf, longOf, type MotifDefinition, type MotifKind, sideStitches } from './counts.ts';
import { madeRounds, ownHeight } from './rounds/making.ts';
import { ownStrokes } from './rounds/own-strokes.ts';
import { acrossBySide, rectangleWidth } from './shape.ts';

/** One visible part of a stitch, on a motif of size 1 worked round the origin, y up. */
export interface Stroke {
  /** The round it belongs to, from 1; 0 is the ring. */
  readonly round: number;
  /** `post` stands from the round below to this one; `chain` spans a gap or corner; `top` lies along the edge. */
  readonly part: 'post' | 'chain' | 'top' | 'ring';
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  /** It lies on the rounds after its own: a petal. */
  readonly over?: true;
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

/** `spread`: half the side's length as a share of its distance from the centre. */
function solidSide(put: Put, count: number, inner: number, outer: number, spread: number): void {
  const pitch = (2 * outer * spread) / (count + 1.2);
  for (let k = 0; k < count; k++) {
    const head = (k - (count - 1) / 2) * pitch;
    const foot = Math.max(-inner * spread, Math.min(inner * spread, head * (count > 3 ? 1 : 0.5)));
    put('post', foot, inner, head, outer - 0.08);
    put('top', head - pitch * 0.42, outer - 0.05, head + pitch * 0.42, outer - 0.05);
  }
}

/** A rectangle's long side: as a square's, with `apart` more at either end. */
function longSide(put: Put, count: number, inner: number, outer: number, apart: number): void {
  const pitch = (2 * (outer + apart)) / (count + 1.2);
  for (let k = 0; k < count; k++) {
    const head = (k - (count - 1) / 2) * pitch;
    const foot = head * ((inner + apart) / (outer + apart));
    put('post', foot, inner, head, outer - 0.08);
    put('top', head - pitch * 0.42, outer - 0.05, head + pitch * 0.42, outer - 0.05);
  }
}

/** Which way the sides of a shape look, turned from straight up, radians; and half a side by its distance. */
const SIDES: Record<'square' | 'hexagon' | 'triangle', { turns: readonly number[]; spread: number }> = {
  square: { turns: [0, 1, 2, 3].map((k) => (k * Math.PI) / 2), spread: 1 },
  hexagon: { turns: [0, 1, 2, 3, 4, 5].map((k) => (k * Math.PI) / 3), spread: Math.tan(Math.PI / 6) },
  // The lower half of a square that stands on its corner.
  triangle: { turns: [(3 * Math.PI) / 4, (5 * Math.PI) / 4], spread: 1 },
};

const sidesOf = (kind: MotifKind) => (kind === 'hexagon' || kind === 'triangle' ? SIDES[kind] : SIDES.square);

/** A round of a disc: `count` stitches from `start` on over `sweep` radians, clockwise. */
function arcRound(put: Put, count: number, inner: number, outer: number, sweep: number): void {
  for (let k = 0; k < count; k++) {
    const angle = (Math.PI - sweep) / 2 + ((k + 0.5) / count) * sweep - Math.PI / 2;
    // `u` to the right, `v` downwards: a half disc hangs from its straight side.
    const at = (radius: number, turn: number) =>
      [radius * Math.sin(angle + turn), radius * Math.cos(angle + turn)] as const;
    const half = (0.42 * sweep) / count;
    put('post', ...at(inner, 0), ...at(outer - 0.08, 0));
    put('top', ...at(outer - 0.05, -half), ...at(outer - 0.05, half));
  }
}

/** Stitches that a further round adds to a side, of the shapes a motif of one's own can have. */
const ADDS: Partial<Record<MotifKind, number>> = {
  solid: 4,
  triangle: 4,
  rectangle: 4,
  hexagon: 2,
  disc: 12,
  'half-disc': 6,
};

/**
 * How many rounds a motif is drawn with: of one whose making is unknown as many as would come to its loops. Strokes are
 * as wide as that makes a round high.
 */
export function drawnRounds({ making, kind }: MotifDefinition, rounds: number, by: Stitch = 'tall'): number {
  if (making?.of === 'given') return Math.max(1, Math.round((making.loops + 1) / (ADDS[kind] ?? 4)));
  if (!making) return rounds;
  // However low its rounds are, stitches are not wider than they lie apart along the last.
  const along = sideStitches({ making, kind, cornerChains: 2, gapChains: 0 }, rounds) * acrossBySide(kind);
  return Math.max(ownHeight(making, rounds, kind, by), along / 3.4);
}

/**
 * The stitches of a motif as strokes, round by round from the ring outwards, so that a picture of it looks
 * like the piece itself. Pure geometry: colours and widths are the painter's.
 */
export function motifStrokes(motif: MotifDefinition, rounds: number, by: Stitch = 'tall'): Stroke[] {
  if (motif.making?.of === 'given')
    return motifStrokes({ ...motif, making: undefined }, drawnRounds(motif, rounds), by);
  if (motif.making?.of === 'rounds')
    return ownStrokes(madeRounds(motif.making.rounds, rounds, motif.kind), motif.kind, by);
  const strokes: Stroke[] = [];
  const unit = 0.5 / (rounds + RING);
  const half = isHalf(motif.kind);
  const steps = half ? 4 : 8;
  for (let k = 0; k < steps; k++) {
    const from = Math.PI + (k / 8) * 2 * Math.PI;
    const to = Math.PI + ((k + 1) / 8) * 2 * Math.PI;
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
  // A rectangle's halves lie apart by as much as its long sides are longer.
  const apart = motif.kind === 'rectangle' ? (rectangleWidth(motif, rounds, 1) - 1) / 2 : 0;
  const putting =
    (round: number, angle: number, aside = 0): Put =>
    (part, u1, v1, u2, v2) => {
      const [cos, sin] = [Math.cos(angle) * unit, Math.sin(angle) * unit];
      strokes.push({
        round,
        part,
        x1: aside + u1 * cos - v1 * sin,
        y1: u1 * sin + v1 * cos,
        x2: aside + u2 * cos - v2 * sin,
        y2: u2 * sin + v2 * cos,
      });
    };
  for (let round = 1; round <= rounds; round++) {
    const inner = RING + round - 1;
    const outer = RING + round;
    if (motif.kind === 'disc' || motif.kind === 'half-disc') {
      const [count, sweep] = half
        ? [sideStitches(motif, round), Math.PI]
        : [increasesOf(motif) * round, 2 * Math.PI];
      arcRound(putting(round, Math.PI), count, inner, outer, sweep);
      continue;
    }
    const { turns, spread } = sidesOf(motif.kind);
    for (const [side, turn] of turns.entries()) {
      const short = side % 2 === 1;
      const put = putting(round, turn, short ? -Math.sin(turn) * apart : 0);
      if (motif.kind === 'cluster') clusterSide(put, round, inner, outer, motif.gapChains);
      else if (motif.kind === 'rectangle' && !short)
        longSide(put, sideStitches(motif, round) + longOf(motif, round), inner, outer, apart / unit);
      else solidSide(put, sideStitches(motif, round), inner, outer, spread);
      // The corner's chains bend round the corner: one stroke to it and one from it.
      const [bend, start] = [(outer - 0.1) * spread, (outer - 0.42) * spread];
      const out = short ? 0 : apart / unit;
      put('chain', start + out, outer - 0.05, bend + out, outer - 0.1);
      put('chain', -bend - out, outer - 0.1, -start - out, outer - 0.05);
    }
  }
  return strokes;
}
