import { type IToken, tokenMatcher } from 'chevrotain';
import type { Terms } from '../../stitches/index.ts';
import type { Hold, Instruction, Problem, Times } from './instruction.ts';
import { grouped, repeated, shell, turnedInto, vStitch, worked } from './made-of.ts';
import { between, PhraseParser } from './phrase-parser.ts';
import * as t from './tokens.ts';
import { meantBy } from './vocabulary.ts';

/** Words that belong to something before them: by themselves they are told. */
const STRAY = [
  [
    t.Close,
    t.Other,
    t.TimesWord,
    t.More,
    t.Once,
    t.Twice,
    t.Again,
    t.To,
    t.End,
    t.Each,
    t.Next,
    t.Same,
    t.Gap,
    t.Last,
  ],
  [t.Stitches, t.Hook, t.Top, t.Rest, t.Unworked, t.Counts, t.Not, t.As, t.Across, t.Around, t.Space],
  [t.TurningChain, t.Ordinal],
].flat();

/** What a row is begun with. */
const OPENS: readonly Instruction['do'][] = ['chain', 'start', 'turn', 'join', 'ring', 'colour'];
const HOLDS = [t.FrontPost, t.BackPost, t.BackLoop, t.FrontLoop, t.BothLoops];

/**
 * Reads the words of one row. What it cannot read it leaves out and says so, and goes on behind it: a rule that fails
 * ends at the next thing that it knows. One parser reads all rows, one after another.
 */
class RowParser extends PhraseParser {
  /** What of every stitch is taken hold of, where the row says so once. */
  held: Hold | undefined;
  /** What is read stands behind a star that is not closed yet. */
  inStar = false;

  constructor() {
    super();
    this.performSelfAnalysis();
  }

  /** Stitches, increases, decreases and chains, with how many of them, and into what. */
  private readonly stitches = this.RULE('stitches', (): Instruction[] => {
    const first = this.LA(1);
    const lead = this.OPTION(() => {
      const many = this.SUBRULE(this.number);
      this.OPTION4(() => this.CONSUME(t.TimesWord));
      return many;
    });
    const span = () => between(first, this.LA(0));
    return this.OR([
      {
        ALT: () => {
          const named = this.SUBRULE(this.name);
          // `sc inc` is an increase in sc; `2 sc inc` two stitches, and then one.
          const turned = this.OPTION3({
            GATE: () => lead === undefined,
            DEF: () => this.SUBRULE1(this.changed),
          });
          const tail = this.SUBRULE(this.tail);
          // `sl st in first sc to join` closes a round.
          const joins = this.OPTION5({
            GATE: () => tokenMatcher(this.LA(2), t.Join),
            DEF: () => {
              this.CONSUME(t.To);
              this.CONSUME(t.Join);
              return true;
            },
          });
          return this.ACTION((): Instruction[] => {
            if (joins && named.stitch === 'slip') return [{ do: 'join', span: span() }];
            const parts = turned
              ? turnedInto(turned, named, lead, tail, span())
              : worked(named, lead, tail, span());
            return repeated(parts, tail, span());
          });
        },
      },
      {
        ALT: () => {
          const changed = this.SUBRULE(this.changed);
          const tail = this.SUBRULE1(this.tail);
          return this.ACTION(() =>
            repeated(turnedInto(changed, undefined, lead, tail, span()), tail, span()),
          );
        },
      },
      {
        ALT: () => {
          this.OPTION6(() => this.CONSUME(t.Stitches));
          this.CONSUME(t.Together);
          return this.ACTION(() =>
            turnedInto({ takes: lead ?? 2, makes: 1 }, undefined, undefined, {}, span()),
          );
        },
      },
      {
        ALT: () => {
          const token = this.CONSUME(t.SizedShell);
          const tail = this.SUBRULE3(this.tail);
          return this.ACTION(() => {
            const { many, name } = t.sizeOfShell(token);
            const { stitch } = meantBy(name, this.terms);
            const shells = turnedInto(
              { takes: 1, makes: many },
              { stitch, hold: 'both' },
              lead,
              tail,
              span(),
            );
            return repeated(shells, tail, span());
          });
        },
      },
      {
        ALT: () => {
          const called = this.SUBRULE(this.called);
          const tail = this.SUBRULE2(this.tail);
          return this.ACTION(() => repeated(called(lead, tail, span()), tail, span()));
        },
      },
      {
        ALT: () => {
          this.CONSUME(t.Chain);
          const many = this.OPTION1(() => this.SUBRULE1(this.number));
          const counts = this.OPTION2(() => this.SUBRULE(this.remark));
          return this.ACTION((): Instruction[] => [
            { do: 'chain', many: lead ?? many ?? 1, span: span() },
            ...(counts === undefined ? [] : [{ do: 'chain' as const, many: 0, counts, span: span() }]),
          ]);
        },
      },
    ]);
  });
  private readonly changed = this.oneOf('changed', [
    [t.Increase, { takes: 1, makes: 2 }],
    [t.Decrease, { takes: 2, makes: 1 }],
  ]);
  private readonly called = this.oneOf('called', [
    [t.Shell, shell],
    [t.VStitch, vStitch],
  ]);

  private readonly bracketed = this.RULE('bracketed', (): Instruction[] => {
    const lead = this.OPTION2(() => {
      const many = this.SUBRULE(this.number);
      this.OPTION3(() => this.CONSUME(t.TimesWord));
      return many;
    });
    const first = this.CONSUME(t.Open);
    const remark = this.OPTION(() => this.SUBRULE(this.remark));
    const parts = this.SUBRULE(this.inner);
    const last = this.CONSUME(t.Close);
    const how = this.OPTION1({
      GATE: () => remark === undefined,
      DEF: () =>
        this.OR([
          { ALT: () => ({ times: this.SUBRULE(this.times) }) },
          { ALT: () => ({ place: this.SUBRULE(this.into) }) },
        ]),
    });
    return this.ACTION((): Instruction[] => {
      const span = between(first, last);
      if (remark !== undefined) return [{ do: 'chain', many: 0, counts: remark, span }];
      if (how && 'place' in how) return repeated([grouped(parts, how.place, span)], { again: lead }, span);
      return [{ do: 'repeat', parts, times: how?.times ?? { of: 'times', many: lead ?? 1 }, span }];
    });
  });

  private readonly starred = this.RULE('starred', (): Instruction[] => {
    const first = this.CONSUME(t.Star);
    this.ACTION(() => {
      this.inStar = true;
    });
    const parts = this.SUBRULE(this.inner);
    this.ACTION(() => {
      this.inStar = false;
    });
    const { last, more } = this.OR([
      {
        ALT: () => {
          const again = this.CONSUME(t.Again);
          this.OPTION(() => this.CONSUME(t.From));
          this.OPTION1(() => this.CONSUME1(t.Star));
          // What is repeated so often has been worked once before.
          return { last: again, more: 1 };
        },
      },
      // `*sc, inc* 6 times`: all of them.
      { ALT: () => ({ last: this.CONSUME2(t.Star), more: 0 }) },
    ]);
    const times = this.SUBRULE(this.times);
    return this.ACTION((): Instruction[] => {
      const all: Times = times.of === 'times' ? { of: 'times', many: times.many + more } : times;
      return [{ do: 'repeat', parts, times: all, span: between(first, last) }];
    });
  });

  private readonly skipped = this.RULE('skipped', (): Instruction[] => {
    const first = this.CONSUME(t.Skip);
    this.OPTION(() => {
      this.OR([
        { ALT: () => this.CONSUME(t.Next) },
        { ALT: () => this.CONSUME(t.Last) },
        { ALT: () => this.CONSUME(t.Ordinal) },
      ]);
    });
    const many = this.OPTION1(() => this.SUBRULE(this.number)) ?? 1;
    this.OPTION2(() => this.SUBRULE(this.what));
    return this.ACTION((): Instruction[] => [{ do: 'skip', many, span: between(first, this.LA(0)) }]);
  });

  /** `start in 2nd st`, `from the 2nd st after the ch`. */
  private readonly begun = this.RULE('begun', (): Instruction[] => {
    const first = this.LA(1);
    this.OR([
      {
        ALT: () => {
          this.CONSUME(t.Begin);
          this.OPTION(() => this.CONSUME(t.In));
        },
      },
      { ALT: () => this.CONSUME(t.From) },
    ]);
    const at = this.OR1([
      {
        ALT: () => {
          this.CONSUME(t.Next);
          this.OPTION1(() => this.SUBRULE(this.what));
          return undefined;
        },
      },
      { ALT: () => this.SUBRULE(this.placed) },
    ]);
    return this.ACTION((): Instruction[] => {
      const chains = at?.fromHook ?? false;
      return [{ do: 'start', at: at?.at ?? 1, joined: false, chains, span: between(first, this.LA(0)) }];
    });
  });

  private readonly left = this.RULE('left', (): Instruction[] => {
    const first = this.CONSUME(t.Leave);
    const many = this.OR([
      {
        ALT: () => {
          this.OPTION(() => {
            this.OR1([{ ALT: () => this.CONSUME(t.Last) }, { ALT: () => this.CONSUME(t.End) }]);
          });
          return this.SUBRULE(this.number);
        },
      },
      { ALT: () => this.SUBRULE(this.remaining) },
    ]);
    this.OPTION1(() => this.SUBRULE(this.what));
    this.OPTION2(() => this.CONSUME(t.Unworked));
    return this.ACTION((): Instruction[] => [{ do: 'leave', many, span: between(first, this.LA(0)) }]);
  });
  private readonly remaining = this.oneOf<'rest'>('remaining', [
    [t.Rest, 'rest'],
    [t.End, 'rest'],
  ]);

  /** A round that is closed, a ring that is begun, or new yarn: `join with sl st in 10th st`. */
  private readonly joined = this.RULE('joined', (): Instruction[] => {
    const first = this.CONSUME(t.Join);
    this.OPTION(() => this.CONSUME(t.Other));
    this.OPTION1(() => this.CONSUME(t.Change));
    this.OPTION2(() => this.CONSUME(t.Slip));
    const place = this.OPTION3(() => {
      this.OR([{ ALT: () => this.CONSUME(t.In) }, { ALT: () => this.CONSUME(t.To) }]);
      return this.SUBRULE(this.place);
    });
    return this.ACTION((): Instruction[] => {
      const span = between(first, this.LA(0));
      if (place?.into === 'ring') return [{ do: 'ring', span }];
      // A round closes in the first; new yarn is joined in any other.
      const at = place?.at ?? 1;
      return at > 1 ? [{ do: 'start', at, joined: true, chains: false, span }] : [{ do: 'join', span }];
    });
  });

  private readonly coloured = this.RULE('coloured', (): Instruction[] => {
    const first = this.OR([{ ALT: () => this.CONSUME(t.Change) }, { ALT: () => this.CONSUME(t.In) }]);
    const token = this.CONSUME(t.Other);
    this.OPTION(() => this.SUBRULE(this.into));
    const colour = token.image;
    return this.ACTION((): Instruction[] => [{ do: 'colour', colour, span: between(first, token) }]);
  });

  private readonly plain = this.RULE('plain', (): Instruction[] => {
    const first = this.LA(1);
    const what = this.SUBRULE(this.sign);
    return this.ACTION((): Instruction[] => [{ do: what, span: between(first, first) }]);
  });
  private readonly sign = this.oneOf<'turn' | 'ring' | 'fasten-off'>('sign', [
    [t.Turn, 'turn'],
    [t.Ring, 'ring'],
    [t.FastenOff, 'fasten-off'],
  ]);

  /** `BLO:`, `working in back loops only,`: said of the whole row. */
  private readonly throughout = this.RULE('throughout', (): Instruction[] => {
    this.OPTION(() => this.CONSUME(t.In));
    const hold = this.SUBRULE(this.hold);
    this.CONSUME(t.Apart);
    this.ACTION(() => {
      this.held = hold;
    });
    return [];
  });
  /** Whether what comes is said of the whole row: what is held, and nothing that is worked so. */
  private saysHold(): boolean {
    const at = tokenMatcher(this.LA(1), t.In) ? 2 : 1;
    return HOLDS.some((one) => tokenMatcher(this.LA(at), one)) && tokenMatcher(this.LA(at + 1), t.Apart);
  }

  private readonly item = this.RULE(
    'item',
    (): Instruction[] =>
      this.OR([
        { ALT: () => this.SUBRULE(this.bracketed) },
        { ALT: () => this.SUBRULE(this.starred) },
        { GATE: () => this.saysHold(), ALT: () => this.SUBRULE(this.throughout) },
        { ALT: () => this.SUBRULE(this.stitches) },
        { ALT: () => this.SUBRULE(this.skipped) },
        { ALT: () => this.SUBRULE(this.begun) },
        { ALT: () => this.SUBRULE(this.left) },
        { ALT: () => this.SUBRULE(this.joined) },
        { ALT: () => this.SUBRULE(this.coloured) },
        { ALT: () => this.SUBRULE(this.plain) },
        {
          ALT: () => {
            this.CONSUME(t.Apart);
            return [];
          },
        },
      ]),
    { resyncEnabled: true, recoveryValueFunc: () => [] },
  );

  /** Things inside brackets, or after a star. */
  private readonly inner = this.RULE('inner', (): Instruction[] => {
    const all: Instruction[] = [];
    this.MANY({
      // A second star ends what the first began.
      GATE: () => !(this.inStar && tokenMatcher(this.LA(1), t.Star)),
      DEF: () => {
        const some = this.SUBRULE(this.item);
        this.ACTION(() => all.push(...some));
      },
    });
    return all;
  });

  private readonly strayWords = STRAY.map((word) => ({ ALT: () => this.CONSUME(word) }));
  private readonly stray = this.RULE('stray', (): void => {
    const token = this.OR(this.strayWords);
    this.ACTION(() => this.say(token, strayMessage(token)));
  });

  /** All of a row: whatever stands between things that are known is told. */
  readonly sentence = this.RULE('sentence', (): void => {
    this.MANY(() => {
      this.OR([
        {
          ALT: () => {
            const some = this.SUBRULE(this.item);
            this.ACTION(() => this.all.push(...some));
          },
        },
        { GATE: () => this.goesOn(), ALT: () => this.SUBRULE(this.wholeAgain) },
        { ALT: () => this.SUBRULE(this.stray) },
      ]);
    });
  });
  /** `2 sc, inc; repeat around`: all of the row up to here, but what it is begun with, again and again. */
  private readonly wholeAgain = this.RULE('wholeAgain', (): void => {
    const first = this.CONSUME(t.Again);
    const before = this.SUBRULE(this.reach);
    this.ACTION(() => {
      const opens = this.all.findIndex(({ do: what }) => !OPENS.includes(what));
      const parts = opens < 0 ? [] : this.all.splice(opens);
      this.all.push({ do: 'repeat', parts, times: { of: 'end', before }, span: between(first, this.LA(0)) });
    });
  });
  private goesOn(): boolean {
    const after = this.LA(2);
    return [t.To, t.Across, t.Around].some((one) => tokenMatcher(after, one));
  }
}

const unknownWord = (image: string) => `Fennot does not know “${image}”.`;

function strayMessage({ tokenType, image }: IToken): string {
  if (tokenType === t.Close) return 'A bracket is closed here that was not opened.';
  if (tokenType === t.Other) return unknownWord(image);
  if (tokenType === t.Again) return 'What is repeated begins with a bracket or a * before it.';
  return `“${image}” belongs to nothing before it.`;
}

/** An instruction with everything in it that says nothing else held that way. */
function heldBy<I extends Instruction>(one: I, hold: Hold): I {
  if (one.do === 'work') return one.hold === 'both' ? { ...one, hold } : one;
  if (one.do === 'repeat' || one.do === 'group')
    return { ...one, parts: one.parts.map((part) => heldBy(part, hold)) };
  return one;
}

const parser = new RowParser();

/** A row's words as what they say to do, and what is wrong with them. */
export interface ReadRow {
  readonly instructions: readonly Instruction[];
  readonly problems: readonly Problem[];
}

/** Reads the text of one row, without its number and without the count at its end. */
export function readRow(text: string, terms: Terms): ReadRow {
  const words = t.wordsOf(text);
  parser.terms = terms;
  parser.problems = [];
  parser.all = [];
  parser.held = undefined;
  parser.inStar = false;
  parser.input = words;
  parser.sentence();
  const failed = parser.errors.map(({ token: stuck }): Problem => {
    // Behind a number it is the word that follows which is not known.
    const next = words[words.indexOf(stuck) + 1];
    const token = stuck.tokenType === t.Numeral && next?.tokenType === t.Other ? next : stuck;
    // What is missed at the end is told at the last word.
    const ended = Number.isNaN(token.startOffset);
    const at = ended ? words.at(-1) : token;
    const span = at ? between(at, at) : { from: 0, to: text.length };
    if (ended && words.some(({ tokenType }) => tokenType === t.Open))
      return { span, message: 'A bracket is opened in this row that is not closed.' };
    const message =
      token.tokenType === t.Other
        ? unknownWord(token.image)
        : `Fennot cannot read on from “${text.slice(span.from, span.to)}”.`;
    return { span, message };
  });
  const { held } = parser;
  const instructions = held ? parser.all.map((one) => heldBy(one, held)) : parser.all;
  // Where reading begins again at the same word, the same would be said once more.
  const told = new Map(
    [...parser.problems, ...failed].map((one) => [`${one.span.from} ${one.message}`, one]),
  );
  return { instructions, problems: [...told.values()] };
}
