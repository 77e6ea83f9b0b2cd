import { create } from 'zustand';

/** What the hand does on the net. */
interface Arranging {
  /** Design that is laid wherever the hand goes; without one, motifs change places. */
  readonly brush: { readonly motif: string; readonly design: string } | undefined;
  /** A motif picked up by key, to change places with the next one that is chosen. */
  readonly held: string | undefined;
  /** The pair of twins that is looked at. */
  readonly walk: number | undefined;
  set(next: Partial<Pick<Arranging, 'brush' | 'held' | 'walk'>>): void;
}

export const useArranging = create<Arranging>()((set) => ({
  brush: undefined,
  held: undefined,
  walk: undefined,
  set,
}));
