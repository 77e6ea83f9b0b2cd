import { beginConstruction, type Construction, FAMILIES, type Plan } from '@fennot/core';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { FamilyIcon } from '../../drawing/FamilyIcon.tsx';
import { Cards } from '../../ui/Cards.tsx';
import { Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

interface WaySectionProps {
  readonly plan: Plan;
  readonly onChange: (construction: Construction) => Outcome;
}

/** The way of building as one line; the others are shown when one is looked for. */
export function WaySection({ plan, onChange }: WaySectionProps) {
  const { document } = plan;
  const [choosing, setChoosing] = useState(false);
  const now = FAMILIES.find(({ id }) => id === document.construction.family);
  return (
    <Section title="Way of building">
      <button
        type="button"
        aria-expanded={choosing}
        onClick={() => setChoosing(!choosing)}
        className="flex items-center gap-3 rounded-sm border border-line px-2 py-1.5 text-left hover:border-kingfisher"
      >
        {now && <FamilyIcon drawing={now.drawing} />}
        <span className="min-w-0 grow">
          <span className="block font-semibold">{plan.familyName}</span>
          <span className="block text-xs text-kingfisher">{choosing ? 'Keep this way' : 'Another way'}</span>
        </span>
        <ChevronDown size={16} className={`shrink-0 text-soft ${choosing ? 'rotate-180' : ''}`} />
      </button>
      {choosing && (
        <Cards
          label="Way of building"
          className="grid-cols-2"
          value={document.construction.family}
          onChange={(family) => {
            const refusal = onChange(beginConstruction(document, family));
            if (refusal === undefined) setChoosing(false);
            return refusal;
          }}
          options={FAMILIES.filter(({ ofMotifs }) => !ofMotifs || document.motifs.length > 0).map(
            ({ id, name, about, drawing }) => ({
              value: id,
              title: about,
              content: (
                <span className="flex flex-col items-center gap-1 text-center font-medium">
                  <FamilyIcon drawing={drawing} />
                  {name}
                </span>
              ),
            }),
          )}
        />
      )}
      <p className="text-xs text-soft">{now?.about}</p>
    </Section>
  );
}
