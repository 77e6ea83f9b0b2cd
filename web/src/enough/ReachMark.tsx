import type { Reach } from '@fennot/core';

/** How far yarn goes, as a mark and a word: colour alone says nothing. */
export const REACH_MARKS: Readonly<
  Record<Reach, { readonly mark: string; readonly word: string; readonly look: string }>
> = {
  enough: { mark: '✓', word: 'enough', look: 'text-reed' },
  likely: { mark: '≈', word: 'likely', look: 'text-[#7a5b00] dark:text-marigold' },
  short: { mark: '✗', word: 'short', look: 'text-loosestrife' },
  unsaid: { mark: '·', word: 'nothing set aside', look: 'text-soft' },
};

export function ReachMark({ is }: { readonly is: Reach }) {
  const { mark, word, look } = REACH_MARKS[is];
  return (
    <span className={`text-xs font-semibold whitespace-nowrap ${look}`}>
      {mark} {word}
    </span>
  );
}
