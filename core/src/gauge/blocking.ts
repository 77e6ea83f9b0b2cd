/** How far pieces of a fibre can be blocked without losing their shape again, per cent. */
const BLOCKS: ReadonlyArray<readonly [RegExp, number]> = [
  [/acrylic/i, 2],
  [/jersey/i, 2],
  [/linen/i, 3],
  [/wool|alpaca/i, 7],
];
const USUALLY_BLOCKS = 4;
/** How far a piece of a fibre can be pinned out and stays so, per cent. */
export const blocksBy = (fibre: string): number =>
  BLOCKS.find(([word]) => word.test(fibre))?.[1] ?? USUALLY_BLOCKS;
