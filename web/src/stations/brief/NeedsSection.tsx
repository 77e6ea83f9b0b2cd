import { formatLength, needsOf, needText, wayText } from '@fennot/core';
import { useMemo } from 'react';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

/** What measures that miss their targets would need, and the ways there. */
export function NeedsSection({ plan, store }: StationProps) {
  const { system } = useSettings();
  const needs = useMemo(() => needsOf(plan), [plan]);
  const length = (mm: number) => formatLength(mm, system);
  if (needs.length === 0) return null;
  return (
    <Section title="What the target needs">
      <ul className="flex flex-col gap-2.5" aria-label="What the target needs">
        {needs.map((need) => (
          <li key={need.measure} className="flex flex-col gap-1.5 text-sm">
            {needText(need, length)}
            {need.ways.length > 0 && (
              <span className="flex flex-wrap gap-1.5">
                {need.ways.map((way) =>
                  'document' in way ? (
                    <Button
                      key={way.by}
                      small
                      onClick={() =>
                        store.getState().change((doc) => ({
                          ...doc,
                          construction: way.document.construction,
                          features: way.document.features,
                        }))
                      }
                    >
                      {wayText(way, length)}
                    </Button>
                  ) : (
                    <span key={way.by} className="rounded-sm border border-dashed border-line px-2 py-0.5">
                      {wayText(way, length)}
                    </span>
                  ),
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
    </Section>
  );
}
