import {
  beginConstruction,
  type Construction,
  controlsOf,
  FAMILIES,
  featureControlsOf,
  netEditorOf,
} from '@fennot/core';
import { FamilyIcon } from '../../drawing/FamilyIcon.tsx';
import { Cards } from '../../ui/Cards.tsx';
import { ControlField } from '../../ui/ControlField.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { OffTarget } from './OffTarget.tsx';
import { MakeOwn, OwnNetSection } from './OwnNetSection.tsx';

/** How the bag is built: the family and its counts, drawn from the family's own controls. */
export function BuildStation({ plan, store }: StationProps) {
  const { document } = plan;
  const { change } = store.getState();
  const editor = netEditorOf(document);
  const setConstruction = (construction: Construction) => change((doc) => ({ ...doc, construction }));
  return (
    <>
      <Section title="Way of building">
        <Cards
          label="Way of building"
          className="grid-cols-2"
          value={document.construction.family}
          onChange={(family) => setConstruction(beginConstruction(document, family))}
          options={FAMILIES.filter(({ ofMotifs }) => !ofMotifs || document.motifs.length > 0).map(
            ({ id, name, about, drawing }) => ({
              value: id,
              title: about,
              content: (
                <span className="flex flex-col items-center gap-1 font-medium">
                  <FamilyIcon drawing={drawing} />
                  {name}
                </span>
              ),
            }),
          )}
        />
        {!editor && <MakeOwn plan={plan} onChange={setConstruction} />}
        <p className="text-xs text-soft">
          {FAMILIES.find(({ id }) => id === document.construction.family)?.about}
        </p>
      </Section>
      {editor && <OwnNetSection editor={editor} onChange={setConstruction} />}
      <Section
        title="Counts"
        aside={<span className="text-xs text-soft">or pull the handles on the net</span>}
      >
        {controlsOf(document).map((control) => (
          <ControlField key={control.id} control={control} onChange={setConstruction} />
        ))}
      </Section>
      <Section title="On top of it">
        {featureControlsOf(plan).map((control) => (
          <ControlField
            key={control.id}
            control={control}
            onChange={(features) => change((doc) => ({ ...doc, features }))}
          />
        ))}
      </Section>
      <OffTarget plan={plan} />
    </>
  );
}
