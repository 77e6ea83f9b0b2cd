import { type DamagedBag, isDamaged, type StoredBag } from '@fennot/core';
import { api, isAway, isMissing } from '../../api/client.ts';
import { onSignedIn } from '../../api/maker.ts';
import { isAlive } from '../../api/windows.ts';
import { dropBag, keepBag, keptBag } from '../../offline/kept-bags.ts';
import { planFor } from '../plans.ts';
import { allDrafts, type LeftDraft } from './drafts.ts';
import { openSession, type Session } from './session.ts';

/** What opening a bag comes to. */
export type Opened =
  | { readonly is: 'open'; readonly session: Session }
  /** It is there, but cannot be worked on; it can be exported. */
  | { readonly is: 'unusable'; readonly name: string; readonly why: string; readonly raw: unknown }
  | { readonly is: 'missing' };

interface OpenOptions {
  readonly tell: (note: string) => void;
  readonly onSaved: () => void;
}

/** Bags that are open in this window, or closed but not saved yet: one saver a bag. */
const sessions = new Map<string, Session>();

/** Drafts of one bag, apart by whether their windows are still there. */
async function draftsOf(bag: string): Promise<{ dead: LeftDraft[]; alive: LeftDraft[] }> {
  const own = (await allDrafts()).filter((draft) => draft.bag === bag);
  const alive = await Promise.all(own.map(({ window }) => isAlive(window)));
  return { dead: own.filter((_, i) => !alive[i]), alive: own.filter((_, i) => alive[i]) };
}

const unusable = (bag: StoredBag | DamagedBag): Opened | undefined => {
  if (isDamaged(bag)) {
    const { name, problems, raw } = bag.damaged;
    const why = problems.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join(' ');
    return { is: 'unusable', name, why, raw };
  }
  const answer = planFor(bag.document);
  return answer.ok
    ? undefined
    : { is: 'unusable', name: bag.document.name, why: answer.problem, raw: bag.document };
};

/** A bag as the server has it; as this browser last had it, where the server does not answer. Nothing where it is gone. */
async function fetched(id: string): Promise<StoredBag | DamagedBag | undefined> {
  try {
    const bag = await api.bag(id);
    if (!isDamaged(bag)) void keepBag(id, bag.version, bag.document).catch(() => undefined);
    return bag;
  } catch (error) {
    if (isMissing(error)) {
      void dropBag(id).catch(() => undefined);
      return undefined;
    }
    const kept = isAway(error) ? await keptBag(id).catch(() => undefined) : undefined;
    if (kept) return kept;
    throw error;
  }
}

/**
 * Opens a bag in this window, with whatever windows that are gone left unsaved of it. A bag that was deleted meanwhile
 * is opened from its draft, so that the work in it can be kept.
 * @throws ApiProblem when the server cannot say.
 */
export async function acquire(id: string, { tell, onSaved }: OpenOptions): Promise<Opened> {
  const known = sessions.get(id);
  if (known) {
    known.hold();
    void known.look();
    return { is: 'open', session: known };
  }
  const [{ dead, alive }, bag] = await Promise.all([draftsOf(id), fetched(id)]);
  // Two openings at once come to the same session.
  const meanwhile = sessions.get(id);
  if (meanwhile) {
    meanwhile.hold();
    return { is: 'open', session: meanwhile };
  }
  const usable = dead.some((draft) => draft.ok && planFor(draft.draft.mine).ok);
  if (!bag && !usable) return { is: 'missing' };
  const bad = bag && !usable ? unusable(bag) : undefined;
  if (bad) return bad;
  const current = bag && !isDamaged(bag) ? bag : undefined;
  const session = openSession({
    id,
    current,
    drafts: dead,
    others: alive,
    tell,
    onSaved,
    onOver: () => sessions.delete(id),
  });
  sessions.set(id, session);
  return { is: 'open', session };
}

/** Every open bag of this window sends what it has: the page is going, or may be. */
function allLeaving(): void {
  for (const session of sessions.values()) session.leaving();
}

function allLook(): void {
  for (const session of sessions.values()) void session.look();
}

window.addEventListener('pagehide', allLeaving);
window.document.addEventListener('visibilitychange', () => {
  if (window.document.visibilityState === 'hidden') allLeaving();
  else allLook();
});
window.addEventListener('focus', allLook);
/** What could not be sent is sent at once. */
export function allAgain(): void {
  for (const session of sessions.values()) {
    session.again();
    void session.look();
  }
}
window.addEventListener('online', allAgain);
onSignedIn(allAgain);
