import type { BagDocument } from '../document/index.ts';
import { yarnOf } from '../document/look-up.ts';
import type { YarnNeed } from '../yarn/index.ts';
import type { Basket } from './basket.ts';

/**
 * How far a basket goes. *Enough*: in 95 cases of 100. *Likely*: by the estimate, not by its range. *Short*: not by the
 * estimate. *Unsaid*: nothing is set aside, or nobody knows how long it is.
 */
export type Reach = 'enough' | 'likely' | 'short' | 'unsaid';

/** A need against what lies there. */
export interface Enough {
  readonly yarn: string;
  readonly need: YarnNeed;
  readonly basket: Basket;
  readonly is: Reach;
  /** What is left by the estimate, mm; less than nothing where it is short. */
  readonly left: number;
  /** Balls to buy so that it suffices in 95 cases of 100; nothing where it is not known what a ball holds. */
  readonly buy: number | undefined;
  /** What is left then, by the estimate, mm. */
  readonly leftThen: number | undefined;
}

/** What rounding may take for a missing piece of yarn, mm. */
const NOTHING = 0.01;

/** Whether what lies there suffices for what a bag takes, colour by colour, in the order of its needs. */
export function enoughOf(
  document: Pick<BagDocument, 'yarns'>,
  needs: readonly YarnNeed[],
  baskets: readonly Basket[],
): Enough[] {
  const by = new Map(baskets.map((basket) => [basket.yarn, basket]));
  return needs.map((need): Enough => {
    const { yarn, length, high } = need;
    const basket = by.get(yarn) ?? { yarn, lots: [], length: 0, unknown: 0 };
    const { ball } = yarnOf(document, yarn);
    const missing = high - basket.length;
    const buy = ball && (missing <= NOTHING ? 0 : Math.ceil(missing / (ball.metres * 1000) - 1e-9));
    const left = basket.length - length;
    return {
      yarn,
      need,
      basket,
      is: reach(need, basket),
      left,
      buy,
      leftThen: ball && buy !== undefined ? left + buy * ball.metres * 1000 : undefined,
    };
  });
}

function reach({ length, high }: YarnNeed, basket: Basket): Reach {
  if (basket.length >= high - NOTHING) return 'enough';
  if (basket.lots.length === 0 || basket.unknown > 0) return 'unsaid';
  return basket.length >= length - NOTHING ? 'likely' : 'short';
}
