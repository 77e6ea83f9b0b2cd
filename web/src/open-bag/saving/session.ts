import { type BagDocument, isDamaged, type StoredBag } from '@fennot/core';
import { dequal } from 'dequal';
import { createStore, type StoreApi } from 'zustand';
import { ApiProblem, AWAY, api, isMissing } from '../../api/client.ts';
import { uuid } from '../../api/uuid.ts';
import { listen, say, WINDOW, whenGone } from '../../api/windows.ts';
import { keepBag } from '../../offline/kept-bags.ts';
import { planFor } from '../plans.ts';
import { type BagStore, createBagStore, settled } from '../store.ts';
import { draftKey, dropDraft, keepDraft, keepLeaving, type LeftDraft } from './drafts.ts';
import {
  type Draft,
  type Effect,
  isDirty,
  type SaveAnswer,
  type Saver,
  type SaverEvent,
  type SaveState,
  type Step,
  saveState,
  step,
  takeUp,
} from './saver.ts';

/** A disk that does not answer for so long is not waited for before a save is sent, ms. */
const DISK_PATIENCE = 1500;

/** An open bag: what the maker works on, and how it gets to the server. */
export interface Session {
  readonly id: string;
  readonly store: BagStore;
  /** The version at the server that the state here was made from. */
  version(): number;
  readonly state: StoreApi<SaveState<BagDocument>>;
  /** What windows that are gone left of this bag and this one could not take up. */
  readonly left: StoreApi<readonly LeftDraft[]>;
  /** Sends at once what has not been sent: the page is going, or may be. */
  leaving(): void;
  /** Asks the server what it has now. */
  look(): Promise<void>;
  /** Goes on from the other's state in a clash; undo brings one's own back. */
  take(): void;
  /** Forgets a draft that was left behind, once it has found its place. */
  forget(key: string): Promise<void>;
  /** Ends the session as soon as everything is saved. */
  release(): void;
  /** Shows it once more: a session is released as often as it is held. */
  hold(): void;
  /** What could not be sent is sent at once: there is a line again, or the maker is known again. */
  again(): void;
}

interface SessionOptions {
  readonly id: string;
  /** What the server has; nothing when the bag was deleted. */
  readonly current: StoredBag | undefined;
  /** Drafts of windows that are gone, the latest first. */
  readonly drafts: readonly LeftDraft[];
  /** Windows that are there and have drafts: when one goes, its draft is taken up. */
  readonly others: readonly LeftDraft[];
  readonly tell: (note: string) => void;
  readonly onSaved: () => void;
  readonly onOver: () => void;
}

type Doc = BagDocument;
const equal = (a: Doc, b: Doc) => a === b || dequal(a, b);

/** What came of asking the server to save. */
async function send(id: string, flight: NonNullable<Saver<Doc>['flight']>, outlive: boolean) {
  const { save, basedOn, document } = flight;
  try {
    const { version } = await api.saveBag(id, save, basedOn, document, outlive);
    return { is: 'saved', version } satisfies SaveAnswer<Doc>;
  } catch (error) {
    return failureOf(error);
  }
}

/** What the server has in a clash; a state that cannot be laid out here is left alone, and so is one's own. */
function clashWith(current: StoredBag): SaveAnswer<Doc> {
  const answer = planFor(current.document);
  return answer.ok
    ? { is: 'clash', current }
    : {
        is: 'refused',
        why: `The bag was changed elsewhere to one that cannot be shown here: ${answer.problem}`,
      };
}

function failureOf(error: unknown): SaveAnswer<Doc> {
  if (isMissing(error)) return { is: 'gone' };
  if (!(error instanceof ApiProblem)) return { is: 'failed', why: 'The save broke off in this window.' };
  const { status, current, message } = error;
  if (current && !isDamaged(current)) return clashWith(current);
  // Signed out, it waits for its maker to come back.
  const again = status === AWAY || status >= 500 || [401, 408, 429].includes(status);
  return { is: again ? 'failed' : 'refused', why: message };
}

/** What the server has is kept here, too, to be opened without it. */
function keepHere(
  id: string,
  { version, document }: { readonly version: number; readonly document: Doc },
): void {
  void keepBag(id, version, document).catch(() => undefined);
}

export function openSession(options: SessionOptions): Session {
  const { id, current, tell, onSaved, onOver } = options;
  const tools = () => ({ now: Date.now(), equal, freshId: uuid });
  // The latest draft that can be read is gone on from; whatever else there is waits for its maker.
  const usable = options.drafts.find(
    (one): one is Extract<LeftDraft, { ok: true }> => one.ok && planFor(one.draft.mine).ok,
  );
  const begun = takeUp(current, usable?.draft, tools());
  const { base, mine } = begun.saver;
  const store = createBagStore(planFor(base.document).ok ? base.document : mine, tell);
  let saver = begun.saver;
  const state = createStore<SaveState<Doc>>(() => saveState(saver, equal));
  const left = createStore<readonly LeftDraft[]>(() => options.drafts.filter((one) => one !== usable));

  const own = draftKey(id, WINDOW);
  let adopted = usable ? [usable.key] : [];
  let writing = Promise.resolve();
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** How many show it. */
  let holders = 1;
  let over = false;
  /** Set while a state that came from elsewhere is put on the table: it is no edit. */
  let showing = false;
  /** Set while the server waits to be looked at. */
  let looking = false;
  const watching = new AbortController();

  const put = (next: Step<Doc>) => {
    const kept = saver.base;
    saver = next.saver;
    if (saver.base !== kept) keepHere(id, saver.base);
    for (const effect of next.effects) act(effect);
    const shown = saveState(saver, equal);
    if (!dequal(shown, state.getState())) state.setState(shown, true);
    endIfDone();
  };
  const tellSaver = (event: SaverEvent<Doc>) => {
    if (!over) put(step(saver, event, tools()));
  };

  function act(effect: Effect<Doc>): void {
    switch (effect.do) {
      case 'keep':
        if (effect.atOnce)
          keepLeaving({ bag: id, window: WINDOW, number: effect.number, draft: effect.draft });
        write(effect.number, effect.draft);
        break;
      case 'drop':
        write(effect.number, undefined);
        break;
      case 'send': {
        const { flight, atOnce } = effect;
        void send(id, flight, atOnce).then((answer) =>
          tellSaver({ is: 'answered', save: flight.save, answer }),
        );
        break;
      }
      case 'wake':
        clearTimeout(timer);
        timer = setTimeout(() => tellSaver({ is: 'woke' }), Math.max(0, effect.at - Date.now()));
        break;
      case 'show':
        showing = true;
        store.getState().replace(effect.document);
        showing = false;
        break;
      case 'announce':
        say({ of: 'bag', bag: id, is: 'saved', version: effect.current.version });
        onSaved();
        break;
    }
  }

  /** Drafts are written one after the other; the latest says what holds. */
  function write(number: number, draft: Draft<Doc> | undefined): void {
    writing = writing.then(async () => {
      // A later one is waiting already: this one need not be written, as it is in that.
      if (number < saver.drafts && saver.leg?.is !== 'keeping') return;
      const done = draft
        ? keepDraft({ bag: id, window: WINDOW, number, draft })
        : Promise.all([own, ...adopted].map(dropDraft));
      const late = new Promise<never>((_, reject) => setTimeout(reject, DISK_PATIENCE));
      const ok = await Promise.race([done, late]).then(
        () => true,
        () => false,
      );
      if (ok && adopted.length > 0) {
        const taken = adopted;
        adopted = [];
        if (draft) await Promise.all(taken.map(dropDraft)).catch(() => {});
      }
      tellSaver({ is: 'kept', draft: number, ok });
    });
  }

  /** Takes up what another window left, if there is nothing of one's own; otherwise it waits for its maker. */
  function adopt(draft: LeftDraft): void {
    if (over) return;
    const free = draft.ok && !isDirty(saver, equal) && !saver.clash && !saver.gone;
    if (!free || !draft.ok || !planFor(draft.draft.mine).ok) {
      left.setState([...left.getState(), draft], true);
      return;
    }
    adopted = [...adopted, draft.key];
    const taken = takeUp(saver.base, draft.draft, tools(), saver.drafts);
    put({ ...taken, effects: [{ do: 'show', document: taken.saver.mine }, ...taken.effects] });
  }

  for (const other of options.others)
    void whenGone(other.window, watching.signal).then(async (gone) => {
      if (!gone) return;
      const { allDrafts } = await import('./drafts.ts');
      const still = (await allDrafts()).find(({ key }) => key === other.key);
      if (still) adopt(still);
    });

  const stopListening = listen((word) => {
    if (word.of !== 'bag' || word.bag !== id) return;
    if (word.is === 'deleted') tellSaver({ is: 'deleted' });
    else if (word.is !== 'saved' || word.version > saver.base.version) void look();
  });

  let before = settled(store.getState());
  const unsubscribe = store.subscribe((now) => {
    const mine = settled(now);
    if (mine !== before) {
      before = mine;
      if (!showing) tellSaver({ is: 'edited', mine });
    }
    if (looking && now.before === undefined) void look();
  });

  async function look(): Promise<void> {
    // A gesture is not broken into: what is new is looked at when it is over.
    looking = store.getState().before !== undefined;
    if (looking || over) return;
    try {
      const bag = await api.bag(id);
      if (!isDamaged(bag) && planFor(bag.document).ok) tellSaver({ is: 'heard', current: bag });
    } catch (error) {
      if (isMissing(error)) tellSaver({ is: 'deleted' });
    }
  }

  function endIfDone(): void {
    if (holders > 0 || over || isDirty(saver, equal) || saver.clash || saver.gone) return;
    over = true;
    clearTimeout(timer);
    unsubscribe();
    stopListening();
    watching.abort();
    onOver();
  }

  // What was left behind is put on the table over what the server has, so that undo shows the difference.
  if (!equal(begun.saver.mine, begun.saver.base.document)) {
    showing = true;
    store.getState().replace(begun.saver.mine);
    showing = false;
  }
  put(begun);

  return {
    id,
    store,
    version: () => saver.base.version,
    state,
    left,
    leaving: () => tellSaver({ is: 'leaving' }),
    look,
    take: () => tellSaver({ is: 'took' }),
    forget: async (key) => {
      await dropDraft(key);
      left.setState(
        left.getState().filter((one) => one.key !== key),
        true,
      );
    },
    release: () => {
      holders--;
      tellSaver({ is: 'leaving' });
      endIfDone();
    },
    hold: () => {
      holders++;
    },
    again: () => tellSaver({ is: 'again' }),
  };
}
