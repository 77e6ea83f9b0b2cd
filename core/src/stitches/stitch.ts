/**
 * The basic stitches by their height, named neutrally: US and UK terms give the same words to
 * different stitches, so no stored word may be either.
 */
export const STITCHES = ['low', 'mid', 'tall', 'high'] as const;
export type Stitch = (typeof STITCHES)[number];

/** Which country's words are shown. */
export type Terms = 'us' | 'uk';

interface StitchFacts {
  readonly name: Record<Terms, string>;
  /** Insertions that one row end of this stitch takes when something is joined to it. */
  readonly rowEndRate: number;
  /** Chains worked to turn before a row of this stitch. */
  readonly turningChains: number;
  /** Height of a row as a multiple of the stitch pitch; a start until a swatch is measured. */
  readonly heightByPitch: number;
}

const FACTS: Record<Stitch, StitchFacts> = {
  low: {
    name: { us: 'single crochet', uk: 'double crochet' },
    rowEndRate: 1,
    turningChains: 1,
    heightByPitch: 0.95,
  },
  mid: {
    name: { us: 'half double crochet', uk: 'half treble crochet' },
    rowEndRate: 1.5,
    turningChains: 2,
    heightByPitch: 1.4,
  },
  tall: {
    name: { us: 'double crochet', uk: 'treble crochet' },
    rowEndRate: 2,
    turningChains: 3,
    heightByPitch: 2,
  },
  high: {
    name: { us: 'treble crochet', uk: 'double treble crochet' },
    rowEndRate: 3,
    turningChains: 4,
    heightByPitch: 2.7,
  },
};

export const stitchName = (stitch: Stitch, terms: Terms): string => FACTS[stitch].name[terms];
export const rowEndRate = (stitch: Stitch): number => FACTS[stitch].rowEndRate;
export const turningChains = (stitch: Stitch): number => FACTS[stitch].turningChains;
export const heightByPitch = (stitch: Stitch): number => FACTS[stitch].heightByPitch;

/** What the opening chain of a round or row stands for. It shifts counts by one, so each piece says. */
export const TURNINGS = ['counts', 'does-not-count', 'standing'] as const;
export type Turning = (typeof TURNINGS)[number];

export const turningName: Record<Turning, string> = {
  counts: 'the opening chain counts as a stitch',
  'does-not-count': 'the opening chain does not count',
  standing: 'a standing stitch opens the row',
};

export interface FoundationChain {
  /** Chains to make before the first row. */
  readonly chains: number;
  /** Which chain from the hook takes the first stitch. */
  readonly firstIn: number;
}

/**
 * The chain to begin a panel of `stitches` stitches. With a counting chain the skipped chains are the
 * first stitch, so one chain fewer is needed; with a standing stitch no chain is skipped at all.
 */
export function foundationChain(stitches: number, stitch: Stitch, turning: Turning): FoundationChain {
  const turn = turningChains(stitch);
  if (turning === 'standing') return { chains: stitches, firstIn: 1 };
  // A low stitch's single turning chain is too short to stand for a stitch either way.
  if (turning === 'counts' && stitch !== 'low') return { chains: stitches - 1 + turn, firstIn: turn + 1 };
  return { chains: stitches + turn, firstIn: turn + 1 };
}
