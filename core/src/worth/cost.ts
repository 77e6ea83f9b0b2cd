import type { BagDocument, Money } from '../document/index.ts';
import { yarnOf } from '../document/look-up.ts';
import type { Enough } from '../enough/index.ts';
import { digitsOf, USUAL_CURRENCY } from '../money/index.ts';

/** What one yarn costs: of what is worked up, and of the balls that are still to be bought. Whole smallest coins. */
export interface YarnCost {
  readonly yarn: string;
  readonly used: number;
  readonly buy: number;
}

/** What a bag costs. All amounts are whole in the smallest coin of its currency. */
export interface BagCost {
  readonly currency: string;
  readonly yarns: readonly YarnCost[];
  /** Yarns nobody knows the price of, or what a ball of them holds: they are not in the sums. */
  readonly unpriced: readonly string[];
  readonly used: number;
  readonly buy: number;
  readonly things: number;
  /** Yarn that is worked up, and what is bought for the bag. */
  readonly material: number;
  /** The maker's time at the rate of an hour; nothing without a rate. */
  readonly work: number | undefined;
  /** A price that covers both. */
  readonly price: number | undefined;
}

/**
 * What a bag costs: yarn by the share of a ball that is worked up, things as they are paid for, time at its rate.
 *
 * @param prices what a ball of a yarn cost, where the bag does not say: that of the lot it is from.
 */
export function bagCost(
  document: Pick<BagDocument, 'yarns' | 'money'>,
  all: readonly Enough[],
  minutes: number,
  prices: ReadonlyMap<string, number> = new Map(),
): BagCost {
  const { currency, things = [], rate }: Money = document.money ?? { currency: USUAL_CURRENCY };
  const yarns: YarnCost[] = [];
  const unpriced: string[] = [];
  for (const { yarn, need, buy = 0 } of all) {
    const { ball } = yarnOf(document, yarn);
    const price = ball?.price ?? prices.get(yarn);
    if (!ball || price === undefined) unpriced.push(yarn);
    else
      yarns.push({ yarn, used: Math.round((need.length / (ball.metres * 1000)) * price), buy: buy * price });
  }
  const sum = (of: readonly number[]) => of.reduce((total, one) => total + one, 0);
  const used = sum(yarns.map((one) => one.used));
  const bought = sum(things.map(({ cost }) => cost));
  const work = rate === undefined ? undefined : Math.round((minutes / 60) * rate);
  const material = used + bought;
  return {
    currency,
    yarns,
    unpriced,
    used,
    buy: sum(yarns.map((one) => one.buy)),
    things: bought,
    material,
    work,
    price: work === undefined ? undefined : material + work,
  };
}

/** A bag whose amounts are in another currency: the figures stay as they were typed, as nobody here knows a rate. */
export function inCurrency(document: BagDocument, currency: string): BagDocument {
  const { money } = document;
  if (!money) return document;
  const coin = (amount: number) => roundedTo(amount, money.currency, currency);
  return {
    ...document,
    money: {
      ...money,
      currency,
      ...(money.things && { things: money.things.map((thing) => ({ ...thing, cost: coin(thing.cost) })) }),
      ...(money.rate !== undefined && { rate: coin(money.rate) }),
    },
    yarns: document.yarns.map((yarn) =>
      yarn.ball?.price === undefined
        ? yarn
        : { ...yarn, ball: { ...yarn.ball, price: coin(yarn.ball.price) } },
    ),
  };
}

/** The same figure in the coins of another currency, to the nearest one. */
const roundedTo = (amount: number, from: string, to: string): number =>
  Math.round(amount * 10 ** (digitsOf(to) - digitsOf(from)));
