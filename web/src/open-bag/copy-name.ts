import { LIMITS } from '@fennot/core';

const ENDING = ' (copy)';

/** The name of a copy. A long name is cut between letters, never within one: an emoji may be several characters. */
export function copyName(name: string): string {
  const room = LIMITS.name - ENDING.length;
  let kept = '';
  for (const { segment } of new Intl.Segmenter().segment(name)) {
    if (kept.length + segment.length > room) break;
    kept += segment;
  }
  return kept.trim() + ENDING;
}
