import {
  boundsOf,
  type Closure,
  type ClosurePlan,
  closures,
  type FacePlaces,
  type FinishPlan,
  type FlapPlaces,
  formatLength,
  type Over,
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
  // The loop of a flap reaches over nothing.
  const over = own && 'over' in own ? own.over : undefined;
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
      {(closure?.of === 'button' || closure?.of === 'toggle') && over && (
        <NumberField
          label="Full bag thick at its rim, mm"
          name="thickness of the full bag"
          value={closure.over ?? Math.round(over.length)}
          bounds={boundsOf(closures.button.shape.over.unwrap())}
          onChange={(over) => set({ closure: { ...closure, over } })}
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
        </p>
      )}
      {cord && (
        <p className="text-sm" data-testid="cord-plan">
          {cord.places.length === 0
            ? `Drawstring: ${cord.stitches} stitches round the mouth are too few for so many eyelets.`
            : `Drawstring: in a round of ${cord.stitches} stitches from the left end of the front on, work ${cord.places[0]}, then ${cord.gaps.length} eyelets (chain 1, skip 1) with ${eachOf(cord.gaps)} stitches between them.`}{' '}
          Cord {formatLength(cord.length, system)}, ends to pull included.
        </p>
      )}
    </Section>
  );
}

/** Counts in turn: said once where they are all the same. */
const eachOf = (counts: readonly number[]): string =>
  counts.every((count) => count === counts[0]) ? `${counts[0]}` : counts.join(', ');

type Said = (mm: number) => string;

/** Where things stand: along both faces, the same counts said once; or along the flap's edge, and under it. */
function placesText(places: FacePlaces | FlapPlaces, inFront: string, behind: string, length: Said): string {
  const after = (list: readonly number[]) =>
    list.length === 0 ? 'no room for so many' : `after ${list.join(', ')}`;
  if (places.on === 'flap') {
    const along = places.at === 'edge' ? 'along the flap’s lowest edge' : 'round the flap, down to its point';
    return `Of ${places.stitches} stitches ${along}, ${after(places.after)}: ${behind}. Straight under, ${length(places.below)} below the rim: ${inFront}.`;
  }
  const { front, back, stitches, agree } = places;
  return agree && front.join() === back.join()
    ? `Of ${stitches.front} stitches on each face, ${after(front)}: ${inFront} in front, and ${behind} behind at the same counts, alike from either side.`
    : `In front, of ${stitches.front} stitches ${after(front)}: ${inFront}; behind, of ${stitches.back} ${after(back)}: ${behind}.${
        agree ? '' : ' The faces differ: even them out in the edge round.'
      }`;
}

const OVER: Record<Over['from'], string> = {
  maker: 'as you say',
  contents: 'with what it holds',
  depth: 'as it is deep',
  guess: 'a guess until its contents are told under Brief, or you say it here',
};

/** How far a loop reaches, and past what. */
const loopText = (over: Over | undefined, past: string, length: Said): string =>
  over
    ? `it reaches over the full bag, ${length(over.length)} thick at its rim (${OVER[over.from]}), and passes ${past}`
    : `it hangs from the flap and passes ${past}`;

function closureText(own: ClosurePlan, length: Said): string {
  switch (own.of) {
    case 'zip':
      return own.length === undefined
        ? 'No zip is sold as long as this mouth: take one by the metre.'
        : `A zip of ${length(own.length)}, the next at or above half of the way round.`;
    case 'button':
      return `A loop of ${own.chains} chains: ${loopText(own.over, 'the button', length)}. ${placesText(own.places, 'buttons', 'loops', length)}`;
    case 'holes':
      // On a flap the holes are in its own edge; round a mouth they are in front.
      return `Each hole: chain ${own.skip}, skip ${own.skip}; in the next round a stitch for each chain. ${
        own.places.on === 'flap'
          ? placesText(own.places, 'sew the buttons on', 'begin the holes', length)
          : placesText(own.places, 'begin the holes', 'sew the buttons on', length)
      }`;
    case 'toggle':
      return `A loop of ${own.chains} chains: ${loopText(own.over, 'the toggle lengthwise', length)}. ${placesText(own.places, 'the toggle', 'its loop', length)}`;
    case 'magnet':
      return `In the middle. ${placesText(own.places, 'one half', 'the other', length)}`;
    case 'eyelets':
      return `A chain and a skip for each hole. ${placesText(own.places, 'holes', 'holes', length)}`;
  }
}
