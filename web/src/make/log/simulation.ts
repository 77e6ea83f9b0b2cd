import { EVENTS_AT_ONCE, type EventPage, type MakeEvent } from '@fennot/core';
import { idAt } from '../../../../core/src/testing/making.ts';
import { type Kept, type Line, LineTrouble, type Shelf, type World } from './logbook.ts';

/** A stand-in for one bag on the server: each event once, in the order in which they arrived. */
export class FakeServer {
  readonly events: MakeEvent[] = [];
  private readonly ids = new Set<string>();
  /** What it will not take. */
  takes: (event: MakeEvent) => boolean = () => true;

  add(events: readonly MakeEvent[]): void {
    if (!events.every(this.takes)) throw new LineTrouble('refused');
    for (const event of events)
      if (!this.ids.has(event.id)) {
        this.ids.add(event.id);
        this.events.push(event);
      }
  }

  after(place: number): EventPage {
    const events = this.events.slice(place, place + EVENTS_AT_ONCE);
    const at = place + events.length;
    return { events, at, more: at < this.events.length, unread: 0 };
  }
}

/** What may go wrong, asked each time: by chance, or as a test says. */
export interface Luck {
  /** A request does not arrive. */
  lost(): boolean;
  /** It arrives, and its answer does not. */
  unanswered(): boolean;
  /** The disk is full. */
  full(): boolean;
}

export const LUCKY: Luck = { lost: () => false, unanswered: () => false, full: () => false };

/** A way to the server on which requests and answers are lost. */
export const fakeLine = (server: FakeServer, luck: Luck): Line => {
  const through = async <T>(does: () => T): Promise<T> => {
    await Promise.resolve();
    if (luck.lost()) throw new LineTrouble('away');
    const answer = does();
    if (luck.unanswered()) throw new LineTrouble('away');
    return answer;
  };
  return {
    add: (events) => through(() => server.add(events)),
    after: (place) => through(() => server.after(place)),
  };
};

/** A disk of one device: what is on it outlives every window. */
export class FakeShelf implements Shelf {
  private readonly events = new Map<string, MakeEvent>();
  private readonly unsent = new Set<string>();
  private place = 0;
  private readonly luck: Pick<Luck, 'full'>;

  constructor(luck: Pick<Luck, 'full'> = LUCKY) {
    this.luck = luck;
  }

  async load(): Promise<Kept> {
    return { events: [...this.events.values()], unsent: new Set(this.unsent), place: this.place };
  }

  async put(events: readonly MakeEvent[], unsent: boolean, place?: number): Promise<void> {
    await Promise.resolve();
    if (this.luck.full()) throw new Error('The disk is full.');
    for (const event of events) {
      this.events.set(event.id, event);
      if (unsent) this.unsent.add(event.id);
    }
    if (place !== undefined) this.place = place;
  }

  async sent(ids: readonly string[]): Promise<void> {
    await Promise.resolve();
    if (this.luck.full()) throw new Error('The disk is full.');
    for (const id of ids) this.unsent.delete(id);
  }
}

/** A world whose time stands still unless it is moved; what is to come later comes when it is called. */
export class FakeWorld implements World {
  readonly device: string;
  time = Date.UTC(2026, 2, 7, 12);
  private made = 0;
  private readonly coming = new Set<() => void>();
  private readonly number: number;

  constructor(number: number) {
    this.number = number;
    this.device = `00000000-0000-4000-8000-${number.toString(16).padStart(12, '0')}`;
  }

  now = (): number => this.time;
  id = (moment: number): string => idAt(moment, this.number * 1e6 + this.made++);
  later = (_ms: number, then: () => void): (() => void) => {
    this.coming.add(then);
    return () => this.coming.delete(then);
  };

  /** What was to come later comes now. */
  comes(): void {
    const all = [...this.coming];
    this.coming.clear();
    for (const then of all) then();
  }
}

/** Until nothing goes on any more: every promise that can be kept is kept. */
export async function settled(): Promise<void> {
  for (let i = 0; i < 200; i++) await Promise.resolve();
}
