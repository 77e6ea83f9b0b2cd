import {
  type Basket,
  type Enough,
  formatLength,
  MEASURE_NAMES,
  orderCure,
  type Plan,
  reachText,
  SHOWS_TEXT,
  wholeYarn,
  yarnCures,
  yarnOf,
} from '@fennot/core';
import { useMemo } from 'react';
import { useSettings } from '../../../api/queries.ts';
import { ReachMark } from '../../../enough/ReachMark.tsx';
import type { BagStore } from '../../../open-bag/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Modal } from '../../../ui/Modal.tsx';

interface CuresModalProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly own: Enough;
  readonly baskets: readonly Basket[];
  readonly onClose: () => void;
}

/** What can be done about a yarn that does not reach: each way is tried on the plan, and done with one press. */
export function CuresModal({ plan, store, own, baskets, onClose }: CuresModalProps) {
  const { system } = useSettings();
  const { colourName } = yarnOf(plan.document, own.yarn);
  const cures = useMemo(() => yarnCures(plan, baskets, own.yarn), [plan, baskets, own.yarn]);
  const order = useMemo(() => orderCure(plan, own), [plan, own]);
  return (
    <Modal
      title={`${colourName} ${own.is === 'short' ? 'does not reach' : 'may not reach'}`}
      about={`Now: ${reachText(own, system)}. Each of these was tried on the plan; the one that changes least stands first. Undo takes it back.`}
      wide
      open
      onClose={onClose}
    >
      <ul aria-label="What helps" className="flex flex-col divide-y divide-line">
        {cures.map((cure) => (
          <li key={cure.says} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
            <div className="min-w-0 grow">
              <p className="font-medium">{cure.says}</p>
              <p className="text-sm text-soft">
                {colourName}: {reachText(cure.after, system)}.
                {cure.moves.length > 0 &&
                  ` ${cure.moves
                    .map(
                      ({ measure, by }) =>
                        `${MEASURE_NAMES[measure]} ${by > 0 ? '+' : '−'}${formatLength(Math.abs(by), system)}`,
                    )
                    .join(', ')}.`}
              </p>
            </div>
            <ReachMark is={cure.after.is} />
            <Button
              small
              look={cure.after.is === 'short' ? 'plain' : 'main'}
              aria-label={`Do it: ${cure.says}`}
              onClick={() => {
                const refusal = store.getState().change(() => cure.document);
                if (refusal === undefined) onClose();
                return refusal;
              }}
            >
              Do it
            </Button>
          </li>
        ))}
      </ul>
      {cures.length === 0 && (
        <p className="text-sm">Nothing that was tried saves any of it. Another ball does.</p>
      )}
      {order && (
        <p className="mt-3 border-t border-line pt-3 text-sm">
          <b>Work first what shows.</b> Nothing is saved, but what is missing is then missing here:{' '}
          {order.missing
            .slice(0, 4)
            .map(({ shows, what, length }) => `${what} (${SHOWS_TEXT[shows]}), ${wholeYarn(length, system)}`)
            .join('; ')}
          {order.missing.length > 4 && `; and ${order.missing.length - 4} more`}. Another yarn does there.
        </p>
      )}
      {own.buy !== undefined && own.buy > 0 && (
        <p className="mt-3 text-sm">
          Or buy {own.buy} {own.buy === 1 ? 'ball' : 'balls'}
          {own.basket.lots[0]?.dyeLot ? `, of lot ${mainLot(own)} if it can be had` : ''}: that suffices in 95
          cases of 100.
        </p>
      )}
    </Modal>
  );
}

/** The dye lot there is most of. */
const mainLot = ({ basket }: Enough): string =>
  [...basket.lots].sort((a, b) => (b.length ?? 0) - (a.length ?? 0))[0]?.dyeLot ?? '';
