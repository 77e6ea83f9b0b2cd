import type { FamilyId } from '@fennot/core';

/** A family as a small folding drawing: what is laid out, and where it folds. */
const DRAWINGS: Record<FamilyId, string> = {
  'wrap-round': 'M6 14h60v34H6zM36 14v34M6 31h60M21 14v34M51 14v34',
  'faces-and-strip': 'M8 6h24v26H8zM40 6h24v26H40zM4 40h64v10H4z',
};
const FOLDS: Record<FamilyId, string> = {
  'wrap-round': 'M36 10v42',
  'faces-and-strip': 'M24 38v14M48 38v14',
};

export function FamilyIcon({ family }: { readonly family: FamilyId }) {
  return (
    <svg viewBox="0 0 72 56" className="h-12" aria-hidden="true" fill="none">
      <path d={DRAWINGS[family]} stroke="currentColor" strokeWidth={1.6} strokeLinejoin="round" />
      <path d={FOLDS[family]} stroke="var(--loosestrife)" strokeWidth={1.8} strokeDasharray="4 2.5" />
    </svg>
  );
}
