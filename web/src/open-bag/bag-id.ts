import { createContext, useContext } from 'react';

/** Id of the bag that is open; nothing where there is none, as in a drawing by itself. */
export const BagId = createContext<string | undefined>(undefined);

export const useBagId = (): string | undefined => useContext(BagId);
