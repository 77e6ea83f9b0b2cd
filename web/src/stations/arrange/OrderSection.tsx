import { laidAs, ORDER_WORDS, ORDERS, type Order, ordered } from '@fennot/core';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { SmallBag } from './SmallBag.tsx';

/** Orders with a plan: chequer, stripes, rings and so on, with what each needs and what is missing. */
export function OrderSection({ plan, store }: StationProps) {
  const [order, setOrder] = useState<Order>();
  const { document, cells, graph } = plan;
  const task = plan.arranging();
  const laid = useMemo(
    () => (order ? ordered(task, graph, cells, order) : undefined),
    [order, task, graph, cells],
  );
  const bag = useMemo(
    () => (laid ? laidAs(document, cells, task, laid.laying) : undefined),
    [laid, document, cells, task],
  );
  const missing = (laid?.needs ?? []).filter(({ needs, there }) => needs > there);
  const nameOf = (design: number) => task.designs[design]?.name ?? '';
  return (
    <Section title="In an order">
      <Choice<Order | 'none'>
        label="Plan"
        value={order ?? 'none'}
        options={[
          { value: 'none', label: 'none' },
          ...ORDERS.map((one) => ({ value: one, label: ORDER_WORDS[one].name })),
        ]}
        onChange={(next) => setOrder(next === 'none' ? undefined : next)}
        hint={order && ORDER_WORDS[order].about}
      />
      {order && laid && bag && (
        <>
          <SmallBag document={bag} label={ORDER_WORDS[order].name} />
          <p className="text-xs">
            Needs{' '}
            {laid.needs
              .filter(({ needs }) => needs > 0)
              .map(({ design, needs }) => `${needs} ${nameOf(design)}`)
              .join(', ')}
            .{' '}
            {missing.length > 0 && (
              <b className="font-semibold text-loosestrife">
                Missing:{' '}
                {missing.map(({ design, needs, there }) => `${needs - there} ${nameOf(design)}`).join(', ')}.
              </b>
            )}
          </p>
          <Button
            small
            className="self-start"
            onClick={() => store.getState().change((doc) => laidAs(doc, cells, task, laid.laying))}
          >
            Lay it so
          </Button>
        </>
      )}
    </Section>
  );
}
