import { type Found, type Plan, viewOf } from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { Button } from '../../ui/Button.tsx';
import type { Outcome } from '../../ui/tell.ts';
import { answerPlan, factsOf, givesText, keyOf } from './answer-facts.ts';

interface CompareProps {
  readonly plan: Plan;
  readonly kept: readonly Found[];
  readonly onPick: (found: Found) => Outcome;
}

/** Two or three answers beside one another, line by line. */
export function Compare({ plan: { document }, kept, onPick }: CompareProps) {
  const { system } = useSettings();
  const columns = kept.flatMap((found) => {
    const answer = answerPlan(document, found);
    return answer ? [{ found, answer, facts: factsOf(answer, found, system) }] : [];
  });
  const labels = [...new Set(columns.flatMap(({ facts }) => facts.map(({ label }) => label)))];
  return (
    <table className="w-full table-fixed border-collapse text-sm">
      <thead>
        <tr>
          <td className="w-24" />
          {columns.map(({ found, answer }) => (
            <th key={keyOf(found)} scope="col" className="p-1.5 text-left font-semibold">
              <MadeUpPicture
                straps={false}
                plan={answer}
                view={viewOf(found.size.depth)}
                label={`${answer.familyName}, made up`}
                className="mb-1 h-40 w-full rounded-sm bg-table p-1.5"
              />
              {answer.familyName}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {labels.map((label) => (
          <tr key={label} className="border-t border-line align-top">
            <th scope="row" className="py-1 pr-2 text-left font-medium text-soft first-letter:uppercase">
              {label}
            </th>
            {columns.map(({ found, facts }) => (
              <td key={keyOf(found)} className="px-1.5 py-1 tabular-nums">
                {facts.find((fact) => fact.label === label)?.text ?? '–'}
              </td>
            ))}
          </tr>
        ))}
        <tr className="border-t border-line align-top">
          <th scope="row" className="py-1 pr-2 text-left font-medium text-soft">
            Target
          </th>
          {columns.map(({ found }) => {
            const gives = givesText(document, found, system);
            return (
              <td
                key={keyOf(found)}
                className={`px-1.5 py-1 font-semibold ${gives.length === 0 ? 'text-reed' : 'text-loosestrife'}`}
              >
                {gives.length === 0 ? '✓ reaches' : `✗ ${gives.join('; ')}`}
              </td>
            );
          })}
        </tr>
        <tr>
          <td />
          {columns.map(({ found, answer }) => (
            <td key={keyOf(found)} className="p-1.5">
              <Button
                look="main"
                small
                onClick={() => onPick(found)}
                aria-label={`Take the ${answer.familyName}`}
              >
                Put on the table
              </Button>
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}
