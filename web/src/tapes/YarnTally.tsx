import { type Plan, reachText, wholeYarn, yarnOf } from '@fennot/core';
import { useSettings } from '../api/queries.ts';
import { readable } from '../drawing/shade.ts';
import { REACH_MARKS } from '../enough/ReachMark.tsx';
import { useEnough } from '../enough/use-enough.ts';

/** Yarn of the whole bag, and each colour with whether it reaches: what is short is named. */
export function YarnTally({ plan }: { readonly plan: Plan }) {
  const { system } = useSettings();
  const { all } = useEnough(plan);
  const aside = all.filter(({ is }) => is !== 'unsaid');
  const short = all.filter(({ is }) => is === 'short');
  return (
    <>
      <span className="inline-flex flex-wrap items-center gap-x-2">
        {wholeYarn(plan.tally.effort.yarn, system)}
        {aside.length > 0 && (
          <ul aria-label="Whether each colour reaches" className="inline-flex max-w-44 flex-wrap gap-0.5">
            {aside.map((own) => {
              const { colour, colourName } = yarnOf(plan.document, own.yarn);
              const says = `${colourName}: ${reachText(own, system)}`;
              return (
                <li
                  key={own.yarn}
                  title={says}
                  className={`inline-flex size-4 items-center justify-center rounded-full border text-[10px] leading-none font-bold ${
                    own.is === 'short' ? 'border-loosestrife' : 'border-ink/30'
                  }`}
                  style={{ background: colour, color: readable(colour) }}
                >
                  <span aria-hidden>{REACH_MARKS[own.is].mark}</span>
                  <span className="sr-only">{says}</span>
                </li>
              );
            })}
          </ul>
        )}
      </span>
      {short.map(({ yarn, left }) => (
        <span key={yarn} className="block text-xs text-loosestrife">
          {yarnOf(plan.document, yarn).colourName} {wholeYarn(-left, system)} short
        </span>
      ))}
    </>
  );
}
