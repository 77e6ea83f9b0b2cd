import {
  boundsOf,
  type Closure,
  type ClosurePlan,
  closures,
  type FinishPlan,
  formatLength,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { FinishProps } from './finish-props.ts';

const FIRST: Record<Closure['of'], Closure> = {
  button: { of: 'button', diameter: 25, many: 1 },
  holes: { of: 'holes', diameter: 20, many: 3 },
  zip: { of: 'zip' },
  magnet: { of: 'magnet' },
  toggle: { of: 'toggle', length: 40 },
  eyelets: { of: 'eyelets', perFace: 4 },
};

const NAMES: Record<Closure['of'], string> = {
  button: 'Button and loop',
  holes: 'Buttons and holes',
  zip: 'Zip',
  magnet: 'Magnet',
  toggle: 'Toggle and loop',
  eyelets: 'Metal eyelets',
};

interface ClosureSectionProps extends FinishProps {
  readonly closure: ClosurePlan | undefined;
  readonly cord: FinishPlan['cord'];
  readonly flap: FinishPlan['flap'];
}

/** What closes the bag, with its arithmetic. */
export function ClosureSection({ finish, set, closure: own, cord, flap }: ClosureSectionProps) {
  const { system } = useSettings();
  const { closure } = finish;
  const kinds: readonly Closure['of'][] = ['button', 'holes', 'zip', 'magnet', 'toggle', 'eyelets'];
  return (
    <Section title="Closure">
      <Choice
        label="Closed by"
        value={closure?.of ?? 'none'}
        options={[
          { value: 'none', label: cord ? 'Its drawstring only' : 'Nothing' },
          ...kinds.map((kind) => ({ value: kind, label: NAMES[kind] })),
        ]}
        onChange={(kind) => set({ closure: kind === 'none' ? undefined : FIRST[kind] })}
      />
      {own && (
        <p className="text-sm" data-testid="closure-plan">
          {closureText(own, (length) => formatLength(length, system))}
        </p>
      )}
      {(closure?.of === 'button' || closure?.of === 'holes') && (
        <Row>
          <NumberField
            label="Button across, mm"
            name="diameter"
            value={closure.diameter}
            bounds={boundsOf(closures.button.shape.diameter)}
            onChange={(diameter) => set({ closure: { ...closure, diameter } })}
          />
          <NumberField
            label="Buttons"
            name="buttons"
            value={closure.many}
            bounds={boundsOf(closures.button.shape.many)}
            onChange={(many) => set({ closure: { ...closure, many } })}
          />
        </Row>
      )}
      {closure?.of === 'toggle' && (
        <NumberField
          label="Toggle long, mm"
          name="toggle"
          value={closure.length}
          bounds={boundsOf(closures.toggle.shape.length)}
          onChange={(length) => set({ closure: { ...closure, length } })}
        />
      )}
      {closure?.of === 'eyelets' && (
        <NumberField
          label="Eyelets on each face"
          name="eyelets on each face"
          value={closure.perFace}
          bounds={boundsOf(closures.eyelets.shape.perFace)}
          onChange={(perFace) => set({ closure: { ...closure, perFace } })}
        />
      )}
      {flap && (
        <p className="text-sm" data-testid="flap-plan">
          The flap comes {formatLength(flap.reach, system)} down the front, {Math.round(100 * flap.share)} %
          of its height.{' '}
          {Math.abs(flap.left - flap.right) <= 1
            ? `In the middle: ${flap.left} loops of the back's rim stay free on its left, ${flap.right} on its right.`
            : `Off the middle: ${flap.left} loops of the back's rim stay free on its left, but ${flap.right} on its right.`}
          {closure?.of === 'button' || closure?.of === 'magnet' || closure?.of === 'toggle'
            ? ` What closes it sits on its middle and ${formatLength(Math.max(0, flap.reach - 20), system)} below the rim in front.`
            : ''}
        </p>
      )}
      {cord && (
        <p className="text-sm" data-testid="cord-plan">
          Drawstring: {cord.gaps.length} eyelets, each a chain and a skip, after {cord.gaps.join(', ')}{' '}
          stitches of the edge in turn. Cord {formatLength(cord.length, system)}, ends to pull included.
        </p>
      )}
    </Section>
  );
}

function closureText(own: ClosurePlan, length: (mm: number) => string): string {
  const after = (places: readonly number[]) => places.join(', ');
  switch (own.of) {
    case 'zip':
      return own.length === undefined
        ? 'No zip is sold as long as this mouth: take one by the metre.'
        : `A zip of ${length(own.length)}, the next at or above half of the way round.`;
    case 'button':
      return `A loop of ${own.chains} chains: it reaches over the full bag and passes the button. Of ${own.loops} loops in front, after ${after(own.places)}, counted from either side alike.`;
    case 'holes':
      return `Each hole: chain ${own.skip}, skip ${own.skip}; in the next round a stitch for each chain. Of ${own.loops} loops in front, begin them after ${after(own.places)}; the buttons sit behind at the same counts.`;
    case 'toggle':
      return `A loop of ${own.chains} chains passes the toggle lengthwise. Of ${own.loops} loops in front, after ${after(own.places)}.`;
    case 'magnet':
      return `In the middle: of ${own.loops} loops in front, after ${after(own.places)}, and the same behind.`;
    case 'eyelets':
      return `A chain and a skip for each hole: in front after ${after(own.front)}, behind after ${after(own.back)}. ${own.agree ? 'Both faces agree.' : 'The faces do not agree: even their counts out in the edge round.'}`;
  }
}
