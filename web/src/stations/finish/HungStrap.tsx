import { boundsOf, hungSchema, mm, type StrapPlan, type Straps } from '@fennot/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/fields.tsx';
import { Row } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

type Hung = NonNullable<Straps['hung']>;

interface HungStrapProps {
  readonly straps: Straps;
  readonly own: StrapPlan;
  readonly onChange: (hung: Straps['hung']) => Outcome;
}

/** The maker's own stretch: a finished strap before and after it hung with a load. */
export function HungStrap({ straps: { hung }, own, onChange }: HungStrapProps) {
  if (!hung)
    return (
      <p className="text-xs text-soft">
        How far it stretches is a guess from stitch and fibre.{' '}
        <Button
          small
          onClick={() => onChange({ before: Math.round(own.worked), after: Math.round(own.hanging) })}
        >
          I hung a finished strap
        </Button>
      </p>
    );
  return (
    <div className="flex flex-col gap-1">
      <Lengths hung={hung} onChange={onChange} />
      <Button look="bare" small className="self-start" onClick={() => onChange(undefined)}>
        Go back to the guess
      </Button>
    </div>
  );
}

/** Why two lengths are no stretch; nothing when they are. */
const troubleOf = (hung: Hung): string | undefined => hungSchema.safeParse(hung).error?.issues[0]?.message;

/** Both lengths can be typed in any order; they count as soon as they go together. */
function Lengths({ hung, onChange }: { readonly hung: Hung; readonly onChange: (hung: Hung) => Outcome }) {
  const [typed, setTyped] = useState(hung);
  // What goes together is kept in the bag, and undo may change it there.
  const shown = troubleOf(typed) ? typed : hung;
  const put = (fields: Partial<Hung>) => {
    const next = { ...shown, ...fields };
    setTyped(next);
    return troubleOf(next) ? undefined : onChange(next);
  };
  const trouble = troubleOf(shown);
  return (
    <>
      <Row>
        <LengthField
          label="Before it hung"
          value={mm(shown.before)}
          bounds={boundsOf(hungSchema.shape.before)}
          onChange={(before) => put({ before })}
        />
        <LengthField
          label="After, loaded"
          value={mm(shown.after)}
          bounds={boundsOf(hungSchema.shape.after)}
          onChange={(after) => put({ after })}
        />
      </Row>
      {trouble && (
        <p role="alert" className="text-xs text-loosestrife">
          {trouble}
        </p>
      )}
    </>
  );
}
