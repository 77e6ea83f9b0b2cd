import { create } from 'zustand';

/** What lies over the bag: the sheet of keys, or the finder. */
interface Sheets {
  readonly shown: 'keys' | 'finder' | undefined;
  show(what: Sheets['shown']): void;
}

export const useSheets = create<Sheets>()((set) => ({
  shown: undefined,
  show: (shown) => set({ shown }),
}));
