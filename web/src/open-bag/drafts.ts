import { documentSchema } from '@fennot/core';
import { z } from 'zod';

const draftSchema = z.object({ basedOn: z.number(), document: documentSchema, at: z.number() });
/** Changes that have not reached the server, as the browser keeps them. */
export type Draft = z.infer<typeof draftSchema>;

const PREFIX = 'fennot.draft.';
/** A draft of another window this old has been left behind: a live window with a server saves sooner. */
const LEFT_BEHIND = 10_000;

/** This window's own name, the same after a reload. */
function windowId(): string {
  const known = sessionStorage.getItem('fennot.window');
  if (known) return known;
  const fresh = crypto.randomUUID();
  sessionStorage.setItem('fennot.window', fresh);
  return fresh;
}

const ownKey = (bag: string) => `${PREFIX}${bag}.${windowId()}`;

function read(key: string): Draft | undefined {
  try {
    const parsed = draftSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? ''));
    return parsed.success ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a draft; says whether the browser had room for it. */
export function keepDraft(bag: string, draft: Draft): boolean {
  try {
    localStorage.setItem(ownKey(bag), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = (bag: string): void => localStorage.removeItem(ownKey(bag));

/** This window's draft of a bag, or one that a closed window left behind (which then becomes ours). */
export function findDraft(bag: string): Draft | undefined {
  const own = read(ownKey(bag));
  if (own) return own;
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(`${PREFIX}${bag}.`));
  for (const key of keys) {
    const draft = read(key);
    if (draft && Date.now() - draft.at < LEFT_BEHIND) continue;
    localStorage.removeItem(key);
    if (draft) {
      keepDraft(bag, draft);
      return draft;
    }
  }
  return undefined;
}
