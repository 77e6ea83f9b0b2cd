import { type Construction, curesFor, formatLength, type LineMatch, type Plan } from '@fennot/core';
import { useMemo } from 'react';
import { useSettings } from '../../api/queries.ts';
import { Section } from '../../ui/Section.tsx';
import { type Outcome, tell } from '../../ui/tell.ts';

interface CuresProps {
  readonly plan: Plan;
  readonly line: LineMatch;
  readonly onChange: (construction: Construction) => Outcome;
}

/** The cheapest changes that make a line come out, each applied with one press. */
export function Cures({ plan, line, onChange }: CuresProps) {
  const { system } = useSettings();
  const cures = useMemo(() => curesFor(plan.document, line.line), [plan, line.line]);
  if (Math.abs(line.ease.percent) <= 2) return null;
  return (
    <Section title="What would cure it">
      {cures.length === 0 && (
        <p className="text-sm text-soft">
          No single count a few steps up or down does: change two, or ease it in and let it show.
        </p>
      )}
      <ul className="flex flex-col gap-1.5" aria-label="Cures">
        {cures.map((cure) => (
          <li key={cure.label}>
            <button
              type="button"
              onClick={() => tell(onChange(cure.construction))}
              className="w-full rounded-sm border border-line px-2 py-1.5 text-left text-sm hover:border-kingfisher hover:bg-kingfisher-pale"
            >
              <span className="font-medium">{cure.label}</span>: {cure.from} → <b>{cure.to}</b>
              <span className="block text-xs text-soft">
                then {Math.abs(cure.ease.percent).toFixed(1)} % ease
                {cure.moves.length === 0
                  ? '; the bag keeps its size'
                  : `; ${cure.moves
                      .map(
                        ({ measure, by }) =>
                          `${measure} ${by > 0 ? '+' : '−'}${formatLength(Math.abs(by), system)}`,
                      )
                      .join(', ')}`}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
