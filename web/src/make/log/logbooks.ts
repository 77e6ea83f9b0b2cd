import { addressOf, ROUTES } from '@fennot/core';
import { v7 } from 'uuid';
import { makerNow, onSignedIn } from '../../api/maker.ts';
import { uuid } from '../../api/uuid.ts';
import { listen, say } from '../../api/windows.ts';
import { IdbShelf } from './idb-shelf.ts';
import { Logbook, type Shelf, type World } from './logbook.ts';
import { serverLine } from './server-line.ts';

const DEVICE = 'fennot.device';

/** Made once, and kept where it can be kept. */
function deviceOf(): string {
  try {
    const known = localStorage.getItem(DEVICE);
    if (known) return known;
    const made = uuid();
    localStorage.setItem(DEVICE, made);
    return made;
  } catch {
    // Without storage each page is a device of its own.
    return uuid();
  }
}

let device: string | undefined;

/** This browser's own id. */
export function thisDevice(): string {
  device ??= deviceOf();
  return device;
}

const world: World = {
  now: () => Date.now(),
  id: (msecs) => v7({ msecs }),
  get device() {
    return thisDevice();
  },
  later: (ms, then) => {
    const timer = setTimeout(then, ms);
    return () => clearTimeout(timer);
  },
};

interface Held {
  readonly book: Logbook;
  readonly open: Promise<void>;
  readonly stop: () => void;
  holders: number;
}

/** Logbooks of this window: one a bag, as long as anybody shows it. */
const books = new Map<string, Held>();

/** Opens the logbook of a bag. It is let go by the answer. */
export function holdLogbook(bag: string): {
  readonly book: Logbook;
  readonly open: Promise<void>;
  readonly letGo: () => void;
} {
  const held = books.get(bag) ?? begin(bag);
  books.set(bag, held);
  held.holders++;
  return {
    book: held.book,
    open: held.open,
    letGo: () => {
      held.holders--;
      // Shown again before all is on the disk, it is the same one: another would not know of it yet.
      void held.book.kept().then(() => {
        if (held.holders > 0 || books.get(bag) !== held) return;
        books.delete(bag);
        held.stop();
      });
    },
  };
}

function begin(bag: string): Held {
  const maker = makerNow()?.id ?? '';
  const book = new Logbook(telling(new IdbShelf(maker, bag), maker, bag), serverLine(bag), world);
  const ask = () => void book.ask();
  const stops = [
    listen((word) => {
      if (word.of === 'events' && word.bag === bag && word.maker === maker) book.hear(word.events);
    }),
    onSignedIn(ask),
    on(window, 'online', ask),
    on(window, 'focus', ask),
    hearing(bag, ask),
  ];
  return {
    book,
    open: book.open().then(ask),
    holders: 0,
    stop: () => {
      for (const stop of stops) stop();
      book.close();
    },
  };
}

/** A shelf that tells this browser's other windows what was put down. */
const telling = (shelf: Shelf, maker: string, bag: string): Shelf => ({
  load: () => shelf.load(),
  put: async (events, unsent, place) => {
    await shelf.put(events, unsent, place);
    if (unsent) say({ of: 'events', maker, bag, events });
  },
  sent: (ids) => shelf.sent(ids),
});

function on(target: EventTarget, event: string, then: () => void): () => void {
  target.addEventListener(event, then);
  return () => target.removeEventListener(event, then);
}

/**
 * Hears of what other devices did, as long as there is a line: the browser opens it again by itself. A page that nobody sees
 * lets go of its line, for a browser has but a few to one server; seen again, it asks.
 */
function hearing(bag: string, then: () => void): () => void {
  if (typeof EventSource === 'undefined') return () => {};
  let source: EventSource | undefined;
  const look = () => {
    const seen = document.visibilityState === 'visible';
    if (seen && !source) {
      source = new EventSource(`${addressOf(ROUTES.events, bag)}/heard`);
      source.addEventListener('new', then);
    } else if (!seen) {
      source?.close();
      source = undefined;
    }
  };
  look();
  const stop = on(document, 'visibilitychange', look);
  return () => {
    stop();
    source?.close();
  };
}
