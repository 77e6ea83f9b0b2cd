import {
  type BagDocument,
  BRIEF_MEASURES,
  type BriefMeasure,
  boundsOf,
  LIMITS,
  MEASURE_NAMES,
  mm,
  targetSchema,
} from '@fennot/core';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { LengthField, TextField } from '../../ui/fields.tsx';
import { NoteField } from '../../ui/NoteField.tsx';
import { Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';
import { ContentsSection } from './ContentsSection.tsx';
import { NeedsSection } from './NeedsSection.tsx';
import { SearchSection } from './SearchSection.tsx';

/** What to begin with when a target is added, mm. */
const START: Record<BriefMeasure, number> = {
  width: 320,
  height: 320,
  depth: 80,
  opening: 700,
  strapDrop: 550,
};

/** The target: what the bag must measure, and how far off still serves. */
export function BriefStation({ plan, store }: StationProps) {
  const { document } = plan;
  const { change } = store.getState();
  const setTarget = (measure: BriefMeasure, target: BagDocument['brief'][BriefMeasure]) =>
    change((doc) => ({ ...doc, brief: { ...doc.brief, [measure]: target } }));
  const missing = BRIEF_MEASURES.filter((measure) => !document.brief[measure]);
  return (
    <>
      <Section title="The bag">
        <TextField
          label="Name"
          value={document.name}
          onChange={(name) => change((doc) => ({ ...doc, name }))}
        />
        <NoteField
          label="What it is for"
          value={document.note}
          most={LIMITS.note}
          begin={() => {
            const gesture = store.getState().begin();
            return {
              move: (note) => tell(gesture.move((doc) => ({ ...doc, note }))),
              commit: gesture.commit,
            };
          }}
        />
      </Section>
      <Section title="Target">
        <p className="text-xs text-soft">
          Type sizes here, or pull the yellow flags on the tapes below. Any unit may be typed.
        </p>
        {BRIEF_MEASURES.map((measure) => {
          const target = document.brief[measure];
          if (!target) return null;
          return (
            <div key={measure} className="grid grid-cols-[1fr_1fr_auto] items-start gap-2">
              <LengthField
                label={MEASURE_NAMES[measure]}
                value={target.value}
                onChange={(value) => setTarget(measure, { ...target, value })}
              />
              <LengthField
                label="give or take"
                value={target.tolerance}
                bounds={boundsOf(targetSchema.shape.tolerance)}
                onChange={(tolerance) => setTarget(measure, { ...target, tolerance })}
              />
              <Button
                look="bare"
                small
                className="mt-[22px]"
                aria-label={`No target for ${MEASURE_NAMES[measure].toLowerCase()}`}
                onClick={() => setTarget(measure, undefined)}
              >
                <X size={14} />
              </Button>
            </div>
          );
        })}
        {missing.length > 0 && (
          <div className="flex flex-wrap gap-1.5">
            {missing.map((measure) => (
              <Button
                key={measure}
                small
                onClick={() => setTarget(measure, { value: mm(START[measure]), tolerance: 15 })}
              >
                <Plus size={13} /> {MEASURE_NAMES[measure]}
              </Button>
            ))}
          </div>
        )}
        {document.brief.strapDrop && !document.finish?.straps && (
          <p className="text-xs text-soft">
            Choose straps at Finish: how far they hang then has a tape of its own.
          </p>
        )}
      </Section>
      <NeedsSection plan={plan} store={store} />
      <ContentsSection plan={plan} store={store} />
      <SearchSection plan={plan} store={store} />
    </>
  );
}
