import { bagCost, inCurrency, type Money, money, type Plan, yarnOf } from '@fennot/core';
import { Plus, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { useSettings } from '../../../api/queries.ts';
import { useEnough } from '../../../enough/use-enough.ts';
import type { BagStore } from '../../../open-bag/store.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { CurrencyField } from '../../../ui/CurrencyField.tsx';
import { TextField } from '../../../ui/fields.tsx';
import { Row, Section } from '../../../ui/Section.tsx';

/** What the bag costs in yarn, things and hours, and a price that covers them. */
export function MoneySection({ plan, store }: { readonly plan: Plan; readonly store: BagStore }) {
  const { document, tally } = plan;
  const settings = useSettings();
  const { all, lots } = useEnough(plan);
  const own: Money = document.money ?? { currency: settings.currency };
  const { currency, things = [], rate } = own;
  /** What a ball of a yarn cost, as its lot says, in the bag's currency. */
  const prices = useMemo(
    () =>
      new Map(
        all.flatMap(({ yarn, basket }) => {
          const priced = basket.lots
            .map(({ lot }) => lots?.find(({ kept }) => kept.id === lot)?.kept.lot.price)
            .find((price) => price?.currency === currency);
          return priced ? [[yarn, priced.amount] as const] : [];
        }),
      ),
    [all, lots, currency],
  );
  const cost = bagCost({ ...document, money: own }, all, tally.effort.minutes, prices);
  const set = (fields: Partial<Money>) =>
    store.getState().change((doc) => ({ ...doc, money: { ...own, ...fields } }));
  const amount = (coins: number) => money(coins, currency);
  const setPrice = (yarn: string, price: number | undefined) =>
    store.getState().change((doc) => ({
      ...doc,
      money: own,
      yarns: doc.yarns.map((one) =>
        one.id === yarn && one.ball ? { ...one, ball: { ...one.ball, price } } : one,
      ),
    }));
  return (
    <Section title="Cost">
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 text-sm" aria-label="What it costs">
        <dt>Yarn that is worked up</dt>
        <dd className="text-right tabular-nums">{amount(cost.used)}</dd>
        {things.length > 0 && (
          <>
            <dt>Bought for it</dt>
            <dd className="text-right tabular-nums">{amount(cost.things)}</dd>
          </>
        )}
        {cost.work !== undefined && (
          <>
            <dt>Your hours</dt>
            <dd className="text-right tabular-nums">{amount(cost.work)}</dd>
          </>
        )}
        <dt className="border-t border-line font-semibold">
          {cost.price === undefined ? 'Together' : 'A price that covers it'}
        </dt>
        <dd className="border-t border-line text-right font-semibold tabular-nums" data-testid="price">
          {amount(cost.price ?? cost.material)}
        </dd>
        {cost.buy > 0 && (
          <>
            <dt className="text-soft">Balls still to buy</dt>
            <dd className="text-right text-soft tabular-nums">{amount(cost.buy)}</dd>
          </>
        )}
      </dl>
      {cost.unpriced.length > 0 && (
        <p className="text-xs text-soft">
          Not in it, as no price of a ball is known:{' '}
          {cost.unpriced.map((yarn) => yarnOf(document, yarn).colourName).join(', ')}.
        </p>
      )}
      <details className="text-sm">
        <summary className="cursor-pointer text-xs text-soft">Prices, things and an hour of yours</summary>
        <div className="mt-2 flex flex-col gap-2">
          <Row>
            <div>
              <span className="mb-0.5 block text-xs font-medium text-soft">In</span>
              <CurrencyField
                value={currency}
                onChange={(next) =>
                  store.getState().change((doc) => inCurrency({ ...doc, money: own }, next))
                }
              />
            </div>
            <AmountField
              label="An hour is worth"
              value={rate}
              currency={currency}
              onChange={(value) => set({ rate: value })}
            />
          </Row>
          {all
            .filter(({ yarn }) => yarnOf(document, yarn).ball)
            .map(({ yarn }) => (
              <AmountField
                key={yarn}
                label={`A ball of ${yarnOf(document, yarn).colourName}`}
                value={yarnOf(document, yarn).ball?.price ?? prices.get(yarn)}
                currency={currency}
                onChange={(value) => setPrice(yarn, value)}
              />
            ))}
          {things.map((thing, i) => (
            <div key={i} className="grid grid-cols-[1fr_7rem_auto] items-start gap-2">
              <TextField
                label="Bought"
                value={thing.name}
                onChange={(name) =>
                  set({ things: things.map((one, k) => (k === i ? { ...one, name } : one)) })
                }
              />
              <AmountField
                label="for"
                value={thing.cost}
                currency={currency}
                onChange={(value) =>
                  set({ things: things.map((one, k) => (k === i ? { ...one, cost: value ?? 0 } : one)) })
                }
              />
              <Button
                small
                look="bare"
                className="mt-5"
                aria-label={`Take ${thing.name} out`}
                onClick={() => set({ things: things.filter((_, k) => k !== i) })}
              >
                <Trash2 size={13} />
              </Button>
            </div>
          ))}
          <div>
            <Button small onClick={() => set({ things: [...things, { name: 'Lining', cost: 0 }] })}>
              <Plus size={13} /> Something bought for it
            </Button>
          </div>
        </div>
      </details>
    </Section>
  );
}
