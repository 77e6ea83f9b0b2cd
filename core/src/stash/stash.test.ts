import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type Allotment,
  allotted,
  gramsLeft,
  type KeptLot,
  type Lot,
  lengthOfGrams,
  lotKey,
  lotSchema,
  mergeLots,
  readStash,
  sameLot,
  writeStash,
} from './index.ts';

const lot = (fields: Partial<Lot> = {}): Lot => ({
  yarn: 'Tollbar Cotton DK',
  colourName: 'Kingfisher',
  colour: '#17768a',
  weight: 3,
  fibre: 'cotton',
  dyeLot: '12B',
  ball: { grams: 50, metres: 115 },
  full: 2,
  parts: [20],
  place: 'Blue basket',
  note: '',
  ...fields,
});
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const kept = (n: number, fields: Partial<Lot> = {}): KeptLot => ({
  id: uuid(n),
  version: 1,
  lot: lot(fields),
});
const bytes = (text: string) => new TextEncoder().encode(text);
const file = (text: string) => {
  const own = readStash(bytes(text), 'EUR');
  if (!own.ok) throw new Error(own.problem);
  return own;
};
const read = (text: string) => {
  const own = file(text);
  return { ...own, lots: own.lots.map((one) => one.lot) };
};
/** Lots as of a file that says everything of them. */
const all = (...lots: readonly Lot[]) => file(writeStash(lots)).lots;

const words = fc
  .string({ maxLength: 20, unit: 'grapheme' })
  .filter((text) => !/\p{Surrogate}|\0/u.test(text));
/** Text that a spreadsheet might work out. */
const tricky = fc.oneof(
  words,
  fc.constantFrom('=1+1', '+44', '-', '@SUM(A1)', "'=1", "''", '\tx', 'a "b", c;\r\nd'),
);
const names = tricky.map((text) => text.trim()).filter((text) => text !== '');
const lots: fc.Arbitrary<Lot> = fc
  .record({
    yarn: names,
    colourName: names,
    fibre: tricky,
    dyeLot: tricky,
    place: tricky,
    note: tricky,
    weight: fc.integer({ min: 0, max: 7 }),
    full: fc.integer({ min: 0, max: 40 }),
    parts: fc.array(
      fc.integer({ min: 1, max: 500 }).map((tenths) => tenths / 10),
      { maxLength: 5 },
    ),
    price: fc.option(
      fc.record({
        amount: fc.integer({ min: 0, max: 99_999 }),
        currency: fc.constantFrom('EUR', 'JPY', 'KWD'),
      }),
      { nil: undefined },
    ),
  })
  .map(({ price, ...fields }) => ({ ...lot(fields), ...(price && { price }) }))
  .filter((one) => lotSchema.safeParse(one).success);

describe('a lot', () => {
  test('by hand: two balls of 50 g and 20 g are 120 g, and 120 x 115 / 50 = 276 m', () => {
    expect(gramsLeft(lot())).toBe(120);
    expect(lengthOfGrams(lot(), 120)).toBeCloseTo(276_000, 6);
    expect(lengthOfGrams(lot({ ball: undefined }), 120)).toBeUndefined();
  });

  test('a part ball is not heavier than a full one, and full balls of no weight are none', () => {
    expect(lotSchema.safeParse(lot({ parts: [57] })).success).toBe(true);
    expect(lotSchema.safeParse(lot({ parts: [58] })).error?.issues[0]?.message).toContain(
      'heavier than a full one',
    );
    expect(lotSchema.safeParse(lot({ ball: undefined })).error?.issues[0]?.message).toContain(
      'What does a full ball weigh',
    );
    expect(lotSchema.safeParse(lot({ parts: [-1] })).success).toBe(false);
  });
});

describe('set aside', () => {
  const wish = (n: number, of: number, grams: number): Allotment => ({
    id: uuid(100 + n),
    lot: uuid(of),
    bag: uuid(200 + n),
    yarn: 'y1',
    grams,
  });

  test('who asks first gets it; both are told', () => {
    const [own] = allotted([kept(1)], [wish(1, 1, 80), wish(2, 1, 80)]);
    expect(own?.grants.map(({ grams }) => grams)).toEqual([80, 40]);
    expect([own?.free, own?.contested]).toEqual([0, true]);
  });

  test('no gram is planned twice, and none is lost', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 900 })), {
          maxLength: 12,
        }),
        (wishes) => {
          const all = allotted(
            [kept(1), kept(2, { full: 0 }), kept(3, { full: 9, parts: [] })],
            wishes.map(([of, tenths], i) => wish(i, of, tenths / 10)),
          );
          for (const { left, free, grants, contested } of all) {
            const given = grants.reduce((sum, { grams }) => sum + grams, 0);
            const asked = grants.reduce((sum, { allotment }) => sum + allotment.grams, 0);
            expect(given + free).toBeCloseTo(left, 6);
            expect(given).toBeCloseTo(Math.min(left, asked), 6);
            expect(contested).toBe(asked > left + 0.001);
          }
        },
      ),
    );
  });
});

describe('a stash as CSV', () => {
  test('is read back as it was written', () => {
    fc.assert(
      fc.property(fc.array(lots, { maxLength: 6 }), (all) => {
        const { lots: back, bad, strange } = read(writeStash(all));
        expect([bad, strange]).toEqual([[], []]);
        expect(back).toHaveLength(all.length);
        back.forEach((one, i) => {
          expect(sameLot(one, all[i] ?? one) ? 'same' : one).toEqual('same');
        });
      }),
    );
  });

  test('has no cell that a spreadsheet works out', () => {
    const text = writeStash([lot({ yarn: '=cmd|calc', note: '+1', place: '@x', fibre: '-2' })]);
    expect(text).toContain("'=cmd|calc");
    for (const cell of text.replace('\uFEFF', '').split(/[,\r\n]+/)) expect(cell).not.toMatch(/^[=+@-]/);
  });

  test.each([
    [';', 'Yarn;COLOUR;full balls;ball g;ball m;part balls g\nOut;Rust;1;50;100;12,5 + 3'],
    ['\t', 'colour\tyarn\tpart balls g\tball m\tball g\tfull balls\nRust\tOut\t12.5 g + 3\t100\t50\t1'],
    [',', '\uFEFFyarn,colour,ball g,ball m,full balls,part balls g\r\nOut,Rust,50,100,1,"12,5 + 3"\r\n\r\n'],
  ])('with “%s” between cells, decimal commas or points, columns in any order', (_, text) => {
    const [one] = read(text).lots;
    expect(one).toMatchObject({
      yarn: 'Out',
      colourName: 'Rust',
      full: 1,
      parts: [12.5, 3],
      ball: { grams: 50, metres: 100 },
    });
  });

  test('whatever stands in its cells, what is between them is told by the names', () => {
    const odd = lot({ dyeLot: '\tx', place: '\t\t;;||', note: '; ;|' });
    expect(read(writeStash([odd, odd])).lots).toEqual([odd, odd]);
  });

  test('in older encodings', () => {
    const old = readStash(
      new Uint8Array([...bytes('yarn;colour\nC'), 0xf4, ...bytes('te;Gr'), 0xfc, ...bytes('n')]),
      'EUR',
    );
    expect(old.ok && [old.encoding, old.lots[0]?.lot.yarn, old.lots[0]?.lot.colourName]).toEqual([
      'windows-1252',
      'Côte',
      'Grün',
    ]);
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...[...'yarn,colour\nA,B'].flatMap((c) => [c.charCodeAt(0), 0]),
    ]);
    const other = readStash(wide, 'EUR');
    expect(other.ok && other.lots[0]?.lot).toMatchObject({ yarn: 'A', colourName: 'B' });
  });

  test('grams in all are balls and what is over', () => {
    const [one, other] = read('yarn,colour,ball g,ball m,grams\nOut,Rust,50,100,137.5\nOut,Reed,,,30').lots;
    expect(one).toMatchObject({ full: 2, parts: [37.5] });
    expect(other).toMatchObject({ full: 0, parts: [30] });
  });

  test('bad rows are named and left out, the others are taken', () => {
    const {
      lots: good,
      bad,
      strange,
    } = read(
      [
        'yarn,colour,part balls g,ball g,ball m,price,shelf',
        'Out,Rust,20,50,100,,',
        ',Rust,20,,,,',
        'Out,Rust,-4,,,,',
        'Out,Rust,80,50,100,,',
        'Out,Rust,20,50,,,',
        'Out,Rust,"1,200",,,,',
        'Out,Reed,20,,,"1,200",',
        'Out,Reed,20,,,"4,50",',
      ].join('\n'),
    );
    expect(bad.map(({ row }) => row)).toEqual([3, 4, 5, 6, 7, 8]);
    expect(bad[0]?.problem).toContain('yarn');
    expect(bad[2]?.problem).toContain('heavier');
    expect(bad[3]?.problem).toContain('both its grams and its metres');
    expect(good.map(({ colourName }) => colourName)).toEqual(['Rust', 'Reed']);
    expect(good[1]?.price).toEqual({ amount: 450, currency: 'EUR' });
    expect(strange).toEqual(['shelf']);
  });

  test('empty rows are passed over and counted, so that a bad one is found where it stands', () => {
    const { lots: good, bad } = read('\n,,\nyarn,color,lot\nOut,Rust,7\n , ,\n,Reed,\n\n');
    expect(good).toMatchObject([{ colourName: 'Rust', dyeLot: '7' }]);
    // Two empty rows, the names, a good one, an empty one: the bad one is the sixth.
    expect(bad.map(({ row }) => row)).toEqual([6]);
  });

  test('what is no list of yarn is told in a sentence', () => {
    const none = readStash(bytes('name,size\nA,B'), 'EUR');
    expect(!none.ok && none.problem).toContain('“yarn” and “colour” at least');
    expect(readStash(new Uint8Array([1, 0, 2, 0]), 'EUR').ok).toBe(false);
    expect(readStash(new Uint8Array(), 'EUR').ok).toBe(false);
  });
});

describe('an import', () => {
  test('meets what is there by yarn, colour and dye lot, whatever the case', () => {
    const there = [kept(1), kept(2, { dyeLot: '13A' })];
    const incoming = [
      lot({ yarn: 'tollbar  cotton DK ', full: 5, parts: [] }),
      lot({ dyeLot: '14', full: 1 }),
    ];
    const { fresh, changed, same } = mergeLots(there, all(...incoming), 'replace');
    expect(fresh.map(({ dyeLot }) => dyeLot)).toEqual(['14']);
    expect(changed.map(({ kept: { id }, lot: { full, parts } }) => [id, full, parts])).toEqual([
      [uuid(1), 5, []],
    ]);
    expect(same).toBe(0);
    const added = mergeLots(there, all(...incoming), 'add').changed[0]?.lot;
    expect([added?.full, added?.parts]).toEqual([7, [20]]);
    expect(mergeLots(there, all(...incoming), 'leave')).toMatchObject({ changed: [], same: 1 });
  });

  test('what a file does not speak of stays as it is', () => {
    const there = [kept(1, { note: 'From the fair.', price: { amount: 395, currency: 'EUR' } })];
    const short = file('yarn,colour,dye lot,grams,hex\nTollbar Cotton DK,Kingfisher,12B,30,\n').lots;
    const [one] = mergeLots(there, short, 'replace').changed;
    expect(one?.lot).toEqual({ ...there[0]?.lot, full: 0, parts: [30] });
    const [added] = mergeLots(there, short, 'add').changed;
    expect(added?.lot).toEqual({ ...there[0]?.lot, full: 2, parts: [20, 30] });
    // A file without amounts takes none away, nor adds any.
    const places = file('yarn,colour,dye lot,where\nTollbar Cotton DK,Kingfisher,12B,Attic\n').lots;
    for (const meets of ['replace', 'add'] as const)
      expect(mergeLots(there, places, meets).changed[0]?.lot).toEqual({ ...there[0]?.lot, place: 'Attic' });
  });

  test('one’s own file again changes nothing; each row is taken once', () => {
    fc.assert(
      fc.property(fc.array(lots, { maxLength: 8 }), (all) => {
        const first = mergeLots([], file(writeStash(all)).lots, 'replace');
        expect(first.fresh).toHaveLength(new Set(all.map(lotKey)).size);
        const grams = (list: readonly Lot[]) => list.reduce((sum, one) => sum + gramsLeft(one), 0);
        expect(grams(first.fresh)).toBeCloseTo(grams(all), 6);
        const there = first.fresh.map((one, i) => ({ id: uuid(i), version: 1, lot: one }));
        const again = mergeLots(there, file(writeStash(first.fresh)).lots, 'replace');
        expect([again.fresh, again.changed, again.same]).toEqual([[], [], there.length]);
      }),
    );
  });
});
