import fc from 'fast-check';
import { byId, type Deed, type MakeEvent, nextMoment, recordOf } from '../make/index.ts';

/** An id of version 7 at a moment, with a random part of so many. */
export function idAt(moment: number, random: number): string {
  const time = moment.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${random.toString(16).padStart(12, '0')}`;
}

const hex = (n: number) => n.toString(16).padStart(12, '0');
/** The id of the nth device. */
export const deviceId = (n: number) => `00000000-0000-4000-8000-${hex(n)}`;

/** A device that records what is done on it, with a clock that is so many ms wrong. */
export class TestDevice {
  readonly known = new Map<string, MakeEvent>();
  private readonly number: number;
  private readonly wrong: number;
  private made = 0;

  constructor(number: number, wrong = 0) {
    this.number = number;
    this.wrong = wrong;
  }

  /** Does something at a moment of the world. */
  does(deed: Deed, world: number): MakeEvent {
    const at = Math.max(0, world + this.wrong);
    const latest = [...this.known.keys()].sort().at(-1);
    const id = idAt(nextMoment(at, latest), this.number * 1e6 + this.made++);
    const event: MakeEvent = { ...deed, id, at, device: deviceId(this.number), plan: 1 };
    this.known.set(id, event);
    return event;
  }

  /** Learns what another one knows. */
  learns(other: Iterable<MakeEvent>): void {
    for (const event of other) this.known.set(event.id, event);
  }

  get events(): MakeEvent[] {
    return [...this.known.values()];
  }
}

const TASKS = ['motif/square/c1/4', 'motif/square/c2/4', 'panel/strip', 'edge'] as const;

/** One thing that happens: on which device, how long after the one before, and what. */
const happening = fc.record({
  device: fc.integer({ min: 0, max: 2 }),
  after: fc.integer({ min: 0, max: 3_600_000 }),
  what: fc.oneof(
    {
      weight: 3,
      arbitrary: fc.record({ of: fc.constant('begin' as const), task: fc.constantFrom(...TASKS) }),
    },
    {
      weight: 8,
      arbitrary: fc.record({
        of: fc.constant('row' as const),
        pick: fc.nat(),
        many: fc.integer({ min: 1, max: 3 }),
      }),
    },
    { weight: 2, arbitrary: fc.record({ of: fc.constant('rip' as const), pick: fc.nat(), to: fc.nat(5) }) },
    { weight: 2, arbitrary: fc.record({ of: fc.constant('finish' as const), pick: fc.nat() }) },
    { weight: 1, arbitrary: fc.record({ of: fc.constant('leave' as const), pick: fc.nat() }) },
    { weight: 2, arbitrary: fc.record({ of: fc.constant('mark' as const), pick: fc.nat(), row: fc.nat(9) }) },
    { weight: 3, arbitrary: fc.record({ of: fc.constant('step' as const), step: fc.nat(9) }) },
    {
      weight: 2,
      arbitrary: fc.record({ of: fc.constant('hide' as const), many: fc.integer({ min: 1, max: 4 }) }),
    },
    { weight: 3, arbitrary: fc.record({ of: fc.constant('undo' as const), pick: fc.nat() }) },
    {
      weight: 3,
      arbitrary: fc.record({ of: fc.constant('meet' as const), other: fc.integer({ min: 0, max: 2 }) }),
    },
  ),
});

export interface History {
  readonly devices: readonly TestDevice[];
  /** All events in the order in which they were done, each with what its device knew before. */
  readonly done: ReadonlyArray<{ readonly event: MakeEvent; readonly knowing: ReadonlySet<string> }>;
}

/** Days of work on three devices whose clocks may be hours wrong, and which meet now and then. */
export const histories: fc.Arbitrary<History> = fc
  .record({
    wrong: fc.array(fc.integer({ min: -4 * 3_600_000, max: 4 * 3_600_000 }), { minLength: 3, maxLength: 3 }),
    happenings: fc.array(happening, { maxLength: 60 }),
  })
  .map(({ wrong, happenings }) => {
    const devices = wrong.map((own, i) => new TestDevice(i, own));
    const done: Array<{ event: MakeEvent; knowing: Set<string> }> = [];
    let world = Date.UTC(2026, 2, 1);
    for (const { device, after, what } of happenings) {
      world += after;
      const own = devices[device];
      if (!own) continue;
      if (what.of === 'meet') {
        const other = devices[what.other];
        own.learns(other?.events ?? []);
        other?.learns(own.events);
        continue;
      }
      const deed = deedOf(own, what);
      if (!deed) continue;
      const knowing = new Set(own.known.keys());
      done.push({ event: own.does(deed, world), knowing });
    }
    return { devices, done };
  });

type Happening = typeof happening extends fc.Arbitrary<infer Of> ? Of : never;
type What = Exclude<Happening['what'], { of: 'meet' }>;

/** What a maker would do there, knowing what the device knows; nothing where there is nothing to do it to. */
function deedOf(device: TestDevice, what: What): Deed | undefined {
  const pick = <T>(all: readonly T[], n: number): T | undefined => all[n % Math.max(1, all.length)];
  if (what.of === 'begin') return { of: 'begun', task: what.task, rows: 4 };
  if (what.of === 'step') return { of: 'stepped', task: 'joins', steps: [`seam ${what.step}`] };
  if (what.of === 'hide') return { of: 'hidden', many: what.many };
  if (what.of === 'undo') {
    const event = pick([...device.events].sort(byId), what.pick);
    return event && { of: 'undone', event: event.id };
  }
  const work = pick([...recordOf(device.events).works.values()], what.pick);
  if (!work) return undefined;
  switch (what.of) {
    case 'row':
      return { of: 'row', work: work.id, row: work.rows + what.many };
    case 'rip':
      return { of: 'ripped', work: work.id, to: Math.min(work.rows, what.to) };
    case 'finish':
      return { of: 'finished', work: work.id, rows: work.rows };
    case 'leave':
      return { of: 'left', work: work.id };
    case 'mark':
      return { of: 'marked', work: work.id, row: what.row };
  }
}
