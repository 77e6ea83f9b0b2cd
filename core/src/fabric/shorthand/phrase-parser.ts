import { EmbeddedActionsParser, type IToken, type TokenType, tokenMatcher } from 'chevrotain';
import type { Terms } from '../../stitches/index.ts';
import type { Hold, Instruction, Problem, Span, StitchKind, Times } from './instruction.ts';
import type { Named, Place, Tail } from './made-of.ts';
import * as t from './tokens.ts';
import { abbreviation, meantBy } from './vocabulary.ts';

/** From the one word to the other. */
export const between = (first: IToken, last: IToken): Span => ({
  from: first.startOffset,
  to: last.startOffset + last.image.length,
});

/** Words, each with what it says. */
type Table<T> = ReadonlyArray<readonly [TokenType, T]>;

/** What may stand behind a number that belongs to the stitch before it. */
const ENDS = [t.Apart, t.Close, t.Again, t.Star];

/** The phrases that rows are made of: names of stitches, places, how often and how far. */
export abstract class PhraseParser extends EmbeddedActionsParser {
  terms: Terms = 'us';
  problems: Problem[] = [];
  /** What has been read so far: it is kept where the end of a row cannot be read. */
  all: Instruction[] = [];

  constructor() {
    super(t.TOKENS, { recoveryEnabled: true, maxLookahead: 3 });
  }

  // A word that is missing is not made up, and none is passed over.
  protected override canTokenTypeBeInsertedInRecovery(): boolean {
    return false;
  }
  protected override canTokenTypeBeDeletedInRecovery(): boolean {
    return false;
  }

  protected say(token: IToken, message: string): void {
    this.ACTION(() => this.problems.push({ span: between(token, token), message }));
  }

  /** A rule that is one word of several, and says what stands beside it. */
  protected oneOf<T>(name: string, table: Table<T>) {
    // Made once: rules are run for every word.
    const words = table.map(([token, value]) => ({
      ALT: () => {
        this.CONSUME(token);
        return value;
      },
    }));
    return this.RULE(name, (): T => this.OR(words));
  }

  protected readonly number = this.RULE('number', (): number => {
    const token = this.CONSUME(t.Numeral);
    return this.ACTION(() => t.numberOf(token));
  });

  protected readonly bunch = this.oneOf<StitchKind>('bunch', [
    [t.Slip, 'slip'],
    [t.YoSlip, 'yo-slip'],
    [t.BUNCH.bobble, 'bobble'],
    [t.BUNCH.puff, 'puff'],
    [t.BUNCH.popcorn, 'popcorn'],
    [t.BUNCH.cluster, 'cluster'],
    [t.Crab, 'low'],
  ]);

  protected readonly hold = this.oneOf<Hold>('hold', [
    [t.FrontPost, 'front-post'],
    [t.BackPost, 'back-post'],
    [t.BackLoop, 'back'],
    [t.FrontLoop, 'front'],
    [t.BothLoops, 'both'],
  ]);

  /** `counts as a stitch`, `does not count`: said of the chain before it. */
  protected readonly remark = this.oneOf<boolean>('remark', [
    [t.Counts, true],
    [t.Not, false],
  ]);

  private readonly names = Object.values(t.BASIC).map((name) => ({ ALT: () => this.CONSUME(name) }));
  protected readonly basic = this.RULE('basic', (): StitchKind => {
    const token = this.OR(this.names);
    return this.ACTION(() => {
      const { stitch, foreign } = meantBy(t.nameOfToken(token) ?? 'sc', this.terms);
      const country = this.terms === 'us' ? 'UK' : 'US';
      const counted = abbreviation(stitch, this.terms);
      if (foreign)
        this.say(
          token,
          `“${token.image}” reads like ${country} terms: it is counted as ${counted}. Are these ${country} terms?`,
        );
      return stitch;
    });
  });

  /** A stitch by its name, with what it takes hold of. */
  protected readonly name = this.RULE('name', (): Named => {
    const before = this.OPTION(() => this.SUBRULE(this.hold));
    const stitch = this.OR([
      { ALT: () => this.SUBRULE(this.basic) },
      { ALT: () => this.SUBRULE(this.bunch) },
    ]);
    const after = this.OPTION1({
      // In `sc blo, fpdc` a post belongs to what follows.
      GATE: () => ![t.FrontPost, t.BackPost].includes(this.LA(1).tokenType),
      DEF: () => this.SUBRULE1(this.hold),
    });
    return { stitch, hold: after ?? before ?? 'both' };
  });

  /** What is counted: only whether it is a space changes anything. */
  protected readonly what = this.RULE('what', (): 'stitch' | 'space' => {
    const space = this.OR([
      { ALT: () => this.SUBRULE(this.counted) },
      {
        ALT: () => {
          this.SUBRULE(this.name);
          return false;
        },
      },
    ]);
    return space ? 'space' : 'stitch';
  });
  protected readonly counted = this.oneOf<boolean>('counted', [
    [t.Stitches, false],
    [t.Chain, false],
    [t.Space, true],
  ]);

  /** How many are left behind it: `to end`, `across`, `to last 3 sts`. */
  protected readonly reach = this.RULE('reach', (): number =>
    this.OR([
      {
        ALT: () => {
          const all = this.SUBRULE(this.allAlong);
          const but = this.OPTION({
            GATE: () => tokenMatcher(this.LA(2), t.Last),
            DEF: () => {
              this.CONSUME1(t.To);
              return this.SUBRULE1(this.lastOnes);
            },
          });
          return but ?? all;
        },
      },
      {
        ALT: () => {
          this.CONSUME(t.To);
          return this.OR1([
            { ALT: () => this.SUBRULE(this.end) },
            { ALT: () => this.SUBRULE(this.lastOnes) },
          ]);
        },
      },
    ]),
  );
  protected readonly allAlong = this.oneOf('allAlong', [
    [t.Across, 0],
    [t.Around, 0],
  ]);
  protected readonly end = this.oneOf('end', [[t.End, 0]]);
  protected readonly lastOnes = this.RULE('lastOnes', (): number => {
    this.CONSUME(t.Last);
    const many = this.OPTION(() => this.SUBRULE(this.number));
    this.OPTION1(() => this.SUBRULE(this.what));
    return many ?? 1;
  });

  protected readonly times = this.RULE('times', (): Times => {
    this.OPTION(() => this.CONSUME(t.Again));
    const told = this.OR([
      { ALT: () => ({ before: this.SUBRULE(this.reach) }) },
      { ALT: () => ({ many: this.SUBRULE(this.behindTimes) }) },
      { ALT: () => ({ many: this.SUBRULE(this.beforeTimes) }) },
      { ALT: () => ({ many: this.SUBRULE(this.onceOrTwice) }) },
    ]);
    return this.ACTION(
      (): Times => ('before' in told ? { of: 'end', before: told.before } : { of: 'times', many: told.many }),
    );
  });
  protected readonly behindTimes = this.RULE('behindTimes', (): number => {
    this.CONSUME(t.TimesWord);
    return this.SUBRULE(this.number);
  });
  protected readonly beforeTimes = this.RULE('beforeTimes', (): number => {
    const many = this.SUBRULE(this.number);
    this.OPTION(() => this.CONSUME(t.More));
    this.CONSUME(t.TimesWord);
    this.OPTION1(() => this.CONSUME1(t.More));
    return many;
  });
  protected readonly onceOrTwice = this.RULE('onceOrTwice', (): number => {
    const many = this.SUBRULE(this.onceTwice);
    this.OPTION(() => this.CONSUME(t.More));
    return many;
  });
  protected readonly onceTwice = this.oneOf('onceTwice', [
    [t.Once, 1],
    [t.Twice, 2],
  ]);

  /** `from hook`, `after the ch`: whether it is the hook. */
  protected readonly behind = this.RULE('behind', (): boolean => {
    this.CONSUME(t.From);
    return this.SUBRULE(this.measured);
  });
  protected readonly measured = this.oneOf('measured', [
    [t.Hook, true],
    [t.Chain, false],
    [t.Stitches, false],
    [t.TurningChain, false],
  ]);

  /** `top of turning chain`, `top of ch 3`. */
  protected readonly topOf = this.RULE('topOf', (): void => {
    this.CONSUME(t.Top);
    this.OPTION(() => this.SUBRULE(this.measured));
    this.OPTION1(() => this.SUBRULE(this.number));
  });

  /** `in next st`, `in blo of each st`, `in blo`. */
  protected readonly into = this.RULE('into', (): Place => {
    this.CONSUME(t.In);
    const hold = this.OPTION(() => this.SUBRULE(this.hold));
    const place = this.OPTION1({
      GATE: () => hold === undefined || !tokenMatcher(this.LA(1), t.TurningChain),
      DEF: () => this.SUBRULE(this.place),
    });
    return this.ACTION(
      (): Place => ({ ...(place ?? { into: 'stitch', many: undefined }), ...(hold && { hold }) }),
    );
  });
  protected readonly place = this.RULE(
    'place',
    (): Place =>
      this.OR([
        { ALT: () => this.SUBRULE(this.eachOf) },
        { ALT: () => this.SUBRULE(this.someOf) },
        { ALT: () => this.SUBRULE(this.placed) },
        {
          ALT: (): Place => {
            this.CONSUME(t.Ring);
            return { into: 'ring', many: undefined };
          },
        },
        {
          ALT: (): Place => {
            this.CONSUME(t.Gap);
            return { into: 'gap', many: undefined };
          },
        },
        {
          ALT: (): Place => {
            this.CONSUME(t.Same);
            this.OPTION(() => this.SUBRULE1(this.what));
            this.OPTION1(() => {
              this.CONSUME(t.As);
              this.OR2([
                { ALT: () => this.SUBRULE(this.measured) },
                { ALT: () => this.CONSUME(t.Join) },
                { ALT: () => this.SUBRULE(this.lastPlace) },
              ]);
            });
            return { into: 'same', many: undefined };
          },
        },
        {
          ALT: (): Place => {
            this.OR1([{ ALT: () => this.SUBRULE(this.topOf) }, { ALT: () => this.CONSUME(t.TurningChain) }]);
            return { into: 'stitch', many: undefined };
          },
        },
        {
          ALT: (): Place => {
            this.CONSUME(t.Rest);
            return { into: 'stitch', many: 'each', every: true };
          },
        },
        { ALT: (): Place => ({ into: this.SUBRULE2(this.what), many: undefined }) },
      ]),
  );
  protected readonly lastPlace = this.RULE('lastPlace', (): void => {
    this.CONSUME(t.Last);
    this.OPTION(() => this.SUBRULE(this.what));
  });
  protected readonly eachOf = this.RULE('eachOf', (): Place => {
    this.CONSUME(t.Each);
    this.OPTION(() => {
      this.OR([
        { ALT: () => this.CONSUME(t.Next) },
        { ALT: () => this.CONSUME(t.Last) },
        { ALT: () => this.CONSUME(t.Ordinal) },
        { ALT: () => this.CONSUME(t.End) },
      ]);
    });
    const many = this.OPTION1(() => this.SUBRULE(this.number));
    const what = this.OPTION2(() => this.SUBRULE(this.what));
    return { into: what ?? 'stitch', many: many ?? 'each', every: true };
  });
  /** `next 5 sts`, `last st`, `one`. */
  protected readonly someOf = this.RULE('someOf', (): Place => {
    const many = this.OR([
      {
        ALT: () => {
          this.OR1([{ ALT: () => this.CONSUME(t.Next) }, { ALT: () => this.CONSUME(t.Last) }]);
          return this.OPTION(() => this.SUBRULE(this.number));
        },
      },
      {
        ALT: () => {
          this.OR2([{ ALT: () => this.CONSUME(t.Ordinal) }, { ALT: () => this.CONSUME(t.End) }]);
          return this.SUBRULE2(this.number);
        },
      },
      { ALT: () => this.SUBRULE1(this.number) },
    ]);
    const what = this.OPTION1(() => this.SUBRULE(this.what));
    return { into: what ?? 'stitch', many };
  });
  protected readonly placed = this.RULE('placed', (): Place => {
    const token = this.CONSUME(t.Ordinal);
    this.OPTION(() => this.SUBRULE(this.what));
    const fromHook = this.OPTION1(() => this.SUBRULE(this.behind)) ?? false;
    return { into: 'stitch', many: undefined, at: this.ACTION(() => t.numberOf(token)), fromHook };
  });

  protected readonly tail = this.RULE('tail', (): Tail => {
    const together = this.OPTION({
      GATE: () => this.countsBefore(),
      DEF: () => this.SUBRULE(this.together),
    });
    const place = this.OPTION1(() => this.SUBRULE(this.into));
    const also = this.OPTION2({
      GATE: () => place !== undefined && this.LA(1).image === 'and' && tokenMatcher(this.LA(2), t.In),
      DEF: () => {
        this.CONSUME(t.Apart);
        return this.SUBRULE1(this.into);
      },
    });
    const again = this.OPTION3(() => this.SUBRULE(this.howOften));
    const before = this.OPTION4({
      GATE: () => !tokenMatcher(this.LA(2), t.Join),
      DEF: () => this.SUBRULE(this.reach),
    });
    return { together, place, also, again, before };
  });
  /** Whether a number that comes next belongs to the stitch before it. */
  private countsBefore(): boolean {
    const [one, two, three, four] = [this.LA(1), this.LA(2), this.LA(3), this.LA(4)];
    if (tokenMatcher(one, t.Next)) return tokenMatcher(three, t.Together) || tokenMatcher(four, t.Together);
    if (!tokenMatcher(one, t.Numeral)) return true;
    return two.image === '' || [t.Together, ...ENDS].some((end) => tokenMatcher(two, end));
  }
  protected readonly howOften = this.RULE('howOften', (): number =>
    this.OR([
      { ALT: () => this.SUBRULE(this.behindTimes) },
      { ALT: () => this.SUBRULE(this.beforeTimes) },
      { ALT: () => this.SUBRULE(this.onceOrTwice) },
    ]),
  );
  protected readonly together = this.RULE(
    'together',
    (): NonNullable<Tail['together']> =>
      this.OR([
        {
          GATE: () => tokenMatcher(this.LA(2), t.Together),
          ALT: () => {
            const many = this.SUBRULE(this.number);
            this.CONSUME(t.Together);
            return { of: many };
          },
        },
        {
          ALT: () => {
            this.CONSUME1(t.Together);
            return { of: undefined };
          },
        },
        {
          // `sc 5, inc`: a number belongs to the stitch before it where no other follows.
          GATE: () => !tokenMatcher(this.LA(2), t.Together),
          ALT: () => ({ many: this.SUBRULE1(this.number) }),
        },
        {
          // `sc next 2 sts together`
          ALT: () => {
            this.CONSUME(t.Next);
            const many = this.SUBRULE2(this.number);
            this.OPTION(() => this.SUBRULE(this.what));
            this.CONSUME2(t.Together);
            return { of: many };
          },
        },
      ]),
  );
}
