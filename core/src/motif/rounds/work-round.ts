import { type Instruction, plain, spread, times } from '../../fabric/index.ts';
import {
  type Corner,
  type MotifRound,
  placesOf,
  type RoundInto,
  type RoundStitch,
  type Top,
  type Tops,
  wholeRound,
} from './round.ts';
import { writtenRound } from './written-round.ts';

/** A round as it is worked: what to do, and what it leaves. */
export interface WorkedRound {
  readonly instructions: readonly Instruction[];
  readonly tops: Tops;
  /** The corners it has. */
  readonly corners: number;
}

/** Why a round cannot be worked, said for the maker. */
export interface Unworkable {
  readonly problem: string;
}

const NOWHERE = { from: 0, to: 0 };
const stitch = (kind: RoundStitch, corner = false): Top => ({ of: 'stitch', stitch: kind, corner });
const space = (chains: number, corner = false): Top => ({ of: 'space', chains, corner });
const stitches = (kind: RoundStitch, many: number): Top[] => Array.from({ length: many }, () => stitch(kind));
const chain = (many: number): Instruction[] => (many > 0 ? [{ do: 'chain', many, span: NOWHERE }] : []);
const skip = (many: number): Instruction[] => (many > 0 ? [{ do: 'skip', many, span: NOWHERE }] : []);

/**
 * Works a round on the one below.
 *
 * @param below what it stands on; nothing where it is the first.
 * @param shape corners of the motif, none where it is round.
 */
export function workRound(
  round: MotifRound,
  below: Tops | undefined,
  shape: number,
): WorkedRound | Unworkable {
  const { into } = round;
  if (into.of === 'written') return writtenRound(round, into, below);
  if (into.of === 'ring' || into.of === 'chain') {
    if (below) return { problem: 'Only the first round is begun in a ring or on a chain.' };
    return into.of === 'ring' ? inRing(round, into, shape) : onChain(round, into);
  }
  if (!below) return { problem: 'The first round is worked into a ring, or along a chain.' };
  switch (into.of) {
    case 'gaps':
      return inGaps(round, into, below);
    case 'each':
      return inEach(round, into, below);
    case 'arches':
      return arches(round, into, below);
    case 'petals':
      return petals(round, into, below);
  }
}

type Of<K extends RoundInto['of']> = Extract<RoundInto, { of: K }>;

const worked = (unit: readonly Top[], often: number, instructions: readonly Instruction[]): WorkedRound => ({
  instructions: times(instructions, often),
  tops: { unit, times: often },
  corners: often * unit.filter(({ corner }) => corner).length,
});

const ringWork = (round: MotifRound, many: number): Instruction => ({
  ...plain(round.stitch, many),
  into: 'ring',
  takes: 0,
});

function inRing(round: MotifRound, { groups, each, chains, open }: Of<'ring'>, shape: number): WorkedRound {
  if (open) {
    const parts = Array.from({ length: groups }, (_, k) => k > 0);
    return worked(
      parts.flatMap((between) => [
        ...(between ? [space(chains, true)] : []),
        ...stitches(round.stitch, each),
      ]),
      1,
      parts.flatMap((between) => [...(between ? chain(chains) : []), ringWork(round, each)]),
    );
  }
  const corner = shape > 0 && groups === shape;
  // Without chains and corners groups cannot be told apart: it is one.
  if (chains === 0 && !corner)
    return worked(stitches(round.stitch, groups * each), 1, [ringWork(round, groups * each)]);
  return worked([...stitches(round.stitch, each), space(chains, corner)], groups, [
    ringWork(round, each),
    ...chain(chains),
  ]);
}

function onChain(round: MotifRound, { each, long, chains }: Of<'chain'>): WorkedRound {
  const side = (many: number) => [...stitches(round.stitch, many), space(chains, true)];
  return worked([...side(each), ...side(each + long)], 2, [
    ringWork(round, each),
    ...chain(chains),
    ringWork(round, each + long),
    ...chain(chains),
  ]);
}

/** What a corner is worked as, into the place that is one. */
function cornerIn({ stitch: kind, hold }: MotifRound, { each, chains }: Corner, place: Top): Group {
  const into = place.of === 'stitch' || place.single ? 'stitch' : place.chains > 0 ? 'space' : 'gap';
  if (chains === 0)
    return {
      tops: Array.from({ length: each }, (_, k) => stitch(kind, k === Math.floor(each / 2))),
      instructions: [{ ...plain(kind, 1), hold, into, makes: each, takes: into === 'gap' ? 0 : 1 }],
    };
  const half = { ...plain(kind, each), hold };
  return {
    tops: [...stitches(kind, each), space(chains, true), ...stitches(kind, each)],
    instructions: [
      {
        do: 'group',
        parts: [half, { do: 'chain', many: chains, span: NOWHERE }, half],
        into,
        many: 1,
        span: NOWHERE,
      },
    ],
  };
}

/**
 * The round below with corners of its own made, where it has none and is to have some: every so manieth of its spaces, or
 * of its stitches.
 */
function cornered(below: Tops, turnedInto: number | undefined, of: 'spaces' | 'places'): Tops | Unworkable {
  if (turnedInto === undefined) return below;
  if (below.unit.some(({ corner }) => corner)) return { problem: 'The round below has its corners already.' };
  const all = wholeRound(below).flatMap((top): Top[] =>
    of === 'places' && top.of === 'space' ? eachOf(top.chains) : [top],
  );
  const candidates = all.flatMap((top, i) => (of === 'places' || top.of === 'space' ? [i] : []));
  const many = candidates.length;
  const what = of === 'places' ? 'stitches' : 'spaces';
  if (many < turnedInto || many % turnedInto !== 0)
    return { problem: `The ${many} ${what} of the round below do not divide into ${turnedInto} sides.` };
  const unit = all.slice(0, all.length / turnedInto);
  const alike = all.every((top, i) => sameTop(top, unit[i % unit.length]));
  if (!alike || all.length % turnedInto !== 0)
    return { problem: `The round below is not alike on all ${turnedInto} sides.` };
  const first = candidates[0] ?? 0;
  return {
    unit: unit.map((top, i): Top => (i === first ? { ...top, corner: true } : top)),
    times: turnedInto,
  };
}

/** The chains of a space, to be worked into one by one: of several each by itself, else all would be taken at once. */
const eachOf = (chains: number): Top[] =>
  chains === 1
    ? [space(1)]
    : Array.from({ length: chains }, (): Top => ({ of: 'space', chains: 1, corner: false, single: true }));

const sameTop = (a: Top, b: Top | undefined): boolean =>
  a.of === 'space' ? b?.of === 'space' && a.chains === b.chains : b?.of === 'stitch';

const isUnworkable = (given: Tops | Unworkable): given is Unworkable => 'problem' in given;

function inGaps(round: MotifRound, into: Of<'gaps'>, given: Tops): WorkedRound | Unworkable {
  const below = cornered(given, into.turnedInto, 'spaces');
  if (isUnworkable(below)) return below;
  if (!below.unit.some(({ of }) => of === 'space'))
    return { problem: 'The round below has no spaces to work into.' };
  return throughSpaces(below, (place) => {
    const corner = place.corner && cornerIn(round, into.corner, place);
    const where = place.chains > 0 ? 'space' : 'gap';
    const group = corner || {
      tops: stitches(round.stitch, into.each),
      instructions: [
        {
          ...plain(round.stitch, 1),
          hold: round.hold,
          into: where,
          makes: into.each,
          takes: where === 'gap' ? 0 : 1,
        },
      ],
    };
    return {
      tops: [...group.tops, space(into.chains)],
      instructions: [...group.instructions, ...chain(into.chains)],
    };
  });
}

/** What is worked into one place. */
interface Group {
  readonly tops: readonly Top[];
  readonly instructions: readonly Instruction[];
}

/** Works something into every space of the round below, and passes over what stands between. */
function throughSpaces(
  { unit, times: often }: Tops,
  groupIn: (space: Extract<Top, { of: 'space' }>) => Group,
): WorkedRound {
  const tops: Top[] = [];
  const instructions: Instruction[] = [];
  let passed = 0;
  for (const top of unit) {
    if (top.of === 'stitch') {
      passed++;
      continue;
    }
    const group = groupIn(top);
    tops.push(...group.tops);
    instructions.push(...skip(passed), ...group.instructions);
    passed = 0;
  }
  instructions.push(...skip(passed));
  return worked(tops, often, instructions);
}

/** So many in each place of a run. */
function eachIn({ stitch: kind, hold }: MotifRound, many: number, places: number): Instruction[] {
  return places > 0 ? [{ ...plain(kind, places), hold, makes: many }] : [];
}

/** With its stitch and its loops said: an increase alone would be read in the stitch of the round below. */
function named(one: Instruction, round: Pick<MotifRound, 'stitch' | 'hold'>): Instruction {
  if (one.do === 'repeat') return { ...one, parts: one.parts.map((part) => named(part, round)) };
  return one.do === 'work' ? { ...one, stitch: round.stitch, hold: round.hold } : one;
}

function inEach(round: MotifRound, into: Of<'each'>, given: Tops): WorkedRound | Unworkable {
  const below = cornered(given, into.turnedInto, 'places');
  if (isUnworkable(below)) return below;
  const { many } = into;
  if (!below.unit.some(({ corner }) => corner)) {
    const places = placesOf(below.unit) * below.times;
    if (into.spread === 0)
      return worked(stitches(round.stitch, places * many), 1, eachIn(round, many, places));
    const instructions = spread(places, places + into.spread, { stitch: round.stitch, shift: 0.5 });
    if (!instructions || many > 1)
      return { problem: `${into.spread} more do not go into the ${places} of the round below.` };
    return worked(
      stitches(round.stitch, places + into.spread),
      1,
      instructions.map((one) => named(one, round)),
    );
  }
  const tops: Top[] = [];
  const instructions: Instruction[] = [];
  let places = 0;
  const { ends = 0 } = into;
  const plainly = (at: 'first' | 'last' | 'between' = 'between') => {
    const more = ends > 0 && at !== 'between' && places > 0 ? 1 : 0;
    tops.push(...stitches(round.stitch, places * many + more * ends));
    const end = more > 0 ? eachIn(round, many + ends, 1) : [];
    const plain = eachIn(round, many, places - more);
    instructions.push(...(at === 'first' ? [...end, ...plain] : [...plain, ...end]));
    places = 0;
  };
  for (const top of below.unit) {
    if (!top.corner) {
      places += placesOf([top]);
      continue;
    }
    plainly(tops.length === 0 ? 'first' : 'between');
    const corner = cornerIn(round, into.corner, top);
    tops.push(...corner.tops);
    instructions.push(...corner.instructions);
  }
  plainly('last');
  return worked(tops, below.times, instructions);
}

function arches(round: MotifRound, { chains, over }: Of<'arches'>, below: Tops): WorkedRound | Unworkable {
  const places = placesOf(below.unit) * below.times;
  if (places % over !== 0)
    return { problem: `The ${places} stitches of the round below do not divide into arches over ${over}.` };
  return worked([stitch(round.stitch), space(chains)], places / over, [
    ...eachIn(round, 1, 1),
    ...chain(chains),
    ...skip(over - 1),
  ]);
}

function petals(round: MotifRound, into: Of<'petals'>, below: Tops): WorkedRound | Unworkable {
  const tops = into.petal.map((kind) => stitch(kind));
  const group = (place: 'stitch' | 'space' | 'gap'): Instruction => ({
    do: 'group',
    parts: into.petal.map((kind) => ({ ...plain(kind, 1), hold: round.hold })),
    into: place,
    many: 1,
    span: NOWHERE,
  });
  if (into.in === 'stitches') {
    const places = placesOf(below.unit) * below.times;
    if (places % into.over !== 0)
      return {
        problem: `The ${places} stitches of the round below do not divide into petals over ${into.over}.`,
      };
    return worked(tops, places / into.over, [group('stitch'), ...skip(into.over - 1)]);
  }
  if (!below.unit.some(({ of }) => of === 'space'))
    return { problem: 'The round below has no spaces to work petals into.' };
  return throughSpaces(below, ({ chains }) => ({
    tops,
    instructions: [group(chains > 0 ? 'space' : 'gap')],
  }));
}
