import {
  allowancesSchema,
  type BagDocument,
  boundsOf,
  spendingOf,
  USUAL_RIPPING,
  yarnOf,
} from '@fennot/core';
import { ChartLine, Scale } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useEnough } from '../../../enough/use-enough.ts';
import { Button } from '../../../ui/Button.tsx';
import { NumberField } from '../../../ui/fields.tsx';
import { Row, Section } from '../../../ui/Section.tsx';
import { tell } from '../../../ui/tell.ts';
import type { StationProps } from '../../station.ts';
import { ColourNeed } from './ColourNeed.tsx';
import { CuresModal } from './CuresModal.tsx';
import { SetAsideModal } from './SetAsideModal.tsx';
import { ShoppingList } from './ShoppingList.tsx';
import { SpendingModal } from './SpendingModal.tsx';
import { Weighings } from './Weighings.tsx';
import { WeighModal } from './WeighModal.tsx';

/** What is open over the worktop. */
type Open = { readonly is: 'aside' | 'cures'; readonly yarn: string } | { readonly is: 'spending' | 'weigh' };

/** How much of each yarn the bag takes, whether what lies there is enough, until when it lasts, and what helps. */
export function YarnSection({ plan, store }: StationProps) {
  const { document } = plan;
  const { all, baskets, lots, names, bag } = useEnough(plan);
  const spending = useMemo(() => spendingOf(plan), [plan]);
  const [open, setOpen] = useState<Open | undefined>(undefined);
  const { change } = store.getState();
  const most = Math.max(...all.map(({ need, basket }) => Math.max(need.high, basket.length)), 1);
  const { ripping = USUAL_RIPPING, swatches = true } = document.allowances ?? {};
  const allow = (fields: BagDocument['allowances']) =>
    change((doc) => ({ ...doc, allowances: { ...doc.allowances, ...fields } }));
  const chosen = open && 'yarn' in open ? all.find(({ yarn }) => yarn === open.yarn) : undefined;
  const close = () => setOpen(undefined);
  const learnt = (document.weighings ?? []).length > 0;
  return (
    <Section
      title="Yarn"
      aside={
        <Button small look="bare" onClick={() => setOpen({ is: 'spending' })}>
          <ChartLine size={14} /> Along the work
        </Button>
      }
    >
      <p className="text-xs text-soft">
        {learnt
          ? 'From gauge, stitch and what was weighed: nine times in ten it comes to what stands in brackets.'
          : 'Estimated from gauge and stitch: nine times in ten it comes to what stands in brackets. Weigh something that is done, and it comes nearer.'}
      </p>
      <ul className="flex flex-col gap-4" aria-label="Yarn by colour">
        {all.map((own) => (
          <ColourNeed
            key={own.yarn}
            plan={plan}
            own={own}
            yarn={yarnOf(document, own.yarn)}
            spending={spending}
            most={most}
            onBall={(ball) =>
              change((doc) => ({
                ...doc,
                yarns: doc.yarns.map((one) => (one.id === own.yarn ? { ...one, ball } : one)),
              }))
            }
            onAside={bag && lots ? () => setOpen({ is: 'aside', yarn: own.yarn }) : undefined}
            onCures={() => setOpen({ is: 'cures', yarn: own.yarn })}
          />
        ))}
      </ul>
      <ShoppingList document={document} all={all} />
      <Weighings plan={plan} store={store} />
      <div>
        <Button small onClick={() => setOpen({ is: 'weigh' })}>
          <Scale size={14} /> Weigh something
        </Button>
      </div>
      <Row>
        <NumberField
          label="Ripped back, of what is worked"
          name="ripped back"
          value={ripping}
          suffix="%"
          bounds={boundsOf(allowancesSchema.shape.ripping.unwrap())}
          onChange={(value) => allow({ ripping: value })}
        />
        <label className="flex items-center gap-2 pt-5 text-sm">
          <input
            type="checkbox"
            checked={swatches}
            onChange={(event) => tell(allow({ swatches: event.target.checked ? undefined : false }))}
            className="size-4 accent-kingfisher"
          />
          Swatches are of this yarn
        </label>
      </Row>
      {open?.is === 'aside' && chosen && bag && lots && (
        <SetAsideModal
          own={chosen}
          yarn={yarnOf(document, chosen.yarn)}
          bag={bag}
          lots={lots}
          names={names}
          onClose={close}
        />
      )}
      {open?.is === 'cures' && chosen && (
        <CuresModal plan={plan} store={store} own={chosen} baskets={baskets} onClose={close} />
      )}
      {open?.is === 'spending' && <SpendingModal plan={plan} spending={spending} all={all} onClose={close} />}
      {open?.is === 'weigh' && <WeighModal plan={plan} store={store} onClose={close} />}
    </Section>
  );
}
