import type { FamilyEntry } from '@fennot/core';

/** A family as a small folding drawing: what is laid out, and where it folds. */
export function FamilyIcon({ drawing }: Pick<FamilyEntry, 'drawing'>) {
  return (
    <svg viewBox="0 0 72 56" className="h-12" aria-hidden="true" fill="none">
      <path d={drawing.pieces} stroke="currentColor" strokeWidth={1.6} strokeLinejoin="round" />
      <path d={drawing.folds} stroke="var(--loosestrife)" strokeWidth={1.8} strokeDasharray="4 2.5" />
    </svg>
  );
}
