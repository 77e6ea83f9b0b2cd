import type { IToken } from 'chevrotain';
import type { Terms } from '../../stitches/index.ts';
import type { Instruction, Problem, Times } from './instruction.ts';
import { grouped, shell, turnedInto, vStitch, worked } from './made-of.ts';
import { between, PhraseParser } from './phrase-parser.ts';
import * as t from './tokens.ts';

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
    t.Last,
  ],
  [t.Stitches, t.Hook, t.Top, t.Rest, t.Unworked, t.Counts, t.Not, t.Evenly, t.Across, t.Around, t.Space],
  [t.TurningChain, t.Ordinal],
].flat();

/**
 * Reads the words of one row. What it cannot read it leaves out and says so, and goes on behind it: a rule that fails
 * ends at the next thing that it knows. One parser reads all rows, one after another.
 */
class RowParser extends PhraseParser {
  constructor() {
    super();
    this.performSelfAnalysis();
  }

  /** Stitches, increases, decreases and chains, with how many of them, and into what. */
  private readonly stitches = this.RULE('stitches', (): Instruction[] => {
    const first = this.LA(1);
    const lead = this.OPTION(() => this.SUBRULE(this.number));
    const span = () => between(first, this.LA(0));
    return this.OR([
      {
        ALT: () => {
          const named = this.SUBRULE(this.name);
          const tail = this.SUBRULE(this.tail);
          return this.ACTION(() => worked(named, lead, tail, span()));
        },
      },
      {
        ALT: () => {
          const changed = this.SUBRULE(this.changed);
          const tail = this.SUBRULE1(this.tail);
          return this.ACTION(() => turnedInto(changed, undefined, lead, tail, span()));
        },
      },
      {
        ALT: () => {
          this.CONSUME(t.Together);
          return this.ACTION(() =>
            turnedInto({ takes: lead ?? 2, makes: 1 }, undefined, undefined, {}, span()),
          );
        },
      },
      {
        ALT: () => {
          const called = this.SUBRULE(this.called);
          const tail = this.SUBRULE2(this.tail);
          return this.ACTION(() => called(lead, tail, span()));
        },
      },
      {
        ALT: () => {
          this.CONSUME(t.Chain);
          const many = this.OPTION1(() => this.SUBRULE1(this.number));
          return this.ACTION((): Instruction[] => [{ do: 'chain', many: lead ?? many ?? 1, span: span() }]);
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
      if (how && 'place' in how) return [grouped(parts, how.place, span)];
      return [{ do: 'repeat', parts, times: how?.times ?? { of: 'times', many: 1 }, span }];
    });
  });

  private readonly starred = this.RULE('starred', (): Instruction[] => {
    const first = this.CONSUME(t.Star);
    const parts = this.SUBRULE(this.inner);
    const last = this.CONSUME(t.Again);
    this.OPTION(() => this.CONSUME(t.From));
    this.OPTION1(() => this.CONSUME1(t.Star));
    const times = this.SUBRULE(this.times);
    return this.ACTION((): Instruction[] => {
      // What is repeated so often has been worked once before.
      const all: Times = times.of === 'times' ? { of: 'times', many: times.many + 1 } : times;
      return [{ do: 'repeat', parts, times: all, span: between(first, last) }];
    });
  });

  private readonly skipped = this.RULE('skipped', (): Instruction[] => {
    const first = this.CONSUME(t.Skip);
    this.OPTION(() => this.CONSUME(t.Next));
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
          this.OPTION(() => this.CONSUME(t.Last));
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

  private readonly item = this.RULE(
    'item',
    (): Instruction[] =>
      this.OR([
        { ALT: () => this.SUBRULE(this.bracketed) },
        { ALT: () => this.SUBRULE(this.starred) },
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
    this.MANY(() => {
      const some = this.SUBRULE(this.item);
      this.ACTION(() => all.push(...some));
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
        { ALT: () => this.SUBRULE(this.stray) },
      ]);
    });
  });
}

const unknownWord = (image: string) => `Fennot does not know “${image}”.`;

function strayMessage({ tokenType, image }: IToken): string {
  if (tokenType === t.Close) return 'A bracket is closed here that was not opened.';
  if (tokenType === t.Other) return unknownWord(image);
  if (tokenType === t.Again) return 'What is repeated begins with a bracket or a * before it.';
  return `“${image}” belongs to nothing before it.`;
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
  parser.input = words;
  parser.sentence();
  const failed = parser.errors.map(({ token }): Problem => {
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
  return { instructions: parser.all, problems: [...parser.problems, ...failed] };
}
