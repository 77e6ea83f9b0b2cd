import { create } from 'zustand';

interface Place {
  readonly piece: string | undefined;
  readonly line: string | undefined;
  /** One edge of the piece, walked to by keys. */
  readonly edge: number | undefined;
}

/** What the maker points at in either drawing. It lights up in both. */
interface Pointed extends Place {
  point(at: Partial<Place>): void;
}

export const usePointed = create<Pointed>()((set) => ({
  piece: undefined,
  line: undefined,
  edge: undefined,
  point: ({ piece, line, edge }) => set({ piece, line, edge }),
}));
