import { create } from 'zustand';

/** What the maker points at in either drawing. It lights up in both. */
interface Pointed {
  readonly piece: string | undefined;
  readonly line: string | undefined;
  point(at: { piece?: string | undefined; line?: string | undefined }): void;
}

export const usePointed = create<Pointed>()((set) => ({
  piece: undefined,
  line: undefined,
  point: ({ piece, line }) => set({ piece, line }),
}));
