import type { Multiple } from '@fennot/core';

/** What a multiple asks, in words: `multiples of 4 and 1 more: 5, 9, 13 ...`. */
export function over({ multiple, extra }: Multiple): string {
  if (multiple === 1) return 'any count';
  const counts = [1, 2, 3].map((k) => extra + k * multiple).join(', ');
  return extra === 0
    ? `multiples of ${multiple}: ${counts} ...`
    : `multiples of ${multiple} and ${extra} more: ${counts} ...`;
}
