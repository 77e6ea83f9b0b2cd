import { randomUUID } from 'node:crypto';
import { type HoldingChange, isOf, type Lot, type StoredBag } from '@fennot/core';
import { COLOURS, type Colour, YARNS } from './ready.ts';

/** One lot of the ringers' stash: what is left, and which bag wants how much of it. */
interface DemoLot {
  readonly of: keyof typeof YARNS;
  readonly in: Colour;
  readonly dye: string;
  readonly full?: number;
  readonly parts?: number[];
  readonly place: string;
  readonly note?: string;
  /** What a ball cost, in cents. */
  readonly price?: number;
  /** Grams by the name of the bag. */
  readonly for?: Readonly<Record<string, number>>;
}

const TOTE = 'Practice-night tote';

/** Odd balls, part balls, and two baths of Kingfisher. */
const LOTS: readonly DemoLot[] = [
  {
    of: 'tollbar',
    in: 'kingfisher',
    dye: '12B',
    parts: [30],
    place: 'Blue basket',
    price: 395,
    for: { [TOTE]: 30 },
  },
  {
    of: 'tollbar',
    in: 'kingfisher',
    dye: '14A',
    parts: [8],
    place: 'Blue basket',
    note: 'A shade greener than 12B.',
    price: 395,
    for: { [TOTE]: 8 },
  },
  {
    of: 'tollbar',
    in: 'foam',
    dye: '03',
    full: 2,
    parts: [11.5],
    place: 'Blue basket',
    price: 375,
    for: { [TOTE]: 50 },
  },
  {
    of: 'tollbar',
    in: 'marigold',
    dye: '07',
    full: 1,
    parts: [22],
    place: 'Blue basket',
    price: 375,
    for: { [TOTE]: 22, 'Rosette purse': 20 },
  },
  {
    of: 'tollbar',
    in: 'rust',
    dye: '21',
    parts: [14, 6.5],
    place: 'Blue basket',
    for: { [TOTE]: 14, 'Six-bell purse': 6.5 },
  },
  {
    of: 'tollbar',
    in: 'lichen',
    dye: '',
    parts: [9],
    place: 'Tin in the vestry',
    note: 'The band is lost.',
    for: { [TOTE]: 4 },
  },
  // Both want this one ball.
  {
    of: 'tollbar',
    in: 'loosestrife',
    dye: '30',
    full: 1,
    place: 'Tin in the vestry',
    price: 395,
    for: { 'Rosette purse': 45, 'Sash clutch': 40 },
  },
  { of: 'tollbar', in: 'reed', dye: '18', full: 1, parts: [17], place: 'Tin in the vestry', price: 375 },
  {
    of: 'staithe',
    in: 'foam',
    dye: 'A',
    full: 1,
    parts: [38],
    place: 'Chest',
    price: 640,
    for: { 'Nine-bell tote': 70 },
  },
  {
    of: 'staithe',
    in: 'ink',
    dye: 'C',
    parts: [52],
    place: 'Chest',
    price: 640,
    for: { 'Nine-bell tote': 25 },
  },
  { of: 'staithe', in: 'lichen', dye: 'B', parts: [31], place: 'Chest', for: { 'Nine-bell tote': 25 } },
  { of: 'staithe', in: 'marigold', dye: 'B', parts: [18], place: 'Chest', for: { 'Nine-bell tote': 18 } },
  { of: 'staithe', in: 'kingfisher', dye: 'D', parts: [15], place: 'Chest', for: { 'Nine-bell tote': 15 } },
  { of: 'quern', in: 'peat', dye: '', full: 1, parts: [120], place: 'Under the stairs', price: 980 },
  { of: 'eelgrass', in: 'rust', dye: '5', full: 3, place: 'Chest', price: 520 },
  {
    of: 'sluice',
    in: 'reed',
    dye: '77',
    full: 1,
    parts: [60],
    place: 'Under the stairs',
    price: 290,
    for: { 'Market pinwheel': 100 },
  },
];

const lotOf = (one: DemoLot): Lot => {
  const { name, weight, fibre, ball } = YARNS[one.of];
  const [colourName, colour] = COLOURS[one.in];
  return {
    yarn: name,
    colourName,
    colour,
    weight,
    fibre,
    dyeLot: one.dye,
    ball,
    full: one.full ?? 0,
    parts: [...(one.parts ?? [])],
    ...(one.price !== undefined && { price: { amount: one.price, currency: 'EUR' } }),
    place: one.place,
    note: one.note ?? '',
  };
};

/** The stash as changes that make it, with what is set aside for the demo bags. */
export function demoStash(bags: readonly StoredBag[]): HoldingChange[] {
  return LOTS.flatMap((one): HoldingChange[] => {
    const id = randomUUID();
    const asked = Object.entries(one.for ?? {}).map(([name, grams]): HoldingChange => {
      const bag = bags.find(({ document }) => document.name === name);
      if (!bag?.document.yarns.some((yarn) => yarn.id === one.in && isOf(lotOf(one), yarn)))
        throw new Error(`${name} is not made of ${one.of} in ${one.in}.`);
      return { of: 'allot', allotment: { id: randomUUID(), lot: id, bag: bag.id, yarn: one.in, grams } };
    });
    return [{ of: 'add', id, lot: lotOf(one) }, ...asked];
  });
}
