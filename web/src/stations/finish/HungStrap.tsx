import { mm, type StrapPlan, type Straps } from '@fennot/core';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/fields.tsx';
import { Row } from '../../ui/Section.tsx';

interface HungStrapProps {
  readonly straps: Straps;
  readonly own: StrapPlan;
  readonly onChange: (hung: Straps['hung']) => void;
}

/** The maker's own stretch: a finished strap before and after it hung with a load. */
export function HungStrap({ straps: { hung }, own, onChange }: HungStrapProps) {
  if (!hung)
    return (
      <p className="text-xs text-soft">
        How far it stretches is a guess from stitch and fibre.{' '}
        <Button
          look="bare"
          small
          onClick={() => onChange({ before: Math.round(own.worked), after: Math.round(own.hanging) })}
        >
          I hung a finished strap
        </Button>
      </p>
    );
  const { before, after } = hung;
  return (
    <div className="flex flex-col gap-1">
      <Row>
        <LengthField
          label="Before it hung"
          value={mm(before)}
          least={Math.max(20, after / 1.6)}
          max={after}
          onChange={(value) => onChange({ ...hung, before: value })}
        />
        <LengthField
          label="After, loaded"
          value={mm(after)}
          least={before}
          max={1.6 * before}
          onChange={(value) => onChange({ ...hung, after: value })}
        />
      </Row>
      <Button look="bare" small className="self-start" onClick={() => onChange(undefined)}>
        Go back to the guess
      </Button>
    </div>
  );
}
