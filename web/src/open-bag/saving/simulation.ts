import {
  type Draft,
  type Effect,
  type Flight,
  isDirty,
  type SaveAnswer,
  type Saver,
  type SaverEvent,
  type Stored,
  saveState,
  step,
  takeUp,
} from './saver.ts';

/**
 * A world to try saving in: a server, a network that loses, repeats and reorders, a browser's storage, and up to three
 * windows that are reloaded, killed and closed. For tests; nothing of it is in the program.
 *
 * A document is the set of edits in it, so that a lost or overwritten edit is seen at once.
 */
type Doc = readonly string[];

export type Turn =
  | {
      readonly is:
        | 'edit'
        | 'write'
        | 'again'
        | 'reload'
        | 'kill'
        | 'close'
        | 'open'
        | 'look'
        | 'take'
        | 'copy';
      readonly window: number;
    }
  | {
      readonly is: 'deliver' | 'answer' | 'drop request' | 'drop answer' | 'repeat request' | 'hear';
      readonly pick: number;
    }
  | { readonly is: 'wait'; readonly ms: number }
  | { readonly is: 'full disk'; readonly on: boolean }
  | { readonly is: 'restart server' | 'delete' | 'restore' };

export interface History {
  /** What went wrong, in words; nothing in a good history. */
  readonly wrongs: readonly string[];
  /** What happened in it. */
  readonly seen: readonly string[];
}

interface Request {
  readonly window: number;
  /** Which life of the window sent it. */
  readonly life: number;
  readonly flight: Flight<Doc>;
}

interface Window {
  life: number;
  saver: Saver<Doc>;
  wakeAt: number | undefined;
  /** Writes to the disk that are not done yet, oldest first. */
  writing: { readonly number: number; readonly draft: Draft<Doc> | undefined }[];
  /** Drafts of dead windows that this one took up: dropped when its own is written. */
  adopted: string[];
}

const equal = (a: Doc, b: Doc) => a.length === b.length && a.every((edit) => b.includes(edit));

export function runHistory(turns: readonly Turn[]): History {
  const wrongs: string[] = [];
  const seen: string[] = [];
  let now = 0;
  let ids = 0;
  let edits = 0;
  const tools = () => ({ now, equal, freshId: () => `save-${++ids}` });

  // --- server
  let server: Stored<Doc> = { version: 1, document: [] };
  let deleted = false;
  const past = new Map<number, Doc>([[1, []]]);
  const saves = new Map<string, number>();
  let requests: Request[] = [];
  let answers: { readonly request: Request; readonly answer: SaveAnswer<Doc> }[] = [];

  // --- browser
  const disk = new Map<string, Draft<Doc>>();
  let full = false;
  const windows: (Window | undefined)[] = [undefined, undefined, undefined];
  let lives = 0;
  const heard: { readonly window: number; readonly current: Stored<Doc> | 'deleted' }[] = [];

  // --- what must not be lost
  /** Edits that were written down or acknowledged, so that no crash excuses their loss. */
  const owed = new Set<string>();
  /** Edits their maker gave up knowingly, or moved to a copy. */
  const released = new Set<string>();

  const keyOf = (index: number, window: Window) => `${index}.${window.life}`;

  function serve({ flight }: Request): SaveAnswer<Doc> {
    const before = saves.get(flight.save);
    if (before !== undefined) {
      seen.push('repeat answered');
      return { is: 'saved', version: before };
    }
    if (deleted) return { is: 'gone' };
    if (flight.basedOn !== server.version) return { is: 'clash', current: server };
    const lost = server.document.filter((edit) => !flight.document.includes(edit) && !released.has(edit));
    if (lost.length > 0) wrongs.push(`${lost.join(', ')} overwritten unseen by ${flight.save}`);
    server = { version: server.version + 1, document: flight.document };
    past.set(server.version, server.document);
    saves.set(flight.save, server.version);
    for (const edit of flight.document) owed.add(edit);
    return { is: 'saved', version: server.version };
  }

  function put(
    index: number,
    window: Window,
    { saver, effects }: { saver: Saver<Doc>; effects: readonly Effect<Doc>[] },
  ) {
    if (saver.clash && saver.clash !== window.saver?.clash) seen.push('clash');
    if (saver.gone && !window.saver?.gone) seen.push('gone');
    window.saver = saver;
    for (const effect of effects) {
      switch (effect.do) {
        case 'keep':
          if (effect.atOnce && !full) keep(index, window, effect.draft);
          else window.writing.push({ number: effect.number, draft: effect.draft });
          break;
        case 'drop':
          window.writing.push({ number: effect.number, draft: undefined });
          break;
        case 'send':
          requests.push({ window: index, life: window.life, flight: effect.flight });
          break;
        case 'wake':
          window.wakeAt = Math.min(window.wakeAt ?? Infinity, effect.at);
          break;
        case 'show':
          seen.push('shown from elsewhere');
          break;
        case 'announce':
          windows.forEach((other, i) => {
            if (other && i !== index) heard.push({ window: i, current: effect.current });
          });
          break;
      }
    }
    const state = saveState(saver, equal);
    if (state.is === 'saved' && !equal(past.get(saver.base.version) ?? ['?'], saver.mine))
      wrongs.push(`window ${index} says saved, but the server never had ${saver.mine.join(', ')}`);
  }

  function keep(index: number, window: Window, draft: Draft<Doc>) {
    disk.set(keyOf(index, window), draft);
    for (const edit of [...draft.mine, ...(draft.flight?.document ?? [])])
      if (!released.has(edit)) owed.add(edit);
    for (const key of window.adopted) disk.delete(key);
    window.adopted = [];
  }

  const tell = (index: number, event: SaverEvent<Doc>) => {
    const window = windows[index];
    if (window) put(index, window, step(window.saver, event, tools()));
  };

  /** The disk does the next write of a window. */
  function write(index: number): void {
    const window = windows[index];
    const next = window?.writing.shift();
    if (!window || !next) return;
    if (next.draft && full) {
      tell(index, { is: 'kept', draft: next.number, ok: false });
      return;
    }
    if (next.draft) keep(index, window, next.draft);
    else {
      disk.delete(keyOf(index, window));
      for (const key of window.adopted) disk.delete(key);
      window.adopted = [];
    }
    tell(index, { is: 'kept', draft: next.number, ok: true });
  }

  function open(index: number): void {
    if (windows[index]) return;
    const alive = new Set(windows.flatMap((window, i) => (window ? [keyOf(i, window)] : [])));
    // One draft of a dead window is taken up; further ones wait for the next window, or their maker.
    const [found] = [...disk].filter(([key]) => !alive.has(key));
    if (deleted && !found) return;
    if (found) seen.push('draft taken up');
    const current = deleted ? undefined : server;
    const taken = takeUp(current, found?.[1], tools());
    const window: Window = {
      life: ++lives,
      saver: taken.saver,
      wakeAt: undefined,
      writing: [],
      adopted: found ? [found[0]] : [],
    };
    windows[index] = window;
    if (taken.saver.clash) seen.push('clash');
    put(index, window, taken);
  }

  const leave = (index: number) => tell(index, { is: 'leaving' });

  /** The maker decides a clash: takes the other's state, or keeps the own one as a copy first. */
  function decide(index: number, how: 'take' | 'copy'): void {
    const window = windows[index];
    if (!window?.saver.clash) return;
    if (how === 'copy') seen.push('copy');
    for (const edit of window.saver.mine) if (!window.saver.clash.document.includes(edit)) released.add(edit);
    tell(index, { is: 'took' });
  }

  const at = <T>(list: readonly T[], pick: number): T | undefined => list[pick % Math.max(1, list.length)];
  const without = <T>(list: readonly T[], item: T) => list.filter((one) => one !== item);

  function deliver(pick: number, keepIt: boolean): void {
    const request = at(requests, pick);
    if (!request) return;
    if (!keepIt) requests = without(requests, request);
    answers.push({ request, answer: serve(request) });
  }

  function answer(pick: number): void {
    const own = at(answers, pick);
    if (!own) return;
    answers = without(answers, own);
    const { window, life, flight } = own.request;
    if (windows[window]?.life === life)
      tell(window, { is: 'answered', save: flight.save, answer: own.answer });
  }

  const fails = (request: Request) => {
    const { window, life, flight } = request;
    if (windows[window]?.life === life)
      tell(window, {
        is: 'answered',
        save: flight.save,
        answer: { is: 'failed', why: 'The server does not answer.' },
      });
  };

  function wait(ms: number): void {
    now += ms;
    windows.forEach((window, i) => {
      if (window?.wakeAt === undefined || window.wakeAt > now) return;
      window.wakeAt = undefined;
      tell(i, { is: 'woke' });
    });
  }

  function turn(one: Turn): void {
    switch (one.is) {
      case 'edit': {
        const window = windows[one.window];
        if (window) tell(one.window, { is: 'edited', mine: [...window.saver.mine, `edit-${++edits}`] });
        return;
      }
      case 'write':
        write(one.window);
        return;
      case 'again':
        if (windows[one.window]) tell(one.window, { is: 'again' });
        return;
      case 'deliver':
        deliver(one.pick, false);
        return;
      case 'repeat request':
        deliver(one.pick, true);
        return;
      case 'answer':
        answer(one.pick);
        return;
      case 'drop request': {
        const request = at(requests, one.pick);
        if (!request) return;
        requests = without(requests, request);
        fails(request);
        return;
      }
      case 'drop answer': {
        const own = at(answers, one.pick);
        if (!own) return;
        answers = without(answers, own);
        fails(own.request);
        return;
      }
      case 'restart server': {
        // Connections break: what was not served never is, what was served is not answered.
        const broken = [...requests, ...answers.map(({ request }) => request)];
        requests = [];
        answers = [];
        for (const request of broken) fails(request);
        return;
      }
      case 'wait':
        wait(one.ms);
        return;
      case 'reload':
      case 'close': {
        const window = windows[one.window];
        if (!window) return;
        leave(one.window);
        windows[one.window] = undefined;
        if (one.is === 'reload') open(one.window);
        return;
      }
      case 'kill':
        windows[one.window] = undefined;
        return;
      case 'open':
        open(one.window);
        return;
      case 'look':
        tell(one.window, deleted ? { is: 'deleted' } : { is: 'heard', current: server });
        return;
      case 'hear': {
        const own = at(heard, one.pick);
        if (!own) return;
        heard.splice(heard.indexOf(own), 1);
        tell(
          own.window,
          own.current === 'deleted' ? { is: 'deleted' } : { is: 'heard', current: own.current },
        );
        return;
      }
      case 'take':
      case 'copy':
        decide(one.window, one.is);
        return;
      case 'full disk':
        full = one.on;
        return;
      case 'delete':
        if (deleted) return;
        deleted = true;
        server = { ...server, version: server.version + 1 };
        past.set(server.version, server.document);
        windows.forEach((window, i) => {
          if (window) heard.push({ window: i, current: 'deleted' });
        });
        return;
      case 'restore':
        if (!deleted) return;
        deleted = false;
        server = { ...server, version: server.version + 1 };
        past.set(server.version, server.document);
    }
  }

  open(0);
  for (const one of turns) turn(one);

  // --- the storm is over: everything comes through, every window and every draft is looked after.
  turn({ is: 'full disk', on: false });
  turn({ is: 'restore' });
  const settle = () => {
    for (let round = 0; round < 40; round++) {
      windows.forEach((window, i) => {
        while (window && windows[i] === window && window.writing.length > 0) write(i);
        if (window) turn({ is: 'look', window: i });
      });
      while (requests.length > 0) deliver(0, false);
      while (answers.length > 0) answer(0);
      for (let i = 0; i < windows.length; i++) decide(i, 'copy');
      wait(20_000);
    }
  };
  settle();
  for (let i = 0; i < 20 && disk.size > 0; i++) {
    const free = windows.findIndex((window) => !window);
    const index = free >= 0 ? free : i % windows.length;
    turn({ is: 'close', window: index });
    open(index);
    settle();
  }

  windows.forEach((window, i) => {
    if (!window) return;
    const state = saveState(window.saver, equal);
    if (state.is !== 'saved' || isDirty(window.saver, equal)) wrongs.push(`window ${i} ends ${state.is}`);
  });
  if (disk.size > 0) wrongs.push(`drafts are left: ${[...disk.keys()].join(', ')}`);
  for (const edit of owed) {
    if (!server.document.includes(edit) && !released.has(edit)) wrongs.push(`${edit} is lost`);
  }
  return { wrongs, seen };
}
