import { type CompletionContext, type CompletionResult, completeFromList } from '@codemirror/autocomplete';
import { HighlightStyle, StreamLanguage, syntaxHighlighting } from '@codemirror/language';
import { abbreviation, STITCHES, stitchName, type Terms } from '@fennot/core';
import { tags } from '@lezer/highlight';

/** What a word of a row is, for its colour. The reader in the core decides what it means. */
const WORDS: ReadonlyArray<readonly [token: string, pattern: RegExp]> = [
  ['comment', /^#(?!\s*\d).*/],
  ['heading', /^(?:rows?|rounds?|rnds?|r)\s*\d+(?:\s*(?:-|–|,|and)\s*\d+)*\s*:?/i],
  ['number', /^\d+(?:st|nd|rd|th)?/i],
  [
    'keyword',
    /^(?:inc(?:rease)?s?|dec(?:rease)?s?|tog(?:ether)?|repeat|rep|across|around|to end|to last|to|skip|miss|leave|turn|join|start|begin|fasten off|times|x(?=\s*\d))(?![a-z])/i,
  ],
  [
    'atom',
    /^(?:yo sl st|sl st|slip st(?:itch)?|ch(?:ain)?s?|[fb]p\s?h?[dt]?[cr]|hdc|sc|dc|htr|dtr|tr|bobbles?|puffs?|popcorns?|clusters?|shells?|blo|flo)(?![a-z])/i,
  ],
  ['bracket', /^[()[\]{}*]/],
];

const language = StreamLanguage.define<null>({
  startState: () => null,
  token: (stream) => {
    if (stream.eatSpace()) return null;
    for (const [token, pattern] of WORDS) if (stream.match(pattern)) return token;
    if (!stream.match(/^[a-z]+/i)) stream.next();
    return null;
  },
});

const COLOURS = HighlightStyle.define([
  { tag: tags.heading, color: 'var(--kingfisher)', fontWeight: '700' },
  { tag: tags.number, color: 'var(--marigold-ink)', fontWeight: '600' },
  { tag: tags.keyword, color: 'var(--loosestrife)' },
  { tag: tags.atom, color: 'var(--ink)', fontWeight: '600' },
  { tag: tags.bracket, color: 'var(--soft)', fontWeight: '700' },
  { tag: tags.comment, color: 'var(--soft)', fontStyle: 'italic' },
]);

export const rowLanguage = [language, syntaxHighlighting(COLOURS)];

/** What rows are begun with, and words that are longer to type than to choose. */
const PHRASES: ReadonlyArray<readonly [label: string, detail: string]> = [
  ['inc', 'two in one'],
  ['dec', 'two together'],
  ['ch 1', 'a chain'],
  ['sl st', 'slip stitch'],
  ['yo sl st', 'slip stitch, yarn over first'],
  ['skip 1', 'pass over one'],
  ['bobble', 'one top'],
  ['puff', 'one top'],
  ['popcorn', 'one top'],
  ['cluster', 'one top'],
  ['in next sp', 'under the chain'],
  ['in ring', ''],
  ['to end', 'repeat up to the end'],
  ['to last 2 sts', 'repeat up to there'],
  ['across', 'one in each'],
  ['leave the rest', 'a short row'],
  ['start in 2nd st', 'some stitches in'],
  ['join with sl st in 10th st', 'new yarn, some stitches in'],
  ['change to B', 'another colour'],
  ['repeat rows 1-2', 'the same again'],
];

/** Words that may come next, in the terms of the rows. */
export function completions(terms: () => Terms) {
  return (context: CompletionContext): CompletionResult | Promise<CompletionResult | null> | null => {
    const stitches = STITCHES.flatMap((stitch) => {
      const short = abbreviation(stitch, terms());
      return [
        { label: short, detail: stitchName(stitch, terms()), type: 'keyword' },
        { label: `fp${short}`, detail: 'round the front of the post', type: 'keyword' },
        { label: `bp${short}`, detail: 'round the back of the post', type: 'keyword' },
        { label: `blo ${short}`, detail: 'back loop only', type: 'keyword' },
        { label: `${short}2tog`, detail: 'two together', type: 'keyword' },
      ];
    });
    const next = nextRow(context);
    const all = [
      ...next,
      ...stitches,
      ...PHRASES.map(([label, detail]) => ({ label, detail, type: 'text' })),
    ];
    return completeFromList(all)(context);
  };
}

/** At the beginning of a line, the row that comes. */
function nextRow({ state, pos }: CompletionContext) {
  const line = state.doc.lineAt(pos);
  for (let at = line.number - 1; at > 0; at--) {
    const found = /^\s*(row|round)s?\s+(?:\d+\s*(?:-|–|to)\s*)?(\d+)/i.exec(state.doc.line(at).text);
    if (!found) continue;
    const [, word = 'Row', last = '0'] = found;
    return [{ label: `${word} ${Number(last) + 1}: `, detail: 'the next', type: 'keyword', boost: 5 }];
  }
  return [{ label: 'Row 1: ', detail: 'the first', type: 'keyword', boost: 5 }];
}
