import { z } from 'zod';
import type { Maker } from '../api/maker.ts';

const KEY = 'fennot.maker';
const makerSchema = z.object({ id: z.string(), first: z.boolean() });

/** Keeps who works here, so that the application opens for them without the server. It is no secret: what needs one asks the server. */
export function keepMaker({ id, first }: Maker): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ id, first }));
  } catch {
    // Without storage it opens with the server only.
  }
}

/** Who worked here last, and has not signed out. */
export function keptMaker(): Maker | undefined {
  try {
    return makerSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? '')).data;
  } catch {
    return undefined;
  }
}

export function dropMaker(): void {
  try {
    localStorage.removeItem(KEY);
  } catch {
    // Nothing is kept there.
  }
}
