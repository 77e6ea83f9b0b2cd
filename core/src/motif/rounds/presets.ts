import type { Stitch } from '../../stitches/index.ts';
import { increasesOf, longOf, type MotifDefinition, type MotifKind, sideStitches } from '../counts.ts';
import type { MotifRound, RoundInto } from './round.ts';

/** A motif of one of the kinds, round by round. */
export function presetRounds(motif: MotifDefinition, rounds: number, stitch: Stitch): MotifRound[] {
  return Array.from({ length: rounds }, (_, k) => ({
    stitch,
    hold: 'both',
    into: k === 0 ? begun(motif) : goneOn(motif, k + 1),
  }));
}

function begun(motif: MotifDefinition): RoundInto {
  const { kind, cornerChains: chains } = motif;
  switch (kind) {
    case 'cluster':
    case 'solid':
      return { of: 'ring', groups: 4, each: 3, chains };
    case 'hexagon':
      return { of: 'ring', groups: 6, each: 2, chains };
    case 'triangle':
      return { of: 'ring', groups: 2, each: 3, chains, open: true };
    case 'rectangle':
      return { of: 'chain', each: 3, long: longOf(motif, 1), chains };
    case 'disc':
      return { of: 'ring', groups: 1, each: increasesOf(motif), chains: 0 };
    case 'half-disc':
      return { of: 'ring', groups: 1, each: sideStitches(motif, 1), chains: 0, open: true };
  }
}

function goneOn(motif: MotifDefinition, round: number): RoundInto {
  const { kind, cornerChains: chains } = motif;
  const each = (spread: number, corner: number, ends = 0): RoundInto => ({
    of: 'each',
    many: 1,
    spread,
    ...(ends > 0 ? { ends } : {}),
    corner: { each: corner, chains },
  });
  switch (kind) {
    case 'cluster':
      return { of: 'gaps', each: 3, chains: motif.gapChains, corner: { each: 3, chains } };
    case 'solid':
    case 'rectangle':
      return each(0, 2);
    case 'triangle':
      return each(0, 2, 2);
    case 'hexagon':
      return each(0, 1);
    case 'disc':
    case 'half-disc':
      return each(sideStitches(motif, round) - sideStitches(motif, round - 1), 1);
  }
}

/** A motif by its rounds that is ready to take and to change. */
export interface ReadyMotif {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** The shape it takes in a bag. */
  readonly kind: MotifKind;
  readonly rounds: readonly MotifRound[];
  /** It has a top and a bottom. */
  readonly oneWay?: boolean;
}

const both = (stitch: MotifRound['stitch'], into: RoundInto): MotifRound => ({ stitch, hold: 'both', into });
const corner = (each: number, chains: number) => ({ each, chains });
/** A round in words, in US terms. */
const said = (words: string): MotifRound => both('tall', { of: 'written', words, terms: 'us' });

/** Motifs by their rounds, drawn and named for this. */
export const READY_MOTIFS: readonly ReadyMotif[] = [
  {
    id: 'noon',
    name: 'Noon sun',
    says: 'rays that stand apart, gathered into a square',
    kind: 'solid',
    rounds: [
      both('tall', { of: 'ring', groups: 1, each: 12, chains: 0 }),
      both('bobble', { of: 'arches', chains: 1, over: 1 }),
      both('tall', { of: 'gaps', each: 3, chains: 0, corner: corner(3, 2), turnedInto: 4 }),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(2, 2) }),
      both('low', { of: 'each', many: 1, spread: 0, corner: corner(3, 0) }),
    ],
  },
  {
    id: 'pond-rose',
    name: 'Pond rose',
    says: 'two layers of petals on front loops, in a square',
    kind: 'solid',
    rounds: [
      both('low', { of: 'ring', groups: 1, each: 16, chains: 0 }),
      {
        stitch: 'mid',
        hold: 'front',
        into: { of: 'petals', petal: ['mid', 'tall', 'mid'], in: 'stitches', over: 2 },
      },
      { stitch: 'low', hold: 'back', into: { of: 'arches', chains: 3, over: 2 } },
      both('tall', {
        of: 'petals',
        petal: ['low', 'tall', 'high', 'high', 'tall', 'low'],
        in: 'spaces',
        over: 1,
      }),
      both('tall', { of: 'gaps', each: 4, chains: 1, corner: corner(4, 2), turnedInto: 4 }),
      both('mid', { of: 'each', many: 1, spread: 0, corner: corner(2, 2) }),
    ],
  },
  {
    id: 'quiet',
    name: 'Quiet square',
    says: 'a disc that becomes a square, closed with low stitches and three in each corner',
    kind: 'solid',
    rounds: [
      both('tall', { of: 'ring', groups: 1, each: 12, chains: 0 }),
      both('tall', { of: 'each', many: 2, spread: 0, corner: corner(2, 2) }),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(3, 2), turnedInto: 4 }),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(2, 2) }),
      both('low', { of: 'each', many: 1, spread: 0, corner: corner(3, 0) }),
    ],
  },
  {
    id: 'six-buds',
    name: 'Six buds',
    says: 'bobbles in a ring, grown into a hexagon',
    kind: 'hexagon',
    rounds: [
      both('bobble', { of: 'ring', groups: 12, each: 1, chains: 2 }),
      both('tall', { of: 'gaps', each: 2, chains: 0, corner: corner(2, 2), turnedInto: 6 }),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(1, 2) }),
    ],
  },
  {
    id: 'tall-heart',
    name: 'Tall heart',
    says: 'a heart of stitches of every height, filled out to a square: it has a top',
    kind: 'solid',
    oneWay: true,
    rounds: [
      said(
        '2 tr in ring, dc in ring, 2 hdc in ring, dc in ring, tr in ring, dc in ring, 2 hdc in ring, dc in ring, 3 tr in ring, sc in ring, tr in ring',
      ),
      said(
        '2 dc in each of next 2, hdc, sc, 2 hdc, (dc, tr, dc) in next st, 2 hdc, sc, hdc, 2 dc in each of next 3, sc, 2 dc in next',
      ),
      said(
        '2 sc in next, sc, hdc, 2 dc in next, dc, hdc, 2 sc in next, 5 sc, 2 sc in next, hdc, dc, 2 dc in next, hdc, sc, 2 sc in next, sc, 2 hdc in next, tr, 2 hdc in next, sc',
      ),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(2, 2), turnedInto: 4 }),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(2, 2) }),
    ],
  },
  {
    id: 'mill-race',
    name: 'Mill race',
    says: 'six arms that turn about the ring, closed to a hexagon: mirrored it is another',
    kind: 'hexagon',
    rounds: [
      said('(dc in ring, ch 2) x6'),
      said('(skip 1, 3 dc in next sp, ch 2) x6'),
      said('(skip 1, 2 dc, 3 dc in next sp, ch 2) x6'),
      said('(skip 1, 4 dc, 3 dc in next sp, ch 2) x6'),
      both('tall', { of: 'each', many: 1, spread: 0, corner: corner(2, 2), turnedInto: 6 }),
      both('low', { of: 'each', many: 1, spread: 0, corner: corner(3, 0) }),
    ],
  },
];
