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

/** Names of the counts of a way. */
type CountOf<I> = { [K in keyof I]-?: I[K] extends number | undefined ? K : never }[keyof I];

interface CountsProps<I extends RoundInto> {
  readonly into: I;
  readonly number: number;
  /** Which counts are shown: each by its name, what it is called, and which bounds it has. */
  readonly shown: ReadonlyArray<readonly [key: CountOf<I>, label: string, bounds: keyof typeof roundFields]>;
  readonly onChange: (into: I) => Outcome;
}

/** Counts of a way, each a field. */
function Counts<I extends RoundInto>({ into, number, shown, onChange }: CountsProps<I>) {
  return shown.map(([key, label, bounds]) => {
    const value = into[key];
    return (
      <NumberField
        key={label}
        label={label}
        name={`${label.toLowerCase()} of round ${number}`}
        value={typeof value === 'number' ? value : 0}
        bounds={boundsOf(roundFields[bounds])}
        onChange={(next) => onChange({ ...into, [key]: next })}
      />
    );
  });
}

const RingFields = (props: Of<'ring'>) => (
  <Row>
    <Counts
      {...props}
      shown={[
        ['groups', 'Groups', 'groups'],
        ['each', 'Stitches in each', 'each'],
        ['chains', 'Chains between', 'between'],
      ]}
    />
  </Row>
);

const ChainFields = (props: Of<'chain'>) => (
  <Row>
    <Counts
      {...props}
      shown={[
        ['each', 'A short side', 'each'],
        ['long', 'A long one, more', 'long'],
        ['chains', 'Corner chains', 'between'],
      ]}
    />
  </Row>
);

const GapsFields = (props: Of<'gaps'>) => (
  <>
    <Row>
      <Counts
        {...props}
        shown={[
          ['each', 'In each space', 'each'],
          ['chains', 'Chains between', 'between'],
        ]}
      />
    </Row>
    <Row>
      <CornerFields {...props} />
    </Row>
  </>
);

function EachFields(props: Of<'each'>) {
  const { kind, cornered } = props;
  return (
    <Row>
      <Counts
        {...props}
        shown={[
          ['many', 'In each stitch', 'many'],
          ...(cornered ? [] : [['spread', 'More, spread', 'spread'] as const]),
          ...(cornered && isHalf(kind) ? [['ends', 'More at either end', 'ends'] as const] : []),
        ]}
      />
      <CornerFields {...props} />
    </Row>
  );
}

/** Shapes whose corners can be made of a circle: those whose sides are alike. */
const turnable = (kind: MotifKind) => kind === 'solid' || kind === 'hexagon';

function CornerFields({ into, number, kind, cornered, onChange }: Of<'gaps' | 'each'>) {
  const shape = CORNERS[kind];
  if (shape === 0) return null;
  const { corner } = into;
  const field = (key: keyof typeof corner, label: string, bounds: 'corner' | 'cornerChains') => (
    <NumberField
      label={label}
      name={`${label.toLowerCase()} of round ${number}`}
      value={corner[key]}
      bounds={boundsOf(roundFields[bounds])}
      onChange={(next) => onChange({ ...into, corner: { ...corner, [key]: next } })}
    />
  );
  return (
    <>
      {cornered && field('each', 'Corner stitches', 'corner')}
      {cornered && field('chains', 'Corner chains', 'cornerChains')}
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

const ArchesFields = (props: Of<'arches'>) => (
  <Row>
    <Counts
      {...props}
      shown={[
        ['chains', 'Chains of an arch', 'arch'],
        ['over', 'One over so many', 'over'],
      ]}
    />
  </Row>
);

function PetalFields(props: Of<'petals'>) {
  const { into, number, terms, onChange } = props;
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
        {into.in === 'stitches' && <Counts {...props} shown={[['over', 'One over so many', 'over']]} />}
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
