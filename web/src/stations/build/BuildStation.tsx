import { type Construction, featureControlsOf, panelsIn } from '@fennot/core';
import { useControls, useHandedControls, useNetEditor } from '../../open-bag/hand.ts';
import { OpenRows } from '../../row-bench/OpenRows.tsx';
import { ControlField } from '../../ui/ControlField.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { OffTarget } from './OffTarget.tsx';
import { MakeOwn, OwnNetSection } from './OwnNetSection.tsx';
import { StripesSection } from './StripesSection.tsx';
import { WaySection } from './WaySection.tsx';

/** How the bag is built: the family and its counts, drawn from the family's own controls. */
export function BuildStation({ plan, store }: StationProps) {
  const { document } = plan;
  const { change } = store.getState();
  const editor = useNetEditor(document);
  const controls = useControls(document);
  const toHand = useHandedControls();
  const setConstruction = (construction: Construction) => change((doc) => ({ ...doc, construction }));
  return (
    <>
      <WaySection plan={plan} onChange={setConstruction} />
      {editor && <OwnNetSection editor={editor} onChange={setConstruction} />}
      <Section
        title="Counts"
        aside={<span className="text-xs text-soft">or pull the handles on the net</span>}
      >
        {controls.map((control) => (
          <ControlField key={control.id} control={control} onChange={setConstruction} />
        ))}
        <OpenRows document={document} store={store} panels={panelsIn(document.construction)} />
        {!editor && <MakeOwn plan={plan} onChange={setConstruction} />}
      </Section>
      <Section title="On top of it">
        {toHand(featureControlsOf(plan)).map((control) => (
          <ControlField
            key={control.id}
            control={control}
            onChange={(features) => change((doc) => ({ ...doc, features }))}
          />
        ))}
        <OpenRows document={document} store={store} panels={panelsIn(document.features)} />
      </Section>
      <StripesSection plan={plan} store={store} />
      <OffTarget plan={plan} />
    </>
  );
}
