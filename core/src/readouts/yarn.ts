import { yarnOf } from '../document/index.ts';
import {
  type Basket,
  enoughOf,
  orderCure,
  placedLots,
  reachText,
  runsOut,
  runsOutText,
  spendingOf,
  yarnCures,
} from '../enough/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Reading } from '../runs/index.ts';
import { bagCost, endsOf, finishDates } from '../worth/index.ts';
import { inBalls } from '../yarn/index.ts';

const round = (value: number) => Math.round(value * 100) / 100;
const rounded = (by: ReadonlyMap<string, number>) =>
  Object.fromEntries([...by].map(([key, value]) => [key, round(value)]));
const iso = (date: Date) =>
  [date.getFullYear(), date.getMonth() + 1, date.getDate()].map((n) => String(n).padStart(2, '0')).join('-');

/**
 * Yarn by colour and part, what the weighings told, what is left after each step, time and cost; and where it is known what
 * lies there, how far that goes and what can be done.
 *
 * @param baskets what lies there for each yarn; nothing: it is not asked.
 * @param from the day work is begun.
 */
export function yarnReadout(plan: Plan, { system }: Reading, from: Date, baskets?: readonly Basket[]) {
  const { document, tally } = plan;
  const { needs, learnt, work, minutes } = tally.effort;
  const all = enoughOf(document, needs, baskets ?? []);
  const spending = spendingOf(plan);
  const cost = bagCost(document, all, minutes);
  return {
    colours: all.map((one) => {
      const { yarn, need, basket, is, left, buy, leftThen } = one;
      const { ball, name: called, colourName } = yarnOf(document, yarn);
      const out = runsOut(spending, basket);
      return {
        yarn,
        name: called,
        colour: colourName,
        mm: round(need.length),
        range90: [round(need.low), round(need.high)],
        parts: need.parts.map(({ part, length }) => ({ part, mm: round(length) })),
        uses: need.uses.map(({ part, what, length }) => ({ part, what, mm: round(length) })),
        ...(ball && { grams: round(inBalls(need, ball).grams), balls: inBalls(need, ball).balls }),
        ...(baskets && {
          there: {
            lots: basket.lots.map(({ lot, dyeLot, grams, length }) => ({
              lot,
              dyeLot,
              grams: round(grams),
              mm: length === undefined ? null : round(length),
            })),
            mm: round(basket.length),
            is,
            says: reachText(one, system),
            leftMm: round(left),
            buy: buy ?? null,
            leftThenMm: leftThen === undefined ? null : round(leftThen),
            runsOut: out ? runsOutText(colourName, out, system) : null,
            dyeLots: placedLots(plan, basket, need.high).map(({ lot, places }) => ({
              dyeLot: lot.dyeLot,
              places: places.map(({ shows, what, length }) => ({ shows, what, mm: round(length) })),
            })),
            cures: is === 'short' || is === 'likely' ? curesOf(plan, baskets, yarn) : [],
            order: orderCure(plan, one)?.missing ?? [],
          },
        }),
      };
    }),
    weighings: [
      ...learnt.told.map((one) => ({
        id: one.id,
        expectedGrams: round(one.expected),
        grams: round(one.weighed),
        rangeBefore: round(one.before),
        rangeAfter: round(one.after),
      })),
      ...learnt.mute,
    ],
    spending: spending.map(({ operation, what, many, takes, taken }) => ({
      operation,
      what,
      many,
      takesMm: rounded(takes),
      takenMm: rounded(taken),
    })),
    time: {
      basis: 'general figures',
      minutes: round(minutes),
      kinds: work.map(({ kind, minutes: own }) => ({ kind, minutes: round(own) })),
      ends: endsOf(plan),
      done: document.pace
        ? Object.fromEntries(
            Object.entries(finishDates(minutes, document.pace, from)).map(([key, date]) => [key, iso(date)]),
          )
        : null,
    },
    cost: { ...cost, unpriced: cost.unpriced.map((id) => yarnOf(document, id).colourName) },
  };
}

const curesOf = (plan: Plan, baskets: readonly Basket[], yarn: string) =>
  yarnCures(plan, baskets, yarn).map(({ says, after, moves }) => ({
    says,
    is: after.is,
    leftMm: round(after.left),
    moves: moves.map(({ measure, by }) => ({ measure, mm: round(by) })),
  }));
