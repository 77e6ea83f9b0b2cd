import {
  boundsOf,
  CORNERS,
  isHalf,
  type MotifKind,
  type RoundInto,
  type RoundStitch,
  roundFields,
  roundWordsSchema,
  STITCHES,
  type Terms,
  wordsIn,
} from '@fennot/core';
import { Choice } from '../ui/Choice.tsx';
import { NumberField, WordsField } from '../ui/fields.tsx';
import { Row } from '../ui/Section.tsx';
import type { Outcome } from '../ui/tell.ts';
import { nameOfStitch } from './stitch-name.ts';

interface IntoFieldsProps<I extends RoundInto = RoundInto> {
  readonly into: I;
  readonly number: number;
  readonly kind: MotifKind;
  /** Whether this round has corners, or would have. */
  readonly cornered: boolean;
  readonly terms: Terms;
  readonly onChange: (into: RoundInto) => Outcome;
}

type Of<K extends RoundInto['of']> = IntoFieldsProps<Extract<RoundInto, { of: K }>>;

/** What is set of how a round goes into the one below. */
export function IntoFields(props: IntoFieldsProps) {
  const { into } = props;
  switch (into.of) {
    case 'ring':
      return <RingFields {...props} into={into} />;
    case 'chain':
      return <ChainFields {...props} into={into} />;
    case 'gaps':
      return <GapsFields {...props} into={into} />;
    case 'each':
      return <EachFields {...props} into={into} />;
    case 'arches':
      return <ArchesFields {...props} into={into} />;
    case 'petals':
      return <PetalFields {...props} into={into} />;
    case 'written':
      return <WrittenFields {...props} into={into} />;
  }
}

interface CountProps {
  readonly label: string;
  readonly of: keyof typeof roundFields;
  readonly number: number;
  readonly value: number;
  readonly onChange: (value: number) => Outcome;
}

/** One count of a round. */
const Count = ({ label, of, number, value, onChange }: CountProps) => (
  <NumberField
    label={label}
    name={`${label.toLowerCase()} of round ${number}`}
    value={value}
    bounds={boundsOf(roundFields[of])}
    onChange={onChange}
  />
);

function RingFields({ into, number, onChange }: Of<'ring'>) {
  const { groups, each, chains } = into;
  const own = { number };
  return (
    <Row>
      <Count
        {...own}
        label="Groups"
        of="groups"
        value={groups}
        onChange={(groups) => onChange({ ...into, groups })}
      />
      <Count
        {...own}
        label="Stitches in each"
        of="each"
        value={each}
        onChange={(each) => onChange({ ...into, each })}
      />
      <Count
        {...own}
        label="Chains between"
        of="between"
        value={chains}
        onChange={(chains) => onChange({ ...into, chains })}
      />
    </Row>
  );
}

function ChainFields({ into, number, onChange }: Of<'chain'>) {
  const { each, long, chains } = into;
  const own = { number };
  return (
    <Row>
      <Count
        {...own}
        label="A short side"
        of="each"
        value={each}
        onChange={(each) => onChange({ ...into, each })}
      />
      <Count
        {...own}
        label="A long one, more"
        of="long"
        value={long}
        onChange={(long) => onChange({ ...into, long })}
      />
      <Count
        {...own}
        label="Corner chains"
        of="between"
        value={chains}
        onChange={(chains) => onChange({ ...into, chains })}
      />
    </Row>
  );
}

function GapsFields(props: Of<'gaps'>) {
  const { into, number, onChange } = props;
  const own = { number };
  return (
    <>
      <Row>
        <Count
          {...own}
          label="In each space"
          of="each"
          value={into.each}
          onChange={(each) => onChange({ ...into, each })}
        />
        <Count
          {...own}
          label="Chains between"
          of="between"
          value={into.chains}
          onChange={(chains) => onChange({ ...into, chains })}
        />
      </Row>
      <Row>
        <CornerFields {...props} />
      </Row>
    </>
  );
}

function EachFields(props: Of<'each'>) {
  const { into, number, kind, cornered, onChange } = props;
  const own = { number };
  return (
    <Row>
      <Count
        {...own}
        label="In each stitch"
        of="many"
        value={into.many}
        onChange={(many) => onChange({ ...into, many })}
      />
      {!cornered && (
        <Count
          {...own}
          label="More, spread"
          of="spread"
          value={into.spread}
          onChange={(spread) => onChange({ ...into, spread })}
        />
      )}
      {cornered && isHalf(kind) && (
        <Count
          {...own}
          label="More at either end"
          of="ends"
          value={into.ends ?? 0}
          onChange={(ends) => onChange({ ...into, ends })}
        />
      )}
      <CornerFields {...props} />
    </Row>
  );
}

/** Shapes whose corners can be made of a circle: those whose sides are alike. */
const turnable = (kind: MotifKind) => kind === 'solid' || kind === 'hexagon';

function CornerFields({ into, number, kind, cornered, onChange }: Of<'gaps' | 'each'>) {
  const shape = CORNERS[kind];
  if (shape === 0) return null;
  const own = { number };
  const { corner } = into;
  return (
    <>
      {cornered && (
        <>
          <Count
            {...own}
            label="Corner stitches"
            of="corner"
            value={corner.each}
            onChange={(each) => onChange({ ...into, corner: { ...corner, each } })}
          />
          <Count
            {...own}
            label="Corner chains"
            of="cornerChains"
            value={corner.chains}
            onChange={(chains) => onChange({ ...into, corner: { ...corner, chains } })}
          />
        </>
      )}
      {turnable(kind) && (
        <Choice
          label="Corners"
          value={into.turnedInto === undefined ? 'kept' : 'made'}
          options={[
            { value: 'kept', label: 'over those below' },
            { value: 'made', label: `made here: ${shape}` },
          ]}
          onChange={(made) => onChange({ ...into, turnedInto: made === 'made' ? shape : undefined })}
        />
      )}
    </>
  );
}

function ArchesFields({ into, number, onChange }: Of<'arches'>) {
  const own = { number };
  return (
    <Row>
      <Count
        {...own}
        label="Chains of an arch"
        of="arch"
        value={into.chains}
        onChange={(chains) => onChange({ ...into, chains })}
      />
      <Count
        {...own}
        label="One over so many"
        of="over"
        value={into.over}
        onChange={(over) => onChange({ ...into, over })}
      />
    </Row>
  );
}

function PetalFields({ into, number, terms, onChange }: Of<'petals'>) {
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
        {into.in === 'stitches' && (
          <Count
            number={number}
            label="One over so many"
            of="over"
            value={into.over}
            onChange={(over) => onChange({ ...into, over })}
          />
        )}
        <NumberField
          label="Stitches of a petal"
          name={`stitches of a petal of round ${number}`}
          value={into.petal.length}
          bounds={{ min: 1, max: 12, whole: true }}
          onChange={(many) => onChange({ ...into, petal: petalOf(many) })}
        />
      </Row>
      <p className="text-xs text-soft">
        {into.petal.map((stitch) => nameOfStitch(stitch, terms)).join(', ')}; what comes next is worked behind
        them.
      </p>
    </>
  );
}

/** A petal of so many stitches: low at its edges, the tallest in its middle. */
export function petalOf(many: number): RoundStitch[] {
  return Array.from({ length: many }, (_, k) => {
    const step = Math.min(k, many - 1 - k);
    // One of few begins with mid stitches: a low one would pull it in.
    return STITCHES[Math.min(STITCHES.length - 1, step + (many < 5 ? 1 : 0))] ?? 'tall';
  });
}

function WrittenFields({ into, terms, onChange }: Of<'written'>) {
  return (
    <>
      <WordsField
        label="Words"
        value={wordsIn(into.words, into.terms, terms)}
        schema={roundWordsSchema}
        grows
        onChange={(words) => onChange({ of: 'written', words, terms })}
      />
      <p className="text-xs text-soft">
        As on the Row bench: (sc, ch 2, skip 1) x8. What is worked into a corner is a corner again.
      </p>
    </>
  );
}
