import {
  boundsOf,
  type Carried,
  dropTo,
  formatLength,
  type Level,
  mm,
  type Plan,
  type Straps,
  strapsSchema,
  wornSchema,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { wornOf, wornText } from '../../madeup/worn.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/fields.tsx';
import { Row } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

const CARRIED_NAMES: Record<Carried, string> = {
  shoulder: 'Over the shoulder',
  across: 'Across the body',
  elbow: 'In the crook of the arm',
  hand: 'In the hand',
};
const HOLDS: Record<Carried, string> = {
  shoulder: 'shoulder',
  across: 'shoulder',
  elbow: 'crook of the arm',
  hand: 'hand',
};
const CARRIES: readonly Carried[] = ['shoulder', 'across', 'elbow', 'hand'];
const drop = boundsOf(strapsSchema.shape.drop);
const PLACES: readonly Level[] = ['waist', 'hip', 'thigh'];

interface WornFieldsProps {
  readonly plan: Plan;
  readonly straps: Straps;
  readonly onChange: (fields: Partial<Straps>) => Outcome;
}

/** Who carries the bag and how, and what that says about the drop. The picture of it is under Made up, Worn. */
export function WornFields({ plan, straps, onChange }: WornFieldsProps) {
  const { system } = useSettings();
  const { wearer, hung } = wornOf(plan, straps);
  const put = (fields: Partial<typeof wearer>) => onChange({ worn: { ...wearer, ...fields } });
  return (
    <>
      <Choice
        label="Carried"
        value={wearer.carried}
        options={CARRIES.map((value) => ({ value, label: CARRIED_NAMES[value] }))}
        // Another place has another height above the ground.
        onChange={(carried) => put({ carried, from: undefined })}
      />
      <Row>
        <LengthField
          label="By someone of"
          value={mm(wearer.stature)}
          bounds={boundsOf(wornSchema.shape.stature)}
          onChange={(stature) => put({ stature })}
        />
        <LengthField
          label={`${HOLDS[wearer.carried].charAt(0).toUpperCase()}${HOLDS[wearer.carried].slice(1)} above ground`}
          value={wearer.from === undefined ? undefined : mm(wearer.from)}
          placeholder={formatLength(hung.holds.y, system)}
          bounds={boundsOf(wornSchema.shape.from.unwrap())}
          onClear={() => put({ from: undefined })}
          onChange={(from) => put({ from })}
        />
      </Row>
      <p className="text-sm" data-testid="worn-plan">
        {wornText(hung)}
      </p>
      <p className="flex flex-wrap items-center gap-1 text-xs text-soft">
        Rim at the
        {PLACES.map((level) => {
          const wanted = dropTo(wearer, level);
          return wanted === undefined || wanted < drop.min || wanted > drop.max ? null : (
            <Button
              key={level}
              small
              onClick={() => onChange({ worn: wearer, drop: 5 * Math.round(wanted / 5) })}
            >
              {level}: {formatLength(mm(5 * Math.round(wanted / 5)), system)}
            </Button>
          );
        })}
      </p>
      <p className="text-xs text-soft">
        Usual proportions, as a start: a tape held on the shoulder says better. A crocheted strap has no
        rating: hang a test load first.
      </p>
    </>
  );
}
