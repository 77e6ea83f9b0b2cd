import { type EdgeCount, type Finish, featureControlsOf, finishOf, isStrap } from '@fennot/core';
import { useMemo } from 'react';
import { ControlField } from '../../ui/ControlField.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { ClosureSection } from './ClosureSection.tsx';
import { EdgeDrawing } from './EdgeDrawing.tsx';
import type { FinishProps } from './finish-props.ts';
import { LiningSection } from './LiningSection.tsx';
import { OrderSection } from './OrderSection.tsx';
import { StrapSection } from './StrapSection.tsx';
import { WaistBand } from './WaistBand.tsx';
import { MoneySection } from './worth/MoneySection.tsx';
import { TimeSection } from './worth/TimeSection.tsx';
import { YarnSection } from './yarn/YarnSection.tsx';

/** How the stitches of a first edge round come about. */
function edgeSentence({ along, joins, peaks, notches }: EdgeCount): string {
  const each = (many: number, one: string, more: string) =>
    many === 0
      ? []
      : [
          `${more} at ${many === 1 ? `the ${one}` : `each of ${many} ${one === 'notch' ? 'notches' : `${one}s`}`}`,
        ];
  const parts = [
    `One in each of ${along} loops`,
    ...each(joins, 'join', 'one more'),
    ...each(peaks, 'peak', 'two more'),
    ...each(notches, 'notch', 'three together'),
  ];
  return `${parts.join(', ')}${joins > 0 ? '; the stitch over a join keeps a gap from showing' : ''}.`;
}

/** Edge, straps, closure and lining, and the order of all the work. */
export function FinishStation({ plan, store }: StationProps) {
  const { change } = store.getState();
  const own = useMemo(() => finishOf(plan), [plan]);
  const finish = plan.document.finish ?? {};
  const set = (fields: Partial<Finish>) =>
    change((doc) => ({ ...doc, finish: { ...doc.finish, ...fields } }));
  const props: FinishProps = { plan, finish, set };
  return (
    <>
      {own.warnings.length > 0 && (
        <ul className="flex flex-col gap-1 px-4 pt-3 text-sm text-loosestrife" aria-label="What will be hard">
          {own.warnings.map((warning) => (
            <li key={warning}>✗ {warning}</li>
          ))}
        </ul>
      )}
      <Section title="Edge">
        {own.edges.map((edge, i) => (
          <p key={i} className="text-sm" data-testid={i === 0 ? 'edge-count' : undefined}>
            {i === 0 ? 'First round' : 'Round the next opening'}: <b>{edge.first} stitches</b>.{' '}
            {edgeSentence(edge)}
            {edge.rounds.length > 1 ? ` Rounds: ${edge.rounds.join(', ')}.` : ''}
          </p>
        ))}
        {own.strip && <EdgeDrawing strip={own.strip} />}
        {featureControlsOf(plan)
          .filter(({ id }) => id.startsWith('edge'))
          .map((control) => (
            <ControlField
              key={control.id}
              control={control}
              onChange={(features) => change((doc) => ({ ...doc, features }))}
            />
          ))}
      </Section>
      {own.bands
        .filter((band) => !isStrap(band))
        .map((band) => (
          <Section key={band.band.name} title={band.band.name}>
            <WaistBand own={band} />
          </Section>
        ))}
      <StrapSection {...props} store={store} straps={own.straps} bands={own.bands.filter(isStrap)} />
      <ClosureSection {...props} closure={own.closure} cord={own.cord} flap={own.flap} />
      <LiningSection
        {...props}
        pieces={own.lining}
        ready={own.ready}
        fill={own.fill}
        onFill={(swatch, rounds) =>
          change((doc) => ({
            ...doc,
            features: { ...doc.features, edge: { growth: 0, ...doc.features?.edge, swatch, rounds } },
          }))
        }
      />
      <YarnSection plan={plan} store={store} />
      <TimeSection plan={plan} store={store} />
      <MoneySection plan={plan} store={store} />
      <OrderSection operations={own.operations} />
    </>
  );
}
