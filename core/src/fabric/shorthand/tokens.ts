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
  pattern: /(?:the|an?|of|only|made|work(?:ing|ed)?|evenly|loosely|posts?|inv(?:isible)?)(?![a-z])/,
  group: Lexer.SKIPPED,
});
/** What makes and takes no stitch: where markers stand, Fennot says itself. */
const Aside = createToken({
  name: 'Aside',
  pattern:
    /(?:(?:place|move|slip|remove)\s+)?(?:(?:the|an?)\s+)?(?:st(?:itch)?\s+)?markers?(?:\s+up)?(?![a-z])|[psr]m(?![a-z])|(?:do\s+not|don['’]t)\s+(?:join|turn)(?![a-z])/,
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
  dc: word('dc', 'double(?:[ -]crochets?)?|dcs?'),
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
/** What a bunch, or a shell, is said to be of: `5-dc`. */
const OF = '\\d+[ -]?(?:h?dc|sc|h?tr|dtr)[ -]';
/** `5-dc shell`: how many, and of what. */
export const SizedShell = createToken({ name: 'SizedShell', pattern: new RegExp(`${OF}shells?(?![a-z])`) });
export const sizeOfShell = ({ image }: IToken): { readonly many: number; readonly name: Name } => {
  const [, many = '5', called] = /^(\d+)[ -]?([a-z]+)/.exec(image) ?? [];
  return { many: Number(many), name: NAMES.find((name) => name === called) ?? 'dc' };
};
/** Worked backwards along a row: it counts as any low stitch does. */
export const Crab = word('Crab', 'crab(?: st(?:itch)?(?:es)?)?|rsc|reverse (?:sc|single[ -]crochet)');
export const BUNCH = {
  bobble: word('Bobble', `(?:${OF})?bobbles?(?:[ -]st(?:itch)?(?:es)?)?|bob?`),
  puff: word('Puff', `(?:${OF})?puffs?(?:[ -]st(?:itch)?(?:es)?)?`),
  popcorn: word('Popcorn', `(?:${OF})?popcorns?(?:[ -]st(?:itch)?(?:es)?)?|pc`),
  cluster: word('Cluster', `(?:${OF})?clusters?|cl`),
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
export const BackLoop = word('BackLoop', 'back loops?|blo|bl|(?:third|3rd) loops?');
export const FrontLoop = word('FrontLoop', 'front loops?|flo|fl');
export const BothLoops = word('BothLoops', 'both loops');

/** `ch-1 sp`, `chain space`, `sp`: the place under a chain. */
export const Space = word('Space', '(?:ch(?:ain)?s?[ -]?(?:\\d+[ -]?)?)?sp(?:ace)?s?');
export const Chain = word('Chain', 'ch(?:ain)?s?');
export const TurningChain = word('TurningChain', 't-?ch|turning[ -]ch(?:ain)?');
export const Skip = word('Skip', 'skip|sk|miss');
export const Turn = word('Turn', 'turn(?: work)?');
export const Join = word('Join', '(?:sl[ -]?st|slip[ -]?stitch|ss) to join|join|attach');
export const FastenOff = word(
  'FastenOff',
  'fasten off|finish off|cut (?:the )?yarn|break (?:the )?yarn|weave in (?:the |all )?ends|fo',
);
export const Ring = word('Ring', '(?:magic |slip ?)?(?:ring|circle)|mr|mc|centre of ring|center of ring');

export const Each = word('Each', 'each|every|ea');
export const Next = word('Next', 'next|foll(?:owing)?');
export const Same = word('Same', 'same');
export const Gap = word('Gap', 'gaps?');
export const Last = word('Last', 'last');
export const Stitches = word('Stitches', 'stitch(?:es)?|sts?');
/** Of a post a stitch goes round; `around` alone says how far. */
const ROUND_A_POST =
  'a?round(?=\\s+(?:(?:the|posts?|of)\\s+)*(?:each|every|next|last|same|first|\\d+(?:st|nd|rd|th)))';
export const In = word('In', `in(?:to)?|over|on|thr(?:ough|u)|${ROUND_A_POST}`);
export const From = word('From', 'from|after');
export const Hook = word('Hook', 'hook');
export const Top = word('Top', 'top');
export const To = word('To', 'to|until');
export const End = word(
  'End',
  'end(?:(?:\\s+of)?(?:\\s+the)?\\s+(?:row|round|rnd))?|rem(?:ain(?:s|ing)?)?(?: sts?)?',
);
export const Across = word('Across', 'across|along(?:\\s+the)?(?:\\s+row)?|all the way(?: across| round)?');
export const Around = word('Around', '(?:all )?a?round');
export const Begin = word('Begin', 'start(?:ing)?|begin(?:ning)?');
export const Leave = word('Leave', 'leave|leaving');
export const Rest = word('Rest', 'rest');
export const Unworked = word('Unworked', 'unworked|free');
export const Again = word('Again', 'repeat|rep');
export const TimesWord = createToken({
  name: 'TimesWord',
  // A star behind a bracket and before a number is no place to repeat from.
  pattern: /times?(?![a-z])|[x×](?![a-z])|(?<=[)\]}]\s*)\*(?=\s*\d)/,
  start_chars_hint: ['t', 'x', '×', '*'],
});
export const More = word('More', 'more');
export const Once = word('Once', 'once');
export const Twice = word('Twice', 'twice');
/** What a chain is said to stand for: `as a st`, `as the first dc`. */
const AS =
  '(?: as)?(?: (?:an?|the|your|one|1))?(?: (?:first|1st))?(?: (?:st(?:itch)?|h?dc|sc|d?tr|htr|(?:(?:single|half|double|treble)[- ]?)+(?:crochet)?))?(?: (?:here|throughout|now))?';
export const Counts = word('Counts', `counts?${AS}`.replaceAll(' ', '\\s+'));
export const Not = word('Not', `(?:(?:do(?:es)? )?not|doesn['’]t)(?: count${AS})?`.replaceAll(' ', '\\s+'));
export const Change = word(
  'Change',
  '(?:chang(?:e|ing)|switch(?:ing)?) to(?: colou?r)?|with(?: colou?r)?|(?:using|join)? ?colou?r',
);
export const As = word('As', 'as');
/** Anything else: a colour's letter, or a word nobody knows. */
export const Other = createToken({ name: 'Other', pattern: /[^\s,;.&:()[\]{}*]+/ });

export const TOKENS: TokenType[] = [
  Blank,
  Aside,
  Article,
  Open,
  Close,
  TimesWord,
  Star,
  BackLoop,
  SizedShell,
  ...Object.values(BUNCH),
  Ordinal,
  Numeral,
  Change,
  FastenOff,
  FrontPost,
  BackPost,
  FrontLoop,
  BothLoops,
  ...Object.values(BASIC),
  YoSlip,
  Join,
  Slip,
  Crab,
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
  Ring,
  Each,
  Next,
  Same,
  Gap,
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
  More,
  Once,
  Twice,
  Counts,
  Not,
  As,
  Apart,
  Other,
];

const lexer = new Lexer(TOKENS, { positionTracking: 'onlyOffset' });

/** Letters A to Z made small: nothing else changes, so that every letter stays where it stands. */
const small = (text: string) => text.replace(/[A-Z]/g, (letter) => letter.toLowerCase());

/** The words of a row; every text has some reading, whatever stands in it. */
export const wordsOf = (text: string): IToken[] => lexer.tokenize(small(text)).tokens;
