import type { Carried, Straps } from '../document/strap-schema.ts';
import type { Point } from '../geometry/index.ts';

/**
 * Heights of places of a standing body above the ground and half breadths, as shares of its height: the usual means of
 * ergonomic tables. Only a start: the maker's own tape says better.
 */
export const BODY = {
  chin: 0.87,
  shoulder: 0.818,
  elbow: 0.63,
  waist: 0.61,
  hip: 0.53,
  wrist: 0.485,
  hand: 0.43,
  thigh: 0.4,
  knee: 0.285,
  ankle: 0.039,
  shoulderHalf: 0.1295,
  waistHalf: 0.08,
  hipHalf: 0.0955,
} as const;

/** Places a maker names when she says where a bag hangs, from above. */
const LEVELS = ['shoulder', 'elbow', 'waist', 'hip', 'thigh', 'knee', 'ankle'] as const;
export type Level = (typeof LEVELS)[number];

/** Rounds that a hand, an arm and a shoulder need to slip through: shortest drops, mm, of someone 165 cm tall. */
const LEAST: Record<Carried, number> = { shoulder: 180, across: 330, elbow: 110, hand: 60 };

/** Who carries the bag, and how. */
export interface Wearer {
  readonly carried: Carried;
  /** mm */
  readonly stature: number;
  /** Where the strap lies above the ground by the maker's own tape, mm. */
  readonly from?: number | undefined;
}

/** A bag as it hangs on someone; x from the middle of the body, y above the ground, mm. */
export interface Hung {
  /** Where the strap lies. */
  readonly holds: Point;
  /** The middle of the rim. */
  readonly rim: Point;
  readonly bottom: number;
  /** The named places next to the rim and the bottom. */
  readonly rimAt: Level;
  readonly bottomAt: Level | 'ground';
  /** Why it will not do, if so. */
  readonly trouble: 'too short to slip on' | 'on the ground' | undefined;
}

/** Where a strap lies, and how far out the bag hangs from it, as shares of the body's height. */
const HOLDS: Record<Carried, { readonly x: number; readonly y: number; readonly bag: number }> = {
  shoulder: { x: 0.1, y: BODY.shoulder + 0.012, bag: 0.14 },
  // From one shoulder across to the other hip.
  across: { x: -0.06, y: BODY.shoulder + 0.025, bag: 0.12 },
  elbow: { x: 0.15, y: BODY.elbow, bag: 0.15 },
  hand: { x: 0.155, y: BODY.hand, bag: 0.155 },
};

const nearest = (y: number, stature: number): Level =>
  LEVELS.reduce((best, level) =>
    Math.abs(BODY[level] * stature - y) < Math.abs(BODY[best] * stature - y) ? level : best,
  );

/** Where the strap of a wearer lies. */
function holdOf({ carried, stature, from }: Wearer): Point {
  const { x, y } = HOLDS[carried];
  return { x: x * stature, y: from ?? y * stature };
}

/** How far to the side the bag hangs from where its strap lies, mm. */
const aside = ({ carried, stature }: Wearer) => Math.abs(HOLDS[carried].bag - HOLDS[carried].x) * stature;

/**
 * Where a bag hangs on someone: straight down from where its strap lies, and across the body as far down as the slanting
 * strap lets it.
 *
 * @param drop from the strap's highest point to the rim, mm, when it hangs straight.
 */
export function hungOn(wearer: Wearer, drop: number, height: number): Hung {
  const { carried, stature } = wearer;
  const holds = holdOf(wearer);
  const down = Math.sqrt(Math.max(0, drop * drop - aside(wearer) ** 2));
  const rim = { x: HOLDS[carried].bag * stature, y: holds.y - down };
  const bottom = rim.y - height;
  const least = (LEAST[carried] * stature) / 1650;
  return {
    holds,
    rim,
    bottom,
    rimAt: nearest(rim.y, stature),
    bottomAt: bottom < 0.5 * BODY.ankle * stature ? 'ground' : nearest(bottom, stature),
    trouble: drop < least ? 'too short to slip on' : bottom < 0 ? 'on the ground' : undefined,
  };
}

/** The drop that brings the rim to a named place, mm; nothing where that lies above the strap. */
export function dropTo(wearer: Wearer, level: Level): number | undefined {
  const down = holdOf(wearer).y - BODY[level] * wearer.stature;
  return down > 0 ? Math.hypot(down, aside(wearer)) : undefined;
}

/** A stature nobody has told yet, mm. */
const USUAL_STATURE = 1650;

/** Who carries a bag with these straps: as told, or else as its drop allows. */
export function wearerOf({ worn, drop }: Straps): Wearer {
  if (worn) return worn;
  const roomy = (on: Carried) => drop >= 1.2 * LEAST[on];
  const carried = roomy('shoulder') ? 'shoulder' : roomy('elbow') ? 'elbow' : 'hand';
  return { carried, stature: USUAL_STATURE };
}
