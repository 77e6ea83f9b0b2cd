import { type LaidCell, lockSet, type Plan, swapped, swapTrouble, turned } from '@fennot/core';
import { usePointed } from '../drawing/pointed.ts';
import type { BagStore } from '../open-bag/store.ts';
import { useArranging } from '../stations/arrange/arranging.ts';
import { tell } from '../ui/tell.ts';

/** Two motifs change places, or it is told why they cannot. */
export function exchange(plan: Plan, store: BagStore, a: LaidCell, b: LaidCell): void {
  const trouble = swapTrouble(a, b);
  const name = plan.graph.pieces.find(({ id }) => id === a.piece)?.name ?? a.piece;
  if (trouble) tell(`${name} ${trouble}`);
  else if (a.piece !== b.piece) tell(store.getState().change((doc) => swapped(doc, plan.cells, a, b)));
}

/** A motif that is pressed: changes places with the one that is held, or is looked at. */
export function chosen(plan: Plan, store: BagStore, piece: string): void {
  const { held, set } = useArranging.getState();
  usePointed.getState().point({ piece });
  if (held === undefined) return;
  set({ held: undefined });
  const [a, b] = [held, piece].map((id) => plan.cells.find((cell) => cell.piece === id));
  if (a && b) exchange(plan, store, a, b);
}

/**
 * What a key does with the motif that is pointed at: `x` picks it up, and lays it in another's place; `r` turns it, `l`
 * locks it, Escape lets it go.
 *
 * @returns whether the key was one of these.
 */
export function cellKey(plan: Plan, store: BagStore, key: string): boolean {
  const { held, set } = useArranging.getState();
  const { piece } = usePointed.getState();
  if (key === 'Escape' && held !== undefined) {
    set({ held: undefined });
    return true;
  }
  const cell = plan.cells.find((one) => one.piece === piece);
  if (!cell) return false;
  const { change } = store.getState();
  switch (key) {
    case 'x':
      if (held === undefined) set({ held: cell.piece });
      else chosen(plan, store, cell.piece);
      return true;
    case 'r':
      tell(
        cell.steps === 1
          ? 'A motif of this shape can lie one way only.'
          : change((doc) => turned(doc, plan.cells, cell)),
      );
      return true;
    case 'l':
      tell(change((doc) => lockSet(doc, plan.cells, cell, !cell.locked)));
      return true;
    default:
      return false;
  }
}
