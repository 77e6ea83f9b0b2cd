import { boundsOf, byHoles, formatLength, type StrapPlan, type Straps } from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Row } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

interface AdjustFieldsProps {
  readonly straps: Straps;
  readonly own: StrapPlan;
  readonly onChange: (adjust: Straps['adjust']) => Outcome;
}

/** Whether the finished strap can be made longer and shorter, and what it can be set to. */
export function AdjustFields({ straps: { adjust }, own, onChange }: AdjustFieldsProps) {
  const { system } = useSettings();
  const drops = own.adjust?.drops.map((drop) => formatLength(drop, system)) ?? [];
  return (
    <>
      <Choice
        label="Its length"
        value={adjust?.by ?? 'fixed'}
        options={[
          { value: 'fixed', label: 'Stays as it is' },
          { value: 'holes', label: 'Button and holes, in two parts' },
          { value: 'slide', label: 'Runs through a slide' },
        ]}
        onChange={(by) =>
          onChange(by === 'fixed' ? undefined : by === 'slide' ? { by } : { by, holes: 4, apart: 6 })
        }
      />
      {adjust?.by === 'holes' && (
        <Row>
          <NumberField
            label="Holes"
            name="holes"
            value={adjust.holes}
            bounds={boundsOf(byHoles.shape.holes)}
            onChange={(holes) => onChange({ ...adjust, holes })}
          />
          <NumberField
            label={`From hole to hole, ${own.counts}`}
            name="from hole to hole"
            value={adjust.apart}
            bounds={boundsOf(byHoles.shape.apart)}
            onChange={(apart) => onChange({ ...adjust, apart })}
          />
        </Row>
      )}
      {own.adjust && (
        <p className="text-sm" data-testid="adjust-plan">
          {adjust?.by === 'slide'
            ? `Work ${own.adjust.more} ${own.counts} more, which lie doubled at the slide. The drop goes from ${drops[0]} down to ${drops[1]}.`
            : `Work ${own.adjust.more} ${own.counts} more. Holes after ${own.adjust.holes.join(', ')} ${own.counts} from the end, for drops of ${drops.join(', ')}.${
                adjust && own.adjust.holes.length < adjust.holes ? ' Further holes would leave no drop.' : ''
              }`}
        </p>
      )}
    </>
  );
}
