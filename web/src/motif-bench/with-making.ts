import {
  type BagDocument,
  constructionSchema,
  featuresSchema,
  type Making,
  type Motif,
  type MotifRound,
} from '@fennot/core';

/** Motifs of the bag that had as many rounds as their own list have as many as the new one. */
function following(part: unknown, motif: string, from: number, to: number): unknown {
  if (Array.isArray(part)) return part.map((one: unknown) => following(one, motif, from, to));
  if (typeof part !== 'object' || part === null) return part;
  const own = new Map<string, unknown>(Object.entries(part));
  const follows = own.get('motif') === motif && own.get('rounds') === from;
  return Object.fromEntries(
    [...own].map(([key, value]) => [
      key,
      follows && key === 'rounds' ? to : following(value, motif, from, to),
    ]),
  );
}

/** The bag with a motif made another way; where its rounds become more or fewer, so do those of the pieces that had all. */
export function withMaking(
  motif: string,
  making: Making | undefined,
): (document: BagDocument) => BagDocument {
  return (document) => {
    const before = document.motifs.find(({ id }) => id === motif);
    const motifs = document.motifs.map((one): Motif => {
      if (one.id !== motif) return one;
      const { making: _, ...rest } = one;
      return making ? { ...rest, making: mutable(making) } : rest;
    });
    if (before?.making?.of !== 'rounds' || making?.of !== 'rounds') return { ...document, motifs };
    const [from, to] = [before.making.rounds.length, making.rounds.length];
    if (from === to) return { ...document, motifs };
    const { construction, features } = document;
    return {
      ...document,
      motifs,
      construction: constructionSchema.parse(following(construction, motif, from, to)),
      ...(features && { features: featuresSchema.parse(following(features, motif, from, to)) }),
    };
  };
}

type OwnMaking = NonNullable<Motif['making']>;

/** As the document keeps it. */
const mutable = (making: Making): OwnMaking =>
  making.of === 'given' ? making : { of: 'rounds', rounds: making.rounds.map(keptRound) };

type OwnRound = Extract<OwnMaking, { of: 'rounds' }>['rounds'][number];

/** A round as the document keeps it: that half a motif is open its kind says. */
export function keptRound({ stitch, hold, into }: MotifRound): OwnRound {
  switch (into.of) {
    case 'ring': {
      const { of, groups, each, chains } = into;
      return { stitch, hold, into: { of, groups, each, chains } };
    }
    case 'chain':
    case 'arches':
    case 'written':
      return { stitch, hold, into };
    case 'gaps':
      return { stitch, hold, into: { ...into, turnedInto: turned(into.turnedInto) } };
    case 'each': {
      const { of, many, spread, ends = 0, corner, turnedInto } = into;
      const more = ends > 0 ? { ends } : {};
      return { stitch, hold, into: { of, many, spread, ...more, corner, turnedInto: turned(turnedInto) } };
    }
    case 'petals':
      return { stitch, hold, into: { ...into, petal: [...into.petal] } };
  }
}

const turned = (into: number | undefined): 4 | 6 | undefined => (into === 4 || into === 6 ? into : undefined);
