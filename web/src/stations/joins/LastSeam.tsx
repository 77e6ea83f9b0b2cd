import {
  type BagDocument,
  boundsOf,
  endWord,
  joinMethod,
  joinsSchema,
  mm,
  type Plan,
  runEnds,
} from '@fennot/core';
import { ArrowLeftRight } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

/** A needle's yarn to begin with, mm. */
const USUAL_LONGEST = 1500;

interface LastSeamProps {
  readonly plan: Plan;
  readonly set: (fields: Partial<BagDocument['joins']>) => Outcome;
}

/** Which seam is kept for the end and where its yarn comes out, and how long a needle's yarn may be. */
export function LastSeam({ plan, set }: LastSeamProps) {
  const { joins } = plan.document;
  const { last, longest } = joins;
  const closing = plan.lines.filter(({ kind }) => kind === 'closing');
  const run = plan.joins.runs.at(-1);
  const ends = last && run && runEnds(plan, run);
  const needle = plan.joins.runs.some(({ how }) => joinMethod(how.method).tool === 'needle');
  return (
    <Section title="The end of it">
      {closing.length > 0 && (
        <Choice
          label="Seam kept for last"
          value={last && closing.some(({ line }) => line === last.line) ? last.line : 'none'}
          options={[
            { value: 'none', label: 'whichever comes last' },
            ...closing.map(({ line, name }) => ({ value: line, label: name })),
          ]}
          hint="where its yarn comes out, it can go straight on into a button loop or a strap"
          onChange={(line) => set({ last: line === 'none' ? undefined : { line, end: 'second' } })}
        />
      )}
      {last && ends && (
        <p className="flex items-center justify-between gap-2 text-sm" data-testid="last-end">
          <span>
            Its yarn comes out at the <b>{endWord(ends)}</b> end.
          </span>
          <Button
            small
            onClick={() => set({ last: { ...last, end: last.end === 'first' ? 'second' : 'first' } })}
          >
            <ArrowLeftRight size={14} /> The other end
          </Button>
        </p>
      )}
      {needle &&
        (longest === undefined ? (
          <Button small className="self-start" onClick={() => set({ longest: USUAL_LONGEST })}>
            Thread no more yarn than ...
          </Button>
        ) : (
          <div className="flex items-end gap-2">
            <LengthField
              label="Longest yarn on the needle"
              value={mm(longest)}
              bounds={boundsOf(joinsSchema.shape.longest.unwrap())}
              onChange={(value) => set({ longest: value })}
            />
            <Button small onClick={() => set({ longest: undefined })}>
              As long as it takes
            </Button>
          </div>
        ))}
    </Section>
  );
}
