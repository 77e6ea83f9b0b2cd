import type { BagDocument, Colourway } from '@fennot/core';

/** A bag with the colours of one motif's rounds changed. */
const withWays =
  (motif: string, change: (way: Colourway) => Colourway) =>
  (document: BagDocument): BagDocument => ({
    ...document,
    motifs: document.motifs.map((one) =>
      one.id === motif ? { ...one, colourways: one.colourways.map(change) } : one,
    ),
  });

/** The yarn of a round, from 1: the last that is told goes on. */
export const yarnOfRound = ({ rounds }: Colourway, round: number): string | undefined =>
  rounds[Math.min(round, rounds.length) - 1];

/** One round, from 1, in another yarn; all others keep theirs, those beyond the last as well. */
export const withRoundColour = (motif: string, way: string, round: number, many: number, yarn: string) =>
  withWays(motif, (own) => {
    if (own.id !== way) return own;
    const all = Array.from({ length: Math.max(many, round, own.rounds.length) }, (_, k) =>
      k === round - 1 ? yarn : (yarnOfRound(own, k + 1) ?? yarn),
    );
    // The last one serves for all that follow: it need not be said again.
    const last = all.at(-1);
    const said = all.findLastIndex((one) => one !== last) + 2;
    return { ...own, rounds: all.slice(0, said) };
  });

/** Without the colour of a round that is taken out, from 1: those after it keep theirs. */
export const withoutRound = (motif: string, round: number) =>
  withWays(motif, (own) =>
    round < own.rounds.length ? { ...own, rounds: own.rounds.filter((_, k) => k !== round - 1) } : own,
  );
