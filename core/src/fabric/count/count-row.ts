import type { Stitch, Turning } from '../../stitches/index.ts';
import {
  type Group,
  type Instruction,
  type Problem,
  type Repeat,
  type Span,
  type StitchKind,
  usesNothing,
  type Work,
} from '../shorthand/instruction.ts';
import { type Tops, Working } from './tops.ts';

/** Nobody works a row of more stitches than this. */
const MOST_IN_A_ROW = 20_000;

/** What a row is worked onto, and by whose rules. */
export interface Onto {
  /** The row below; nothing where it is not known what the first row stands on. */
  readonly below: Tops | undefined;
  /** That row is the chain the piece begins with. */
  readonly onChain: boolean;
  /** What the row below is called: `row 10`, `the chain`. */
  readonly belowName: string;
  /** Chains at the end of the row below that were made to turn. */
  readonly turnedWith: number;
  readonly turning: Turning;
  /** What `inc` and `dec` are worked in, where nothing in the row says so. */
  readonly usual: StitchKind;
  /** The count that the maker wrote: it tells how long the first row is where nothing else does. */
  readonly written: number | undefined;
}

/** A row, counted. */
export interface CountedRow {
  /** Places of the row below that it works into or passes over; those it leaves at its end are not among them. */
  readonly uses: number;
  readonly makes: number;
  /** Places there were; nothing where that is not known. */
  readonly available: number | undefined;
  /** Places before its first stitch, and behind its last, that it leaves. */
  readonly before: number;
  readonly left: number;
  readonly tops: Tops;
  /** Tops at which an increase, or a decrease, stands: where a marker goes. */
  readonly increases: readonly number[];
  readonly decreases: readonly number[];
  /** Chains at its end, for the row that comes. */
  readonly turnsWith: number;
  readonly problems: readonly Problem[];
}

/** Which stitch a chain at the beginning of a row stands for, by how long it is. */
const standsFor = (chains: number): Stitch => (chains <= 2 ? 'mid' : chains === 3 ? 'tall' : 'high');

/** How many places of the row below instructions use, at least: those that go on to the end, none. */
export function leastUse(instructions: readonly Instruction[]): number {
  return instructions.reduce((sum, one) => sum + usesOf(one), 0);
}

function usesOf(one: Instruction): number {
  switch (one.do) {
    case 'work':
      return one.takes * one.many;
    case 'group':
      return usesNothing(one.into) ? 0 : one.many;
    case 'skip':
      return one.many;
    case 'leave':
      return one.many === 'rest' ? 0 : one.many;
    case 'repeat':
      return one.times.of === 'times' ? one.times.many * leastUse(one.parts) : 0;
    default:
      return 0;
  }
}

/** How many instructions make; those that go on to the end, none. */
function leastMade(instructions: readonly Instruction[]): number {
  return instructions.reduce((sum, one) => {
    if (one.do === 'work') return sum + one.makes * one.many;
    if (one.do === 'chain') return sum + one.many;
    if (one.do === 'group') return sum + one.many * leastMade(one.parts);
    if (one.do === 'repeat' && one.times.of === 'times') return sum + one.times.many * leastMade(one.parts);
    return sum;
  }, 0);
}

/** Counts one row. Total: whatever it says, there is a count, and what does not come out is told. */
export function countRow(instructions: readonly Instruction[], onto: Onto): CountedRow {
  return new RowCount(onto).count(instructions);
}

/** Thrown to end a row that never ends. */
class TooMany extends Error {}

class RowCount {
  private readonly out = new Working();
  private readonly problems: Problem[] = [];
  private readonly increases: number[] = [];
  private readonly decreases: number[] = [];
  private at = 0;
  /** The place of the last stitch: what `in same` is worked into. */
  private last: readonly [number, number] = [0, 0];
  private before = 0;
  /** What is said to be left. */
  private leaves: number | 'rest' | undefined;
  /** Where the row first needs a place that is not there. */
  private short: Span | undefined;
  private stitch: StitchKind;
  private steps = 0;
  private onRing = false;

  constructor(private readonly onto: Onto) {
    this.stitch = onto.usual;
  }

  private get size(): number | undefined {
    return this.onto.below?.kind.length;
  }

  count(given: readonly Instruction[]): CountedRow {
    const { own, turnsWith } = withoutTurn(given);
    const { opening, rest } = opened(own);
    // What an increase is worked in, before any stitch is named, is the first that will be.
    this.stitch = firstStitch(rest) ?? this.onto.usual;
    this.onRing = opening.some((one) => one.do === 'ring') || worksIntoRing(rest);
    try {
      this.open(opening);
      this.run(rest, 0);
    } catch (error) {
      if (!(error instanceof TooMany)) throw error;
      this.say(whole(given), `This row has more than ${MOST_IN_A_ROW} stitches.`);
    }
    const { size } = this;
    const left = size === undefined || this.onRing ? 0 : Math.max(0, size - this.at);
    this.ends(given, left);
    return {
      uses: this.at - this.before,
      makes: this.out.many,
      available: this.onRing ? 0 : size,
      before: this.before,
      left,
      tops: this.out,
      increases: this.increases,
      decreases: this.decreases,
      turnsWith,
      problems: this.problems,
    };
  }

  /** The chain a row begins with: a stitch, or nothing, by the school of the piece. */
  private open(opening: readonly Instruction[]): void {
    let chains = this.onto.turnedWith;
    let counts: boolean | undefined;
    for (const one of opening) {
      if (one.do === 'chain') {
        if (one.many > 0) chains = one.many;
        counts = one.counts ?? counts;
      } else if (one.do === 'start') this.start(one);
    }
    const hooked = opening.find((one) => one.do === 'start' && one.chains);
    if (hooked?.do === 'start') {
      if (this.onto.onChain) return;
      // Worked again on a row, what stood on the chain begins with as many chains to turn.
      chains = hooked.at - 1;
    }
    if (!(counts ?? (this.onto.turning === 'counts' && chains >= 2))) return;
    const kind = standsFor(chains);
    if (this.onRing) this.out.put(kind, 0, 0);
    else this.take(kind, 1, 1, whole(opening));
  }

  private start({ at, chains, span, joined }: Extract<Instruction, { do: 'start' }>): void {
    if (chains) {
      if (!this.onto.onChain) return;
      // The chains before it are a stitch where they count, and turn where they do not.
      const skipped = at - 1;
      const counts = this.onto.turning === 'counts' && at >= 3;
      this.before = counts ? skipped - 1 : skipped;
      this.at = skipped;
      if (counts) this.out.put(standsFor(skipped), skipped - 1, skipped);
      return;
    }
    const { size } = this;
    if (size !== undefined && at > size)
      this.say(span, `There is no stitch ${at} in ${this.onto.belowName}: it has ${size}.`);
    this.before = at - 1;
    this.at = at - 1;
    // Where yarn is joined is no stitch.
    if (joined) this.last = [this.at, this.at + 1];
  }

  private say(span: Span, message: string): void {
    this.problems.push({ span, message });
  }

  private step(): void {
    this.steps++;
    if (this.steps > 20 * MOST_IN_A_ROW || this.out.many > MOST_IN_A_ROW) throw new TooMany();
  }

  /** Works one after another, with so many of the row below kept for what comes after them. */
  private run(instructions: readonly Instruction[], keep: number): void {
    instructions.forEach((one, i) => {
      const kept = keep + leastUse(instructions.slice(i + 1));
      this.step();
      switch (one.do) {
        case 'work':
          this.work(one);
          break;
        case 'group':
          this.group(one);
          break;
        case 'repeat':
          this.repeat(one, kept, leastMade(instructions.slice(i + 1)));
          break;
        case 'chain':
          this.out.chain(Math.min(one.many, MOST_IN_A_ROW + 1 - this.out.many), this.at);
          this.step();
          break;
        case 'skip':
          this.pass(one.many, one.span);
          break;
        case 'start':
          this.say(one.span, 'Where a row starts stands at its beginning.');
          break;
        case 'leave':
          this.leaves = one.many;
          break;
        default:
      }
    });
  }

  private pass(many: number, span: Span): void {
    const { size } = this;
    if (size !== undefined && this.at + many > size) this.short ??= span;
    this.at += many;
  }

  private take(kind: StitchKind, takes: number, makes: number, span: Span): void {
    const from = this.at;
    if (!this.onRing) this.pass(takes, span);
    const { size = this.at } = this;
    const [low, high] = [Math.min(from, size), Math.min(this.at, size)];
    this.last = [low, high];
    if (makes > 1) this.increases.push(this.out.many);
    if (takes > 1) this.decreases.push(this.out.many);
    for (let k = 0; k < makes; k++) {
      this.step();
      this.out.put(kind, low, high);
    }
  }

  private work(one: Work): void {
    if (one.stitch) this.stitch = one.stitch;
    this.out.holding = one.hold;
    for (let k = 0; k < one.many; k++) {
      this.step();
      if (one.into === 'space') this.takeSpace(this.stitch, one.makes, one.span);
      else if (one.into === 'same') this.again(this.stitch, one.makes, one.span);
      else if (one.into === 'gap') this.between(this.stitch, one.makes);
      else if (one.into === 'ring') for (let i = 0; i < one.makes; i++) this.out.put(this.stitch, 0, 0);
      else this.take(this.stitch, one.takes, one.makes, one.span);
    }
  }

  /** Between two stitches: it stands on both, and uses neither. */
  private between(kind: StitchKind, makes: number): void {
    const { size = this.at + 1 } = this;
    this.last = [Math.max(0, this.at - 1), Math.min(this.at + 1, size)];
    for (let k = 0; k < makes; k++) {
      this.step();
      this.out.put(kind, ...this.last);
    }
  }

  /** One more into the place of the last: that place is an increase. */
  private again(kind: StitchKind, makes: number, span: Span): void {
    // At the beginning it is the first, or the one where yarn was joined.
    if (this.out.many === 0 && !this.onRing) {
      this.take(kind, 1, makes, span);
      return;
    }
    const [from, to] = this.last;
    const at = this.out.many - 1;
    if (at >= 0 && this.increases.at(-1) !== at) this.increases.push(at);
    for (let k = 0; k < makes; k++) {
      this.step();
      this.out.put(kind, from, to);
    }
  }

  /** Where the run of chains that comes next ends; where a stitch comes, that is told. */
  private endOfSpace(span: Span): number {
    const { below, belowName } = this.onto;
    if (below && this.at < below.kind.length && below.kind[this.at] !== 'chain')
      this.say(span, `There is no chain of ${belowName} here to work under: a stitch comes next.`);
    return below?.run[this.at] ?? this.at + 1;
  }

  private takeSpace(kind: StitchKind, makes: number, span: Span): void {
    this.take(kind, this.endOfSpace(span) - this.at, makes, span);
    // A whole chain at once is no decrease, and several under it only fill it.
    if (this.decreases.at(-1) === this.out.many - makes) this.decreases.pop();
  }

  private group(one: Group): void {
    for (let k = 0; k < one.many; k++) {
      this.step();
      let [from, to] = this.last;
      if (one.into === 'ring') [from, to] = [0, 0];
      else if (one.into === 'gap') [from, to] = [Math.max(0, this.at - 1), this.at + 1];
      else if (one.into !== 'same') {
        from = this.at;
        const end = one.into === 'space' ? this.endOfSpace(one.span) : this.at + 1;
        this.pass(end - this.at, one.span);
        to = this.at;
      }
      const { size = to } = this;
      this.last = [Math.min(from, size), Math.min(to, size)];
      const first = this.out.many;
      for (const part of one.parts) {
        if (part.do === 'chain') this.out.chain(part.many, this.last[1]);
        if (part.do !== 'work') continue;
        if (part.stitch) this.stitch = part.stitch;
        this.out.holding = part.hold;
        for (let i = 0; i < part.many * part.makes; i++) this.out.put(this.stitch, ...this.last);
        this.step();
      }
      if (this.out.many - first > 1) this.increases.push(first);
    }
  }

  private repeat(one: Repeat, keep: number, madeAfter: number): void {
    const { times, parts } = one;
    if (times.of === 'times') {
      const each = leastUse(parts);
      for (let k = 0; k < times.many; k++) {
        this.step();
        this.run(parts, keep + (times.many - 1 - k) * each);
      }
      return;
    }
    // What is said to be left includes what comes after it.
    const behind = Math.max(keep, times.before);
    if (this.size === undefined || this.onRing) {
      this.byCount(one, madeAfter);
      return;
    }
    const end = this.size - behind;
    const begun = this.at;
    const each = leastUse(parts);
    if (each === 0) {
      this.say(one.span, 'What is repeated to the end uses nothing of the row below: it would never end.');
      return;
    }
    while (this.at + each <= end) this.run(parts, behind);
    const over = end - this.at;
    if (over > 0)
      this.say(
        one.span,
        `What is repeated takes ${each} at a time, and there are ${end - begun} for it: ${over} ${over === 1 ? 'is' : 'are'} left over. ${each - over} more or ${over} fewer would come out.`,
      );
  }

  /** On a first row whose chain is not told: as often as makes the count that is written. */
  private byCount(one: Repeat, madeAfter: number): void {
    const { written } = this.onto;
    const each = leastMade(one.parts);
    if (written === undefined || each === 0) {
      this.say(
        one.span,
        'How long this goes on is not told: begin with a line such as “ch 28”, or write the count in brackets at the end of the row.',
      );
      return;
    }
    const wanted = (written - this.out.many - madeAfter) / each;
    for (let k = 1; k <= wanted; k++) this.run(one.parts, 0);
  }

  /** What the row needs, and what it leaves. */
  private ends(given: readonly Instruction[], left: number): void {
    const { size, short, onto } = this;
    if (size === undefined || this.onRing) return;
    if (short) {
      this.say(short, `This needs ${this.at} stitches, ${onto.belowName} made ${size}.`);
      return;
    }
    if (this.problems.length > 0) return;
    if (typeof this.leaves === 'number' && this.leaves !== left)
      this.say(
        whole(given),
        `${this.leaves} ${this.leaves === 1 ? 'is' : 'are'} said to be left; ${left} of the ${size} of ${onto.belowName} are.`,
      );
    if (this.leaves === undefined && left > 0)
      this.say(
        whole(given),
        `This uses ${this.at} of the ${size} of ${onto.belowName}: ${left} ${left === 1 ? 'is' : 'are'} left. Write “leave ${left}” where that is meant.`,
      );
  }
}

/** Chains before the work is turned belong to the row that comes. */
function withoutTurn(given: readonly Instruction[]): { own: readonly Instruction[]; turnsWith: number } {
  let end = given.length;
  let turnsWith = 0;
  let turned = false;
  while (end > 0) {
    const one = given[end - 1];
    if (one?.do === 'turn') turned = true;
    else if (one?.do === 'chain' && turned && turnsWith === 0) turnsWith = one.many;
    else if (one?.do !== 'chain' || one.many !== 0) break;
    end--;
  }
  // `turn, ch 1` says the same.
  if (!turned) {
    const [turn, chain] = given.slice(-2);
    if (turn?.do === 'turn' && chain?.do === 'chain')
      return { own: given.slice(0, -2), turnsWith: chain.many };
    return { own: given, turnsWith: 0 };
  }
  return { own: given.slice(0, end), turnsWith };
}

/** A chain before the first stitch that is longer than this is no turning chain. */
const MOST_TO_TURN = 5;

/** What stands before the first stitch, and the rest. */
function opened(own: readonly Instruction[]): {
  opening: readonly Instruction[];
  rest: readonly Instruction[];
} {
  const first = own.findIndex((one, i) => {
    // A chain over stitches that are passed over, a handle, turns nothing.
    if (one.do === 'chain') return one.many > MOST_TO_TURN || own[i + 1]?.do === 'skip';
    return (
      one.do === 'work' ||
      one.do === 'group' ||
      one.do === 'repeat' ||
      one.do === 'skip' ||
      one.do === 'leave'
    );
  });
  const end = first < 0 ? own.length : first;
  return { opening: own.slice(0, end), rest: own.slice(end) };
}

function firstStitch(instructions: readonly Instruction[]): StitchKind | undefined {
  for (const one of instructions) {
    if (one.do === 'work' && one.stitch && one.stitch !== 'slip') return one.stitch;
    const inside = one.do === 'repeat' || one.do === 'group' ? firstStitch(one.parts) : undefined;
    if (inside) return inside;
  }
  return undefined;
}

const worksIntoRing = (instructions: readonly Instruction[]): boolean =>
  instructions.some(
    (one) =>
      ((one.do === 'work' || one.do === 'group') && one.into === 'ring') ||
      (one.do === 'repeat' && worksIntoRing(one.parts)),
  );

/** The whole of what a row says. */
const whole = (instructions: readonly Instruction[]): Span =>
  instructions.reduce<Span>(
    (sum, { span }, i) =>
      i === 0 ? span : { from: Math.min(sum.from, span.from), to: Math.max(sum.to, span.to) },
    { from: 0, to: 0 },
  );
