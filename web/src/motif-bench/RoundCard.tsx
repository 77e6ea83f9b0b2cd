import {
  BUNCHES,
  boundsOf,
  type MotifRound,
  type RoundInto,
  type RoundStitch,
  roundFields,
  STITCHES,
  stitchName,
  type Terms,
} from '@fennot/core';
import { Trash2 } from 'lucide-react';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { NumberField } from '../ui/fields.tsx';
import { Row } from '../ui/Section.tsx';
import type { Outcome } from '../ui/tell.ts';
import { INTO_NAMES, intoOf } from './into.ts';

const ROUND_STITCHES: readonly RoundStitch[] = [...STITCHES, ...BUNCHES];

const nameOf = (stitch: RoundStitch, terms: Terms): string => {
  const basic = STITCHES.find((one) => one === stitch);
  return basic ? stitchName(basic, terms) : stitch;
};

const HOLDS = [
  { value: 'both', label: 'both loops' },
  { value: 'front', label: 'front loops' },
  { value: 'back', label: 'back loops' },
] as const;

interface RoundCardProps {
  readonly number: number;
  readonly round: MotifRound;
  readonly colour: string;
  /** What it comes to, or why it cannot be worked. */
  readonly says: string;
  readonly wrong: boolean;
  readonly terms: Terms;
  /** Corners of the motif. */
  readonly shape: number;
  /** Whether this round has any, or would have. */
  readonly cornered: boolean;
  readonly onChange: (round: MotifRound) => Outcome;
  readonly onRemove?: (() => Outcome) | undefined;
}

/** One round: its stitch, and how it goes into the round below. */
export function RoundCard(props: RoundCardProps) {
  const { number, round, colour, says, wrong, terms, shape, cornered, onChange, onRemove } = props;
  const kinds = number === 1 ? (['ring'] as const) : (['gaps', 'each', 'arches', 'petals'] as const);
  return (
    <li
      aria-label={`Round ${number}`}
      className={`rounded-md border bg-card p-2 ${wrong ? 'border-loosestrife' : 'border-line'}`}
    >
      <div className="mb-1.5 flex items-center gap-2 text-sm">
        <span className="size-3.5 rounded-full border border-line" style={{ background: colour }} />
        <b>Round {number}</b>
        <span className={`min-w-0 flex-1 ${wrong ? 'text-loosestrife' : 'text-soft'}`}>{says}</span>
        {onRemove && (
          <Button small look="bare" aria-label={`Take round ${number} out`} onClick={onRemove}>
            <Trash2 size={13} />
          </Button>
        )}
      </div>
      <div className="flex flex-col gap-2">
        <Row>
          <Choice
            label="Goes"
            value={round.into.of === 'chain' ? 'ring' : round.into.of}
            options={kinds.map((of) => ({ value: of, label: INTO_NAMES[of] }))}
            onChange={(of) => onChange({ ...round, into: intoOf(of, shape) })}
          />
          {round.into.of !== 'petals' && (
            <Choice
              label="Stitch"
              value={round.stitch}
              options={ROUND_STITCHES.map((stitch) => ({ value: stitch, label: nameOf(stitch, terms) }))}
              onChange={(stitch) => onChange({ ...round, stitch })}
            />
          )}
          {number > 1 && (
            <Choice
              label="Takes"
              value={round.hold}
              options={HOLDS}
              onChange={(hold) => onChange({ ...round, hold })}
            />
          )}
        </Row>
        <IntoFields
          into={round.into}
          number={number}
          shape={shape}
          cornered={cornered}
          terms={terms}
          onChange={(into) => onChange({ ...round, into })}
        />
      </div>
    </li>
  );
}

interface IntoFieldsProps {
  readonly into: RoundInto;
  readonly number: number;
  readonly shape: number;
  readonly cornered: boolean;
  readonly terms: Terms;
  readonly onChange: (into: RoundInto) => Outcome;
}

function IntoFields({ into, number, shape, cornered, terms, onChange }: IntoFieldsProps) {
  const field = (
    label: string,
    key: keyof typeof roundFields,
    value: number,
    change: (value: number) => RoundInto,
  ) => (
    <NumberField
      label={label}
      name={`${label.toLowerCase()} of round ${number}`}
      value={value}
      bounds={boundsOf(roundFields[key])}
      onChange={(next) => onChange(change(next))}
    />
  );
  switch (into.of) {
    case 'ring':
      return (
        <Row>
          {field('Groups', 'groups', into.groups, (groups) => ({ ...into, groups }))}
          {field('Stitches in each', 'each', into.each, (each) => ({ ...into, each }))}
          {field('Chains between', 'between', into.chains, (chains) => ({ ...into, chains }))}
        </Row>
      );
    case 'chain':
      return null;
    case 'gaps':
    case 'each':
      return (
        <>
          <Row>
            {into.of === 'gaps' ? (
              <>
                {field('In each space', 'each', into.each, (each) => ({ ...into, each }))}
                {field('Chains between', 'between', into.chains, (chains) => ({ ...into, chains }))}
              </>
            ) : (
              <>
                {field('In each stitch', 'many', into.many, (many) => ({ ...into, many }))}
                {!cornered && field('More, spread', 'spread', into.spread, (spread) => ({ ...into, spread }))}
              </>
            )}
          </Row>
          {shape > 0 && (
            <Row>
              {cornered && (
                <>
                  {field('Corner stitches', 'corner', into.corner.each, (each) => ({
                    ...into,
                    corner: { ...into.corner, each },
                  }))}
                  {field('Corner chains', 'cornerChains', into.corner.chains, (chains) => ({
                    ...into,
                    corner: { ...into.corner, chains },
                  }))}
                </>
              )}
              <Choice
                label="Corners"
                value={into.turnedInto === undefined ? 'kept' : 'made'}
                options={[
                  { value: 'kept', label: 'over those below' },
                  { value: 'made', label: `made here: ${shape}` },
                ]}
                onChange={(made) => onChange({ ...into, turnedInto: made === 'made' ? shape : undefined })}
              />
            </Row>
          )}
        </>
      );
    case 'arches':
      return (
        <Row>
          {field('Chains of an arch', 'arch', into.chains, (chains) => ({ ...into, chains }))}
          {field('One over so many', 'over', into.over, (over) => ({ ...into, over }))}
        </Row>
      );
    case 'petals':
      return (
        <>
          <Row>
            <Choice
              label="A petal in"
              value={into.in}
              options={[
                { value: 'spaces', label: 'each space' },
                { value: 'stitches', label: 'a stitch' },
              ]}
              onChange={(place) => onChange({ ...into, in: place })}
            />
            {into.in === 'stitches' &&
              field('One over so many', 'over', into.over, (over) => ({ ...into, over }))}
            <NumberField
              label="Stitches of a petal"
              name={`stitches of a petal of round ${number}`}
              value={into.petal.length}
              bounds={{ min: 1, max: 12, whole: true }}
              onChange={(many) => onChange({ ...into, petal: petalOf(many) })}
            />
          </Row>
          <p className="text-xs text-soft">
            {into.petal.map((stitch) => nameOf(stitch, terms)).join(', ')}; what comes next is worked behind
            them.
          </p>
        </>
      );
  }
}

/** A petal of so many stitches: low at its edges, the tallest in its middle. */
export function petalOf(many: number): RoundStitch[] {
  return Array.from({ length: many }, (_, k) => {
    const step = Math.min(k, many - 1 - k);
    // One of few begins with mid stitches: a low one would pull it in.
    return STITCHES[Math.min(STITCHES.length - 1, step + (many < 5 ? 1 : 0))] ?? 'tall';
  });
}
