import type { Stitch } from '../stitches/index.ts';

/** How the pieces are held while they are joined. */
export type Hold = 'right sides up' | 'right sides together' | 'wrong sides together';

/** A way of joining two edges, with what it does to the work. */
export interface JoinMethod {
  readonly id: JoinMethodId;
  readonly tool: 'needle' | 'hook';
  readonly hold: Hold;
  readonly loops: 'both loops' | 'back loops' | 'front loops';
  /** Hook or needle against the one the pieces were worked with. */
  readonly size: string;
  /** Where it serves best. */
  readonly goodFor: string;
  /** Width a join adds between two pieces, as a multiple of the stitch pitch; a start until measured. */
  readonly addsPitches: number;
  /** Yarn used, as a multiple of the seam's length. */
  readonly yarnBySeam: number;
  readonly looks: string;
}

export const JOIN_METHODS = ['whip', 'mattress', 'flat-slip', 'slip-through', 'ridge', 'zip-slip'] as const;
export type JoinMethodId = (typeof JOIN_METHODS)[number];

const METHODS: Record<JoinMethodId, Omit<JoinMethod, 'id'>> = {
  whip: {
    tool: 'needle',
    hold: 'right sides up',
    loops: 'back loops',
    size: 'a blunt needle',
    goodFor: 'squares with a frame in the joins’ colour; light bags',
    addsPitches: 0.1,
    yarnBySeam: 3,
    looks: 'small slanting stitches, a fine frame round each square',
  },
  mattress: {
    tool: 'needle',
    hold: 'right sides up',
    loops: 'both loops',
    size: 'a blunt needle',
    goodFor: 'panels and strips whose edges should meet unseen',
    addsPitches: -0.15,
    yarnBySeam: 2.5,
    looks: 'invisible from the right side',
  },
  'flat-slip': {
    tool: 'hook',
    hold: 'right sides up',
    loops: 'back loops',
    size: 'the same hook, or half a size up: a tight line puckers',
    goodFor: 'long straight lines across many squares',
    addsPitches: 0.15,
    yarnBySeam: 4.5,
    looks: 'flat, with a fine line',
  },
  'slip-through': {
    tool: 'hook',
    hold: 'right sides together',
    loops: 'both loops',
    size: 'the same hook',
    goodFor: 'seams that carry weight, worked from inside',
    addsPitches: -0.05,
    yarnBySeam: 4.5,
    looks: 'strong, and hidden inside',
  },
  ridge: {
    tool: 'hook',
    hold: 'wrong sides together',
    loops: 'both loops',
    size: 'the same hook',
    goodFor: 'edges that should stand up: strips, boxes, the outline of a face',
    addsPitches: 0.5,
    yarnBySeam: 6.5,
    looks: 'a raised, decorative ridge; sturdy',
  },
  'zip-slip': {
    tool: 'hook',
    hold: 'right sides up',
    loops: 'front loops',
    size: 'the same hook',
    goodFor: 'a flat line that is meant to be seen, quick to pull out again',
    addsPitches: 0.2,
    yarnBySeam: 5,
    looks: 'a flat braid across the right side',
  },
};

export const joinMethod = (id: JoinMethodId): JoinMethod => ({ id, ...METHODS[id] });

/** The stitch a method is named after, where it has one: its name depends on the maker's terms. */
export const methodStitch: Partial<Record<JoinMethodId, Stitch>> = { ridge: 'low' };
