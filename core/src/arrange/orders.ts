import type { BagGraph } from '../bag/index.ts';
import { groupBy } from '../geometry/index.ts';
import type { LaidCell } from './cells.ts';
import { type Place, placesOf, stepsOf } from './places.ts';
import type { Task } from './task.ts';

/** Ways of laying motifs that follow a plan. */
export const ORDERS = [
  'chequer',
  'stripes-level',
  'stripes-upright',
  'stripes-diagonal',
  'rings',
  'light-to-dark',
  'hues-round',
  'mirrored',
  'half-turn',
] as const;
export type Order = (typeof ORDERS)[number];

/** What each is called, and what it does. */
export const ORDER_WORDS: Record<Order, { readonly name: string; readonly about: string }> = {
  chequer: { name: 'Chequer', about: 'Designs in turn from cell to cell, over the seams as well.' },
  'stripes-level': { name: 'Stripes, level', about: 'One design to a row, all round the bag.' },
  'stripes-upright': {
    name: 'Stripes, upright',
    about: 'One design to a column, the same in front and behind.',
  },
  'stripes-diagonal': {
    name: 'Stripes, diagonal',
    about: 'One design to a slope, rising to the right on every face.',
  },
  rings: { name: 'Rings', about: 'One design to a ring, from the middle of each face outwards.' },
  'light-to-dark': {
    name: 'Light to dark',
    about: 'From the darkest at the bottom to the lightest at the top, each as many as there are.',
  },
  'hues-round': {
    name: 'Hues round the bag',
    about: 'By hue from the left round the bag, each as many as there are.',
  },
  mirrored: {
    name: 'Mirrored',
    about: 'The left half of every face, seen in a mirror, makes the right half.',
  },
  'half-turn': { name: 'Half a turn', about: 'Behind as in front: turned by half it looks the same.' },
};

/** An order laid out: the design of each cell, and what it needs of each against what there is. */
export interface OrderedCells {
  /** Design, by its place in the task, of each cell; locked ones as they were. */
  readonly laying: readonly number[];
  readonly needs: ReadonlyArray<{ readonly design: number; readonly needs: number; readonly there: number }>;
}

/** A cell with its slot in the task and its place on the bag. */
interface Placed {
  readonly slot: number;
  readonly place: Place;
}

/** Places within this share of a side are the same row, column or place. */
const SAME_PLACE = 0.3;

/** Lays the bag by a plan. What is locked stays where it is. */
export function ordered(task: Task, graph: BagGraph, cells: readonly LaidCell[], order: Order): OrderedCells {
  const slot = new Map(task.slots.flatMap((piece, i) => (piece === undefined ? [] : [[piece, i] as const])));
  const placed = placesOf(
    graph,
    cells.map(({ piece }) => piece),
  ).flatMap((place): Placed[] => {
    const at = slot.get(place.piece);
    return at === undefined ? [] : [{ slot: at, place }];
  });
  const laying = [...task.laid];
  for (const [group, own] of groupBy(placed, (one) => task.group[one.slot])) {
    const designs = task.designs.flatMap(({ motif, rounds }, i) => {
      const { motif: id, rounds: many } = task.supply[group ?? 0] ?? {};
      return motif === id && rounds === many ? [i] : [];
    });
    const laid = layGroup(task, own, designs, order);
    for (const [at, design] of laid) if (!task.locked[at]) laying[at] = design;
  }
  return { laying, needs: needsOf(task, laying) };
}

function needsOf(task: Task, laying: readonly number[]): OrderedCells['needs'] {
  return task.supply.flatMap(({ many }) =>
    many.map(({ design, many: there }) => ({
      design,
      there,
      needs: laying.filter((one, i) => one === design && task.slots[i] !== undefined).length,
    })),
  );
}

/** Which design each slot of one motif and size gets. */
function layGroup(
  task: Task,
  own: readonly Placed[],
  designs: readonly number[],
  order: Order,
): Map<number, number> {
  const within = SAME_PLACE * Math.min(...own.map(({ place }) => place.side));
  const turn = (steps: readonly number[]) =>
    new Map(own.map(({ slot }, i) => [slot, designs[(steps[i] ?? 0) % designs.length] ?? 0]));
  const across = () =>
    stepsOf(
      own.map(({ place }) => acrossOf(place)),
      within,
    );
  const up = () =>
    stepsOf(
      own.map(({ place }) => place.at.y),
      within,
    );
  switch (order) {
    case 'chequer':
      return turn(parities(task, own, designs.length));
    case 'stripes-level':
      return turn(up());
    case 'stripes-upright':
      return turn(across());
    case 'stripes-diagonal': {
      const [x, y] = [across(), up()];
      return turn(x.map((one, i) => one + (y[i] ?? 0)));
    }
    case 'rings':
      return turn(ringsOf(own, within));
    case 'light-to-dark':
      return inSequence(
        task,
        own,
        designs,
        ({ at }) => at.y,
        (design) => task.designs[design]?.colour.l ?? 0,
      );
    case 'hues-round':
      return inSequence(task, own, designs, roundOf, (design) => hueOf(task, design));
    case 'mirrored':
      return copied(task, own, within, ({ face, at }) =>
        at.x > within ? { face: face === 'right' ? 'left' : face, at: { ...at, x: -at.x } } : undefined,
      );
    case 'half-turn':
      return copied(task, own, within, ({ face, at }) =>
        face === 'back' ? { face: 'front' as const, at: { x: -at.x, y: at.y, z: -at.z } } : undefined,
      );
  }
}

/** How far a place lies to the right on its face, as one looks at that face. */
const acrossOf = ({ face, at }: Place): number => {
  switch (face) {
    case 'left':
      return at.z;
    case 'right':
      return -at.z;
    default:
      return at.x;
  }
};

/** How far round the bag a place lies, from the left edge of the front, by the right, as an angle. */
const roundOf = ({ face, at }: Place): number => {
  // Pressed flat, front and back lie on one another: they are told apart by their faces.
  const z = face === 'back' ? -Math.abs(at.z) - 1 : face === 'front' ? Math.abs(at.z) + 1 : at.z;
  // The left edge of the front looks to the left: a quarter turn before straight on.
  return (Math.atan2(at.x, z) + 2.5 * Math.PI) % (2 * Math.PI);
};

const hueOf = ({ designs }: Task, design: number): number => {
  const { a = 0, b = 0 } = designs[design]?.colour ?? {};
  return Math.atan2(b, a);
};

/** Steps from the first cell along sides, over seams, turn by turn: two apart where two designs take turns. */
function parities({ neighbours }: Task, own: readonly Placed[], many: number): number[] {
  const index = new Map(own.map(({ place }, i) => [place.piece, i]));
  const beside: number[][] = own.map(() => []);
  for (const { a, b, how } of neighbours) {
    const [p, q] = [index.get(a), index.get(b)];
    if (how !== 'side' || p === undefined || q === undefined) continue;
    beside[p]?.push(q);
    beside[q]?.push(p);
  }
  const steps = own.map(() => -1);
  for (const first of own.keys()) {
    if (steps[first] !== -1) continue;
    steps[first] = 0;
    const waiting = [first];
    for (let at = waiting.shift(); at !== undefined; at = waiting.shift())
      for (const next of beside[at] ?? []) {
        if (steps[next] !== -1) continue;
        steps[next] = (steps[at] ?? 0) + 1;
        waiting.push(next);
      }
  }
  return steps.map((step) => step % Math.max(1, many));
}

/** Rings about the middle of each face, counted from within: as many steps as a place is away, the longer way. */
function ringsOf(own: readonly Placed[], within: number): number[] {
  const away = own.map(() => 0);
  for (const [, on] of groupBy(own.entries(), ([, { place }]) => place.face)) {
    const middle = (values: readonly number[]) => (Math.min(...values) + Math.max(...values)) / 2;
    const level = (place: Place) => (place.face === 'bottom' ? place.at.z : place.at.y);
    const x = middle(on.map(([, { place }]) => acrossOf(place)));
    const y = middle(on.map(([, { place }]) => level(place)));
    for (const [i, { place }] of on)
      away[i] = Math.max(Math.abs(acrossOf(place) - x), Math.abs(level(place) - y));
  }
  return stepsOf(away, within);
}

/** Deals designs, sorted one way, along cells, sorted another: each as many as there are, as far as they reach. */
function inSequence(
  task: Task,
  own: readonly Placed[],
  designs: readonly number[],
  byPlace: (place: Place) => number,
  byDesign: (design: number) => number,
): Map<number, number> {
  const sorted = [...own].sort((p, q) => byPlace(p.place) - byPlace(q.place) || p.slot - q.slot);
  const ranked = [...designs].sort((p, q) => byDesign(p) - byDesign(q) || p - q);
  const there = (design: number) =>
    task.supply.flatMap(({ many }) => many).find((one) => one.design === design)?.many ?? 0;
  const all = ranked.reduce((sum, design) => sum + there(design), 0);
  // Shares of what there is: what is left over is left over of all of them alike.
  const laid = new Map<number, number>();
  let begun = 0;
  for (const design of ranked) {
    const share = all === 0 ? 1 / ranked.length : there(design) / all;
    const end = begun + share * own.length;
    for (let i = Math.round(begun); i < Math.round(end); i++) {
      const cell = sorted[i];
      if (cell) laid.set(cell.slot, design);
    }
    begun = end;
  }
  const last = ranked.at(-1) ?? 0;
  for (const { slot } of sorted) if (!laid.has(slot)) laid.set(slot, last);
  return laid;
}

/** What lies at another place, where there is one. */
function copied(
  task: Task,
  own: readonly Placed[],
  within: number,
  from: (place: Place) => Pick<Place, 'face' | 'at'> | undefined,
): Map<number, number> {
  const laid = new Map<number, number>();
  for (const { slot, place } of own) {
    const wanted = from(place);
    if (!wanted) continue;
    const { x, y, z } = wanted.at;
    const found = own.find(
      (one) =>
        one.place.face === wanted.face &&
        Math.hypot(one.place.at.x - x, one.place.at.y - y, one.place.at.z - z) < within,
    );
    if (found) laid.set(slot, task.laid[found.slot] ?? 0);
  }
  return laid;
}
