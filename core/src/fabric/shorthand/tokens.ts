import { createToken, type IToken, Lexer, type TokenType } from 'chevrotain';
import { NAMES, type Name } from './vocabulary.ts';

/**
 * The words of a row. Letters have been made small before; what stands between words (commas, full stops, "and") only
 * parts them. The first pattern that fits is taken, so longer words stand before those they begin with.
 */

const word = (name: string, pattern: string) =>
  createToken({ name, pattern: new RegExp(`(?:${pattern})(?![a-z])`) });

const Blank = createToken({ name: 'Blank', pattern: /[\s ​]+/, group: Lexer.SKIPPED });
/** Small words that change nothing. */
const Article = createToken({
  name: 'Article',
  pattern: /(?:the|an?|of|only|made)(?![a-z])/,
  group: Lexer.SKIPPED,
});
export const Apart = createToken({ name: 'Apart', pattern: /[,;.&:]|(?:and|then)(?![a-z])/ });

export const Open = createToken({ name: 'Open', pattern: /[([{]/ });
export const Close = createToken({ name: 'Close', pattern: /[)\]}]/ });
export const Star = createToken({ name: 'Star', pattern: /\*+/ });

const COUNTED = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
const PLACES = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

export const Ordinal = createToken({
  name: 'Ordinal',
  pattern: new RegExp(`\\d+(?:st|nd|rd|th)(?![a-z])|(?:${PLACES.join('|')})(?![a-z])`),
});
export const Numeral = createToken({
  name: 'Numeral',
  pattern: new RegExp(`\\d+|(?:${COUNTED.join('|')})(?![a-z])`),
});

/** The number that a numeral or an ordinal says. */
export function numberOf({ image }: IToken): number {
  const digits = Number.parseInt(image, 10);
  if (!Number.isNaN(digits)) return digits;
  return Math.max(COUNTED.indexOf(image), PLACES.indexOf(image)) + 1;
}

/** One token for each name a basic stitch may have; which stitch it is, the terms say. */
export const BASIC: Readonly<Record<Name, TokenType>> = {
  hdc: word('hdc', 'half[ -]double(?:[ -]crochets?)?|hdcs?'),
  htr: word('htr', 'half[ -]trebles?(?:[ -]crochets?)?|htrs?'),
  dtr: word('dtr', 'double[ -]trebles?(?:[ -]crochets?)?|dtrs?'),
  sc: word('sc', 'single(?:[ -]crochets?)?|scs?'),
  dc: word('dc', 'double[ -]crochets?|dcs?'),
  tr: word('tr', 'trebles?(?:[ -]crochets?)?|trs?'),
};
export const nameOfToken = ({ tokenType }: IToken): Name | undefined =>
  NAMES.find((name) => BASIC[name] === tokenType);

/** A slip stitch with the yarn laid over first: it stands a little higher, and the fabric looks plaited. */
export const YoSlip = word(
  'YoSlip',
  '(?:yarn[ -]over|yo)[ -]?(?:slip[ -]?st(?:itch)?(?:es)?|sl[ -]?sts?|ss)|yoss',
);
export const Slip = word('Slip', 'slip[ -]?st(?:itch)?(?:es)?|sl[ -]?sts?|ss');
export const BUNCH = {
  bobble: word('Bobble', 'bobbles?(?:[ -]st(?:itch)?(?:es)?)?|bob?'),
  puff: word('Puff', 'puffs?(?:[ -]st(?:itch)?(?:es)?)?'),
  popcorn: word('Popcorn', 'popcorns?(?:[ -]st(?:itch)?(?:es)?)?|pc'),
  cluster: word('Cluster', 'clusters?|cl'),
} as const;
export const Shell = word('Shell', 'shells?');
export const VStitch = word('VStitch', 'v[ -]?st(?:itch)?(?:es)?');

export const Increase = word('Increase', 'increases?|incs?');
export const Decrease = word('Decrease', 'decreases?|decs?');
export const Together = word('Together', 'tog(?:ether)?');

/** `fpdc`, `front post dc`. */
export const FrontPost = createToken({
  name: 'FrontPost',
  pattern: /front[ -]post(?![a-z])|fp(?![a-z])|fp(?=h?dc|sc|h?tr|dtr)/,
});
export const BackPost = createToken({
  name: 'BackPost',
  pattern: /back[ -]post(?![a-z])|bp(?![a-z])|bp(?=h?dc|sc|h?tr|dtr)/,
});
export const BackLoop = word('BackLoop', 'back loops?|blo|bl');
export const FrontLoop = word('FrontLoop', 'front loops?|flo|fl');
export const BothLoops = word('BothLoops', 'both loops');

/** `ch-1 sp`, `chain space`, `sp`: the place under a chain. */
export const Space = word('Space', '(?:ch(?:ain)?s?[ -]?(?:\\d+[ -]?)?)?sp(?:ace)?s?');
export const Chain = word('Chain', 'ch(?:ain)?s?');
export const TurningChain = word('TurningChain', 't-?ch|turning[ -]ch(?:ain)?');
export const Skip = word('Skip', 'skip|sk|miss');
export const Turn = word('Turn', 'turn(?: work)?');
export const Join = word('Join', 'join|attach');
export const FastenOff = word('FastenOff', 'fasten off|finish off|cut (?:the )?yarn|break (?:the )?yarn|fo');
export const Ring = word('Ring', '(?:magic |slip ?)?(?:ring|circle)|mr|mc|centre of ring|center of ring');

export const Each = word('Each', 'each|every|ea');
export const Next = word('Next', 'next|foll(?:owing)?');
export const Same = word('Same', 'same');
export const Last = word('Last', 'last');
export const Stitches = word('Stitches', 'stitch(?:es)?|sts?');
export const In = word('In', 'in(?:to)?|over|on');
export const From = word('From', 'from|after');
export const Hook = word('Hook', 'hook');
export const Top = word('Top', 'top');
export const To = word('To', 'to|until');
export const End = word('End', 'end(?: (?:row|round|rnd))?|remain(?:s|ing)?(?: sts?)?');
export const Across = word('Across', 'across|along|all the way(?: across| round)?');
export const Around = word('Around', '(?:all )?a?round');
export const Begin = word('Begin', 'start(?:ing)?|begin(?:ning)?');
export const Leave = word('Leave', 'leave|leaving');
export const Rest = word('Rest', 'rest');
export const Unworked = word('Unworked', 'unworked|free');
export const Again = word('Again', 'repeat|rep');
export const TimesWord = createToken({ name: 'TimesWord', pattern: /times(?![a-z])|[x×](?![a-z])/ });
export const More = word('More', 'more');
export const Once = word('Once', 'once');
export const Twice = word('Twice', 'twice');
export const Counts = word('Counts', 'counts?(?: as)?');
export const Not = word('Not', '(?:do(?:es)? )?not(?: count(?: as)?)?');
export const Change = word(
  'Change',
  '(?:change|switch) to(?: colou?r)?|with(?: colou?r)?|(?:using|join)? ?colou?r',
);
export const Evenly = word('Evenly', 'evenly');
/** Anything else: a colour's letter, or a word nobody knows. */
export const Other = createToken({ name: 'Other', pattern: /[^\s,;.&:()[\]{}*]+/ });

export const TOKENS: TokenType[] = [
  Blank,
  Article,
  Open,
  Close,
  Star,
  Ordinal,
  Numeral,
  Change,
  FastenOff,
  FrontPost,
  BackPost,
  BackLoop,
  FrontLoop,
  BothLoops,
  ...Object.values(BASIC),
  YoSlip,
  Slip,
  ...Object.values(BUNCH),
  Shell,
  VStitch,
  Increase,
  Decrease,
  Together,
  TurningChain,
  Space,
  Chain,
  Skip,
  Turn,
  Join,
  Ring,
  Each,
  Next,
  Same,
  Last,
  Stitches,
  In,
  From,
  Hook,
  Top,
  To,
  End,
  Around,
  Across,
  Begin,
  Leave,
  Rest,
  Unworked,
  Again,
  TimesWord,
  More,
  Once,
  Twice,
  Counts,
  Not,
  Evenly,
  Apart,
  Other,
];

const lexer = new Lexer(TOKENS, { positionTracking: 'onlyOffset' });

/** Letters A to Z made small: nothing else changes, so that every letter stays where it stands. */
const small = (text: string) => text.replace(/[A-Z]/g, (letter) => letter.toLowerCase());

/** The words of a row; every text has some reading, whatever stands in it. */
export const wordsOf = (text: string): IToken[] => lexer.tokenize(small(text)).tokens;
