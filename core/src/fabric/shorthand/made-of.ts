import {
  type Group,
  type Hold,
  type Instruction,
  type Into,
  type Simple,
  type Span,
  type StitchKind,
  usesNothing,
  type Work,
} from './instruction.ts';

/** Where a stitch goes, as it is written: how many places, and what of each. */
export interface Place {
  readonly into: Into;
  /** How many places; `each` where every one that is left takes the same. */
  readonly many: number | 'each' | undefined;
  /** It is the place of this number that is meant, counted from where the row begins. */
  readonly at?: number;
  readonly fromHook?: boolean;
  /** What of the stitch there is taken hold of, where it says so. */
  readonly hold?: Hold;
  /** So many are said of each place, not of all together. */
  readonly every?: boolean;
}

/** What a stitch is called in a row. */
export interface Named {
  readonly stitch: StitchKind;
  readonly hold: Hold;
}

/** What follows a stitch: how many are worked together, or how many there are; where they go; what they leave. */
export interface Tail {
  readonly together?: { readonly of?: number | undefined; readonly many?: number } | undefined;
  readonly place?: Place | undefined;
  /** A second place for the same: `in first st and in each st across`. */
  readonly also?: Place | undefined;
  /** How often all of it is done. */
  readonly again?: number | undefined;
  readonly before?: number | undefined;
}

/** Of a shell that is only called one. */
const SHELL = 5;

const plainly = (stitch: StitchKind, span: Span): Work => ({
  do: 'work',
  stitch,
  hold: 'both',
  takes: 1,
  makes: 1,
  into: 'stitch',
  many: 1,
  span,
});

/** Instructions so many times over. */
export function repeated(parts: readonly Instruction[], { again }: Tail, span: Span): Instruction[] {
  if (again === undefined || again === 1) return [...parts];
  const [only] = parts;
  // `dec x6` is six of them.
  if (parts.length === 1 && only?.do === 'work') return [{ ...only, many: only.many * again }];
  return [{ do: 'repeat', parts, times: { of: 'times', many: again }, span }];
}

/** A stitch with the number before it and its tail, as instructions. */
export function worked(named: Named, lead: number | undefined, tail: Tail, span: Span): Instruction[] {
  const { together, place, also, before } = tail;
  if (also)
    return [
      ...worked(named, lead, { together, place }, span),
      ...worked(named, lead, { place: also, before }, span),
    ];
  if (together && !('many' in together)) {
    // `2 dc3tog`, or `3 dc tog`.
    const [takes, many] = together.of === undefined ? [lead ?? 2, undefined] : [together.of, lead];
    return turnedInto({ takes, makes: 1 }, named, many, tail, span);
  }
  const many = together?.many ?? lead ?? 1;
  const base = { ...plainly(named.stitch, span), hold: place?.hold ?? named.hold };
  if (!place) return reaching({ ...base, many }, tail);
  if (usesNothing(place.into)) return [{ ...base, into: place.into, takes: 0, many }];
  if (place.at !== undefined) {
    const chains = place.fromHook ?? false;
    return [
      { do: 'start', at: place.at, joined: false, chains, span },
      { ...base, makes: many },
    ];
  }
  // `5 hdc in next 5` is one in each of them; `2 hdc in each of next 5` is ten.
  const oneEach = place.many === many && !place.every;
  const made = { ...base, into: place.into, makes: oneEach ? 1 : many };
  return place.many === 'each'
    ? reaching(made, { ...tail, before: tail.before ?? 0 })
    : reaching({ ...made, many: place.many ?? 1 }, tail);
}

/** Stitches that make more, or fewer, than they take: an increase, a decrease. */
export function turnedInto(
  { takes, makes }: { readonly takes: number; readonly makes: number },
  named: Named | undefined,
  lead: number | undefined,
  { together, place, before }: Tail,
  span: Span,
): Instruction[] {
  const behind = together && 'many' in together ? together.many : undefined;
  const places = typeof place?.many === 'number' ? place.many : undefined;
  const work: Work = {
    do: 'work',
    stitch: named?.stitch,
    hold: named?.hold ?? 'both',
    takes,
    makes,
    into: place?.into === 'space' ? 'space' : 'stitch',
    many: lead ?? behind ?? (takes === 1 ? (places ?? 1) : 1),
    span,
  };
  return reaching(work, { before: before ?? (place?.many === 'each' ? 0 : undefined) });
}

/** A shell that is only called one. */
export const shell = (lead: number | undefined, tail: Tail, span: Span): Instruction[] =>
  turnedInto({ takes: 1, makes: SHELL }, { stitch: 'tall', hold: 'both' }, lead, tail, span);

/** A v: two in one place with a chain between them. */
export function vStitch(lead: number | undefined, tail: Tail, span: Span): Instruction[] {
  const one = plainly('tall', span);
  const parts: Group['parts'] = [one, { do: 'chain', many: 1, span }, one];
  return reaching({ do: 'group', parts, into: tail.place?.into ?? 'stitch', many: lead ?? 1, span }, tail);
}

/** As far as it reaches: so many, or to the end. */
function reaching(part: Work | Group, { before }: Tail): Instruction[] {
  if (before === undefined) return [part];
  return [{ do: 'repeat', parts: [part], times: { of: 'end', before }, span: part.span }];
}

/** Things in brackets that go into one place, or into each of several. */
export function grouped(parts: readonly Instruction[], { into, many }: Place, span: Span): Instruction {
  const inside = parts.flatMap((part): readonly (Work | Simple)[] =>
    part.do === 'repeat' || part.do === 'group' ? [] : [part],
  );
  const group: Group = { do: 'group', parts: inside, into, many: typeof many === 'number' ? many : 1, span };
  return many === 'each' ? { do: 'repeat', parts: [group], times: { of: 'end', before: 0 }, span } : group;
}
