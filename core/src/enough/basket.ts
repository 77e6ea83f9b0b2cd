import type { BagDocument, Yarn } from '../document/index.ts';
import { type AllottedLot, gramsLeft, type Lot, lengthOfGrams, plainWord } from '../stash/index.ts';

/** Yarn of one dye lot that lies there for a yarn of a bag. */
export interface BasketLot {
  /** Id of the lot in the stash, or its number among those of a file. */
  readonly lot: string;
  readonly dyeLot: string;
  readonly grams: number;
  /** mm; nothing where it is not known what a ball holds. */
  readonly length: number | undefined;
}

/** All that lies there for one yarn of a bag. */
export interface Basket {
  readonly yarn: string;
  readonly lots: readonly BasketLot[];
  /** Of those lots whose length is known, mm. */
  readonly length: number;
  /** Grams nobody knows the length of. */
  readonly unknown: number;
}

/** So many grams of a lot, for a yarn of a bag; what a ball holds is as the lot says, or else as the bag does. */
const basketLot = (lot: Lot, grams: number, yarn: Yarn, id: string): BasketLot => ({
  lot: id,
  dyeLot: lot.dyeLot,
  grams,
  length: lengthOfGrams(lot.ball ? lot : yarn, grams),
});

/** Lots for one yarn together. */
const basketOf = (yarn: string, lots: readonly BasketLot[]): Basket => ({
  yarn,
  lots,
  length: lots.reduce((sum, { length = 0 }) => sum + length, 0),
  unknown: lots.reduce((sum, { length, grams }) => sum + (length === undefined ? grams : 0), 0),
});

/** Whether a lot is of a yarn of a bag: the same name and colour. */
export const isOf = (
  lot: Pick<Lot, 'yarn' | 'colourName'>,
  yarn: Pick<Yarn, 'name' | 'colourName'>,
): boolean =>
  plainWord(lot.yarn) === plainWord(yarn.name) && plainWord(lot.colourName) === plainWord(yarn.colourName);

/** What is set aside of a stash for each yarn of a bag, as far as those who asked before left it. */
export const basketsAside = (
  { yarns }: Pick<BagDocument, 'yarns'>,
  bag: string,
  stash: readonly AllottedLot[],
): Basket[] =>
  yarns.map((yarn) =>
    basketOf(
      yarn.id,
      stash.flatMap(({ kept, grants }) =>
        grants.flatMap(({ allotment, grams }) =>
          allotment.bag === bag && allotment.yarn === yarn.id && grams > 0
            ? [basketLot(kept.lot, grams, yarn, kept.id)]
            : [],
        ),
      ),
    ),
  );

/** What a whole stash has for a bag, as if nobody else wanted any of it. */
export const basketsFrom = ({ yarns }: Pick<BagDocument, 'yarns'>, stash: readonly Lot[]): Basket[] =>
  yarns.map((yarn) =>
    basketOf(
      yarn.id,
      stash.flatMap((lot, i) =>
        isOf(lot, yarn) && gramsLeft(lot) > 0 ? [basketLot(lot, gramsLeft(lot), yarn, `lot ${i + 1}`)] : [],
      ),
    ),
  );
