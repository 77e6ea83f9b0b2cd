import {
  byId,
  type Deed,
  EVENTS_AT_ONCE,
  type EventPage,
  inOrderOfDoing,
  type MakeEvent,
  NOTHING_DONE,
  nextMoment,
  recordOf,
  type WorkRecord,
  withEvent,
} from '@fennot/core';

/** What a device keeps of one bag's events. */
export interface Kept {
  readonly events: readonly MakeEvent[];
  /** Ids of those that the server may not have. */
  readonly unsent: ReadonlySet<string>;
  /** How far the server's events have been read. */
  readonly place: number;
}

/** Where a device keeps them. Every change is on the disk when it is done, or it throws. */
export interface Shelf {
  load(): Promise<Kept>;
  /** Puts events down, unsent or not; and how far has been read, if they were read. */
  put(events: readonly MakeEvent[], unsent: boolean, place?: number): Promise<void>;
  /** The server has these. */
  sent(ids: readonly string[]): Promise<void>;
}

/** Why the server did not do what it was asked. */
export type Trouble =
  /** It does not answer, or is busy: it is asked again. */
  | 'away'
  /** It does not know who asks: once it does, it is asked again. */
  | 'signed out'
  /** There is no such bag any more: nothing is asked again, and everything is kept. */
  | 'gone'
  /** What was sent cannot be taken. */
  | 'refused';

export class LineTrouble extends Error {
  readonly is: Trouble;

  constructor(is: Trouble, message: string = is) {
    super(message);
    this.is = is;
  }
}

/** The way to the server. Throws `LineTrouble`. */
export interface Line {
  add(events: readonly MakeEvent[]): Promise<void>;
  after(place: number): Promise<EventPage>;
}

/** The world outside: clocks and chance. */
export interface World {
  now(): number;
  /** An id of version 7 at a moment. */
  id(moment: number): string;
  /** This device's own id. */
  readonly device: string;
  /** Calls back after so many ms, unless the answer is called before. */
  later(ms: number, then: () => void): () => void;
}

/** How it stands between this device and the server. */
export type Standing = 'even' | 'sending' | Exclude<Trouble, 'refused'>;

export interface LogState {
  readonly record: WorkRecord;
  /** All events in their order, those that are taken back among them. */
  readonly events: readonly MakeEvent[];
  /** Events the server may not have. */
  readonly unsent: number;
  /** Events that are on no disk yet; and whether the disk would not take them. */
  readonly unkept: number;
  readonly full: boolean;
  /** Events that the server will not take; they stay on this device. */
  readonly refused: number;
  readonly line: Standing;
}

/** The first time the server is asked again after it was away, and the longest, ms. */
const [SOON, SELDOM] = [2000, 60_000];

/**
 * What is done on one bag, as one window knows it. Whatever is done counts at once; it is then put on the disk, and sent until
 * the server has it. Knows neither browser nor network nor clock.
 */
export class Logbook {
  private readonly shelf: Shelf;
  private readonly line: Line;
  private readonly world: World;
  private readonly listeners = new Set<() => void>();
  private readonly known = new Map<string, MakeEvent>();
  private readonly unsent = new Set<string>();
  private readonly refused = new Set<string>();
  /** Events of this window that are on no disk. */
  private readonly unkept = new Map<string, MakeEvent>();
  /** Events that were read, and are on no disk. */
  private readonly read = new Map<string, MakeEvent>();
  private sorted: MakeEvent[] = [];
  private record: WorkRecord = NOTHING_DONE;
  private place = 0;
  private full = false;
  private standing: Standing = 'even';
  private keeping: Promise<void> | undefined;
  private asking: Promise<void> | undefined;
  private askAnew = false;
  private wait = SOON;
  private calm: (() => void) | undefined;
  private over = false;
  private now: LogState = this.state();

  constructor(shelf: Shelf, line: Line, world: World) {
    this.shelf = shelf;
    this.line = line;
    this.world = world;
  }

  /** Takes up what the device has. Throws where its storage cannot be read. */
  async open(): Promise<void> {
    const { events, unsent, place } = await this.shelf.load();
    for (const event of events) this.known.set(event.id, event);
    for (const id of unsent) this.unsent.add(id);
    this.place = place;
    this.fold();
    this.changed();
  }

  getState = (): LogState => this.now;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Something is done, by a version of the plan. It counts at once. */
  does(deed: Deed, plan: number): MakeEvent {
    const at = this.world.now();
    const id = this.world.id(nextMoment(at, this.sorted.at(-1)?.id));
    const event: MakeEvent = { ...deed, id, at, device: this.world.device, plan };
    this.unsent.add(id);
    this.unkept.set(id, event);
    this.take([event]);
    void this.keep();
    void this.ask();
    return event;
  }

  /** Another window of this device did something. It is on the disk already; should that window go, this one sends it. */
  hear(events: readonly MakeEvent[]): void {
    for (const { id } of events) if (!this.known.has(id)) this.unsent.add(id);
    this.take(events);
  }

  /** Events out of a file: what is not known yet is kept and sent as if it had been done here. */
  takeIn(events: readonly MakeEvent[]): void {
    for (const event of events)
      if (!this.known.has(event.id)) {
        this.unsent.add(event.id);
        this.unkept.set(event.id, event);
      }
    this.take(events);
    void this.keep();
    void this.ask();
  }

  /** Sends what there is to send, and reads what there is to read. Called as often as one likes. */
  ask(): Promise<void> {
    if (this.over || this.standing === 'gone') return Promise.resolve();
    this.askAnew = true;
    this.asking ??= this.asks().finally(() => {
      this.asking = undefined;
    });
    return this.asking;
  }

  /** When everything that was done is on the disk; it rejects never. */
  async kept(): Promise<void> {
    await this.keep();
  }

  /** This window needs it no more. */
  close(): void {
    this.over = true;
    this.calm?.();
  }

  private async asks(): Promise<void> {
    this.calm?.();
    this.calm = undefined;
    void this.keep();
    try {
      while (this.askAnew && !this.over) {
        this.askAnew = false;
        await this.sendAll();
        await this.readAll();
      }
      this.wait = SOON;
      this.stand('even');
    } catch (error) {
      const trouble = error instanceof LineTrouble ? error.is : 'away';
      this.stand(trouble === 'refused' ? 'away' : trouble);
      if (trouble === 'gone' || trouble === 'signed out' || this.over) return;
      this.calm = this.world.later(this.wait, () => void this.ask());
      this.wait = Math.min(SELDOM, 2 * this.wait);
    }
  }

  private async sendAll(): Promise<void> {
    for (;;) {
      const batch = this.toSend().slice(0, EVENTS_AT_ONCE);
      if (batch.length === 0) return;
      this.stand('sending');
      await this.send(batch);
    }
  }

  private toSend(): MakeEvent[] {
    return [...this.unsent].flatMap((id) => {
      const event = this.refused.has(id) ? undefined : this.known.get(id);
      return event ? [event] : [];
    });
  }

  /** Of what is refused each half is tried by itself, until what it is that cannot be taken is alone. */
  private async send(batch: readonly MakeEvent[]): Promise<void> {
    try {
      await this.line.add(batch);
    } catch (error) {
      if (!(error instanceof LineTrouble) || error.is !== 'refused') throw error;
      const [first] = batch;
      if (batch.length === 1 && first) {
        this.refused.add(first.id);
        this.changed();
        return;
      }
      const half = batch.length >> 1;
      await this.send(batch.slice(0, half));
      await this.send(batch.slice(half));
      return;
    }
    const ids = batch.map(({ id }) => id);
    for (const id of ids) this.unsent.delete(id);
    this.changed();
    // What is on no disk yet is put there as sent.
    await this.shelf.sent(ids.filter((id) => !this.unkept.has(id))).catch(() => undefined);
  }

  private async readAll(): Promise<void> {
    for (;;) {
      const { events, at, more } = await this.line.after(this.place);
      // What comes back was sent, even where the answer to that was lost.
      const back = events.flatMap(({ id }) => (this.unsent.delete(id) && !this.unkept.has(id) ? [id] : []));
      for (const event of events)
        if (!this.known.has(event.id) || this.unkept.has(event.id)) this.read.set(event.id, event);
      this.place = at;
      this.take(events);
      await this.putDown(at, back);
      if (!more) return;
    }
  }

  /** Puts down what was read. Without room the place on the disk stays where it is: nothing before it may be missing there. */
  private async putDown(at: number, back: readonly string[]): Promise<void> {
    const read = [...this.read.values()];
    try {
      await this.shelf.put(read, false, at);
    } catch {
      return;
    }
    for (const { id } of read) {
      this.read.delete(id);
      this.unkept.delete(id);
    }
    if (back.length > 0) await this.shelf.sent(back).catch(() => undefined);
    this.changed();
  }

  private keep(): Promise<void> {
    this.keeping ??= this.keeps().finally(() => {
      this.keeping = undefined;
    });
    return this.keeping;
  }

  private async keeps(): Promise<void> {
    while (this.unkept.size > 0) {
      const waiting = [...this.unkept.values()];
      const unsent = waiting.filter(({ id }) => this.unsent.has(id));
      const sent = waiting.filter(({ id }) => !this.unsent.has(id));
      try {
        if (unsent.length > 0) await this.shelf.put(unsent, true);
        if (sent.length > 0) await this.shelf.put(sent, false);
      } catch {
        this.full = true;
        this.changed();
        return;
      }
      this.full = false;
      for (const { id } of waiting) this.unkept.delete(id);
      // Sent while they were being put down.
      const since = unsent.flatMap(({ id }) => (this.unsent.has(id) ? [] : [id]));
      if (since.length > 0) await this.shelf.sent(since).catch(() => undefined);
      this.changed();
    }
  }

  /** Learns of events, whoever did them. */
  private take(events: readonly MakeEvent[]): void {
    const fresh = inOrderOfDoing(events.filter(({ id }) => !this.known.has(id)));
    if (fresh.length === 0) return;
    for (const event of fresh) this.known.set(event.id, event);
    const [only] = fresh;
    const next = fresh.length === 1 && only ? withEvent(this.record, only) : undefined;
    if (next && only) {
      this.record = next;
      this.sorted = [...this.sorted, only];
    } else this.fold();
    this.changed();
  }

  private fold(): void {
    this.sorted = [...this.known.values()].sort(byId);
    this.record = recordOf(this.sorted);
  }

  private stand(standing: Standing): void {
    if (standing === this.standing) return;
    this.standing = standing;
    this.changed();
  }

  private state(): LogState {
    return {
      record: this.record,
      events: this.sorted,
      unsent: this.unsent.size - this.refused.size,
      unkept: this.unkept.size,
      full: this.full,
      refused: this.refused.size,
      line: this.standing,
    };
  }

  private changed(): void {
    this.now = this.state();
    for (const listener of this.listeners) listener();
  }
}
