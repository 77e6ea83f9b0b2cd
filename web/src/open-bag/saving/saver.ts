/**
 * Saving as a state machine: plain data in, plain data and a list of things to do out. It knows no network, no storage
 * and no clock of its own, so that thousands of histories can be tried on it (`histories.test.ts`).
 *
 * The rules it keeps:
 * - One save is under way at a time. Its outcome may be unknown (the answer was lost): then the same save is sent again
 *   under its own id, which the server knows, until an answer comes.
 * - Before anything is sent it is written down in the browser, with its id: whoever takes the work up after a crash
 *   asks for the same save again, and is never in a clash with itself.
 * - A save names the version it was made from. What the server holds meanwhile is never overwritten unseen.
 */

/** A state of the bag on the server. */
export interface Stored<D> {
  readonly version: number;
  readonly document: D;
}

/** A save that has no answer yet. */
export interface Flight<D> {
  /** The save's own id, by which the server knows a repeat. */
  readonly save: string;
  readonly basedOn: number;
  readonly document: D;
}

/** What the browser keeps of work that the server may not have. */
export interface Draft<D> {
  readonly base: Stored<D>;
  readonly mine: D;
  readonly flight?: Flight<D> | undefined;
}

export interface Saver<D> {
  /** The latest state of the server that `mine` was made from. */
  readonly base: Stored<D>;
  /** What the window holds. */
  readonly mine: D;
  readonly flight?: Flight<D> | undefined;
  /** Where the flight is: being written down (until draft number `kept`), sent, or waiting to be sent again. */
  readonly leg?:
    | { readonly is: 'keeping'; readonly kept: number }
    | { readonly is: 'sent' | 'waiting' }
    | undefined;
  /** Why the last attempt failed, and how many have in a row. */
  readonly trouble?: { readonly why: string; readonly tries: number; readonly final: boolean } | undefined;
  /** The server's state, changed by someone else while `mine` was, too. */
  readonly clash?: Stored<D> | undefined;
  /** A newer state of the server heard of while a save was under way. */
  readonly heard?: Stored<D> | undefined;
  /** Deleted elsewhere. */
  readonly gone: boolean;
  /** Number of the last draft, and of the last one that was written; what could not be written is told. */
  readonly drafts: number;
  readonly written: number;
  readonly room: boolean;
  /** When something may be sent again, ms. */
  readonly notBefore: number;
}

export type SaverEvent<D> =
  | { readonly is: 'edited'; readonly mine: D }
  /** A draft was written, or there was no room for it. */
  | { readonly is: 'kept'; readonly draft: number; readonly ok: boolean }
  | { readonly is: 'answered'; readonly save: string; readonly answer: SaveAnswer<D> }
  /** The time asked for has come. */
  | { readonly is: 'woke' }
  /** Whatever was in the way is gone, as far as one can tell: nothing need be waited for. */
  | { readonly is: 'again' }
  /** The server's state, from another window or by looking. */
  | { readonly is: 'heard'; readonly current: Stored<D> }
  | { readonly is: 'deleted' }
  /** The maker takes the other's state in a clash. */
  | { readonly is: 'took' }
  /** The page is about to go, perhaps for good. */
  | { readonly is: 'leaving' };

export type SaveAnswer<D> =
  | { readonly is: 'saved'; readonly version: number }
  | { readonly is: 'clash'; readonly current: Stored<D> }
  | { readonly is: 'gone' }
  /** No answer, or one that says to try later. */
  | { readonly is: 'failed'; readonly why: string }
  /** The server will not take this document, however often it is asked. */
  | { readonly is: 'refused'; readonly why: string };

export type Effect<D> =
  /** Write a draft; `at once` cannot wait for the disk, because the page is going. */
  | { readonly do: 'keep'; readonly number: number; readonly draft: Draft<D>; readonly atOnce: boolean }
  | { readonly do: 'drop'; readonly number: number }
  | { readonly do: 'send'; readonly flight: Flight<D>; readonly atOnce: boolean }
  | { readonly do: 'wake'; readonly at: number }
  /** Show a state that came from elsewhere. */
  | { readonly do: 'show'; readonly document: D }
  /** Tell the other windows what the server has now. */
  | { readonly do: 'announce'; readonly current: Stored<D> };

export interface SaverTools<D> {
  readonly now: number;
  readonly equal: (a: D, b: D) => boolean;
  readonly freshId: () => string;
}

export interface Step<D> {
  readonly saver: Saver<D>;
  readonly effects: readonly Effect<D>[];
}

/** Quiet time between two saves, ms. The first of a burst is sent at once. */
export const PAUSE = 600;
const RETRY_FIRST = 1000;
const RETRY_MOST = 15_000;

const pauseAfter = (tries: number) => Math.min(RETRY_MOST, RETRY_FIRST * 2 ** Math.min(10, tries - 1));

/**
 * Takes a bag up: as the server has it, or from a draft that was left behind. A draft's unanswered save is asked for
 * again; otherwise the draft is held against what the server has now.
 *
 * @param drafts how many drafts the window has written before.
 */
export function takeUp<D>(
  current: Stored<D> | undefined,
  draft: Draft<D> | undefined,
  tools: SaverTools<D>,
  drafts = 0,
): Step<D> {
  const base = draft?.base ?? current;
  if (!base) throw new Error('There is neither a bag nor a draft of one.');
  const saver: Saver<D> = {
    base,
    mine: draft?.mine ?? base.document,
    flight: draft?.flight,
    leg: draft?.flight && { is: 'waiting' },
    gone: current === undefined,
    drafts,
    written: drafts,
    room: true,
    notBefore: tools.now,
  };
  if (!current) return { saver, effects: [] };
  return draft
    ? onward(withKept(reconciled({ saver, effects: [] }, current, tools)), tools)
    : { saver, effects: [] };
}

/** Whether the window holds something the server is not known to have. */
export const isDirty = <D>({ base, mine, flight }: Saver<D>, equal: (a: D, b: D) => boolean): boolean =>
  flight !== undefined || !equal(mine, base.document);

export function step<D>(saver: Saver<D>, event: SaverEvent<D>, tools: SaverTools<D>): Step<D> {
  const { equal } = tools;
  switch (event.is) {
    case 'edited':
      if (equal(saver.mine, event.mine)) return { saver, effects: [] };
      return onward(withKept({ saver: { ...asked(saver), mine: event.mine }, effects: [] }), tools);

    case 'kept': {
      const written = event.ok ? Math.max(saver.written, event.draft) : saver.written;
      const next = { ...saver, written, room: event.ok };
      const { leg, flight } = next;
      // Without room for it the save goes out all the same: it is the safer place.
      if (leg?.is === 'keeping' && flight && event.draft >= leg.kept)
        return sent({ saver: next, effects: [] }, flight, false);
      return { saver: next, effects: [] };
    }

    case 'answered':
      return saver.flight?.save === event.save
        ? answered(saver, saver.flight, event.answer, tools)
        : { saver, effects: [] };

    case 'woke':
      return onward({ saver, effects: [] }, tools);

    case 'again':
      return onward(
        { saver: { ...saver, notBefore: Math.min(saver.notBefore, tools.now) }, effects: [] },
        tools,
      );

    case 'heard': {
      if (event.current.version <= saver.base.version && !saver.gone) return { saver, effects: [] };
      // A save under way will tell how it stands to this; until then it is only remembered.
      if (saver.flight) {
        const heard = later(saver.heard, event.current);
        return onward({ saver: { ...saver, gone: false, heard }, effects: [] }, tools);
      }
      return onward(
        reconciled({ saver: { ...saver, gone: false }, effects: [] }, event.current, tools),
        tools,
      );
    }

    case 'deleted':
      // A save under way may have come before the delete: brought back, it is asked for again.
      return withKept({ saver: { ...saver, gone: true }, effects: [] });

    case 'took': {
      if (!saver.clash) return { saver, effects: [] };
      const base = saver.clash;
      const next = { ...saver, base, mine: base.document, clash: undefined, trouble: undefined };
      return onward({ saver: next, effects: [{ do: 'show', document: base.document }] }, tools);
    }

    case 'leaving': {
      if (!isDirty(saver, equal)) return { saver, effects: [] };
      const begun = begin(saver, tools);
      const kept = withKept({ saver: begun, effects: [] }, true);
      const { flight, leg } = kept.saver;
      return flight && leg?.is !== 'sent' ? sent(kept, flight, true) : kept;
    }
  }
}

/** Another document may be asked for, whatever was refused before. */
const asked = <D>(saver: Saver<D>): Saver<D> =>
  saver.trouble?.final ? { ...saver, trouble: undefined } : saver;

const later = <D>(a: Stored<D> | undefined, b: Stored<D>) => (a && a.version > b.version ? a : b);

function answered<D>(
  saver: Saver<D>,
  flight: Flight<D>,
  answer: SaveAnswer<D>,
  tools: SaverTools<D>,
): Step<D> {
  const landed = { ...saver, flight: undefined, leg: undefined, trouble: undefined };
  switch (answer.is) {
    case 'saved': {
      const base = { version: answer.version, document: flight.document };
      const step: Step<D> = {
        saver: { ...landed, base, heard: undefined },
        effects: [{ do: 'announce', current: base }],
      };
      const { heard } = saver;
      return onward(heard && heard.version > base.version ? reconciled(step, heard, tools) : step, tools);
    }
    case 'clash':
      return onward(
        reconciled({ saver: { ...landed, heard: undefined }, effects: [] }, answer.current, tools, flight),
        tools,
      );
    case 'gone':
      return withKept({ saver: { ...saver, gone: true, leg: { is: 'waiting' } }, effects: [] });
    case 'refused': {
      const trouble = { why: answer.why, tries: 1, final: true };
      return onward(withKept({ saver: { ...landed, trouble }, effects: [] }), tools);
    }
    case 'failed': {
      const tries = (saver.trouble?.tries ?? 0) + 1;
      const notBefore = tools.now + pauseAfter(tries);
      const trouble = { why: answer.why, tries, final: false };
      return {
        saver: { ...saver, trouble, leg: { is: 'waiting' }, notBefore },
        effects: [{ do: 'wake', at: notBefore }],
      };
    }
  }
}

/** Holds what the window has against a newer state of the server. */
function reconciled<D>(
  { saver, effects }: Step<D>,
  current: Stored<D>,
  { equal }: SaverTools<D>,
  failed?: Flight<D>,
): Step<D> {
  const { base, mine, flight } = saver;
  if (flight || current.version < base.version) return { saver, effects };
  const rebased = { ...saver, base: current, clash: undefined };
  // Equal documents are no clash, whoever made them.
  if (equal(mine, current.document)) return { saver: rebased, effects };
  // Nothing of one's own: the other's state is shown.
  if (equal(mine, base.document))
    return {
      saver: { ...rebased, mine: current.document },
      effects: [...effects, { do: 'show', document: current.document }],
    };
  // Saved again as it was, or deleted and brought back; or it is this window's own work, under an id long forgotten.
  if (equal(current.document, base.document) || (failed && equal(current.document, failed.document)))
    return { saver: rebased, effects };
  return withKept({ saver: { ...saver, clash: current }, effects });
}

/** Writes down what there is, as long as there is something to lose. */
function withKept<D>({ saver, effects }: Step<D>, atOnce = false): Step<D> {
  const number = saver.drafts + 1;
  const { base, mine, flight } = saver;
  const draft: Draft<D> = { base, mine, ...(flight ? { flight } : {}) };
  return {
    saver: { ...saver, drafts: number },
    effects: [...effects, { do: 'keep', number, draft, atOnce }],
  };
}

const sent = <D>({ saver, effects }: Step<D>, flight: Flight<D>, atOnce: boolean): Step<D> => ({
  saver: { ...saver, leg: { is: 'sent' } },
  effects: [...effects, { do: 'send', flight, atOnce }],
});

/** Makes a save of what there is, unless one is under way. */
function begin<D>(saver: Saver<D>, { equal, freshId }: SaverTools<D>): Saver<D> {
  if (saver.flight || saver.clash || saver.gone || equal(saver.mine, saver.base.document)) return saver;
  const flight = { save: freshId(), basedOn: saver.base.version, document: saver.mine };
  return { ...saver, flight, leg: { is: 'waiting' } };
}

/** Whatever is to be done next: send, send again, wait, or tidy up. */
function onward<D>(now: Step<D>, tools: SaverTools<D>): Step<D> {
  const { saver, effects } = now;
  const { flight, leg, trouble } = saver;
  if (saver.clash || saver.gone) return now;
  if (!isDirty(saver, tools.equal)) {
    const number = saver.drafts + 1;
    return {
      saver: { ...saver, drafts: number, trouble: undefined },
      effects: [...effects.filter((one) => one.do !== 'keep'), { do: 'drop', number }],
    };
  }
  if (leg?.is === 'sent' || leg?.is === 'keeping') return now;
  // What the server refused is not asked again until it is another document.
  if (trouble?.final) return now;
  if (tools.now < saver.notBefore)
    return { saver, effects: [...effects, { do: 'wake', at: saver.notBefore }] };
  const begun = { ...begin(saver, tools), notBefore: tools.now + PAUSE };
  // A draft is written with the save in it, and only then the save goes out; one that is sent again is in it already.
  if (flight) return sent({ saver: begun, effects }, flight, false);
  const kept = withKept({ saver: begun, effects: effects.filter((one) => one.do !== 'keep') });
  return { saver: { ...kept.saver, leg: { is: 'keeping', kept: kept.saver.drafts } }, effects: kept.effects };
}

/** How the window stands to the server, for showing. */
export type SaveState<D> =
  /** The server has what the window shows. */
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  /** Not saved, and tried again; `kept`: written down in the browser. */
  | { readonly is: 'failing'; readonly why: string; readonly kept: boolean }
  | { readonly is: 'clash'; readonly theirs: Stored<D> }
  | { readonly is: 'gone'; readonly kept: boolean };

export function saveState<D>(saver: Saver<D>, equal: (a: D, b: D) => boolean): SaveState<D> {
  const { clash, gone, trouble, room } = saver;
  if (gone) return { is: 'gone', kept: room };
  if (clash) return { is: 'clash', theirs: clash };
  if (trouble) return { is: 'failing', why: trouble.why, kept: room };
  return isDirty(saver, equal) ? { is: 'saving' } : { is: 'saved' };
}
