import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countProgram } from '../count/count-program.ts';
import { holesApart, holesOf } from '../count/holes.ts';
import { writeRow } from '../shorthand/write-row.ts';
import { eyelets, handle, type Opened } from './openings.ts';

const count = (text: string) => countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'low' });
const onto = (many: number, opened: Opened) => {
  const program = count(
    `ch ${many}\nRow 1: ${many} sc\nRow 2: ${writeRow(opened.instructions, 'us')}\nRow 3: sc across`,
  );
  expect(program.problems).toEqual([]);
  return program;
};

describe('openings', () => {
  test('a handle by hand: 14 over 60 leaves 23 on either side; over 61 one more behind it', () => {
    expect(writeRow(handle(60, 14, 'low')?.instructions ?? [], 'us')).toBe('23 sc, ch 14, skip 14, 23 sc');
    expect(handle(61, 14, 'low')).toMatchObject({ before: 23, after: 24 });
    expect(handle(15, 14, 'low')).toBeUndefined();
  });

  test('eyelets by hand: 4 over 25 leave 21 for 5 gaps: 4 each, and the one that is over in the middle', () => {
    expect(writeRow(eyelets(25, 4, 'low')?.instructions ?? [], 'us')).toBe(
      '4 sc, ch 1, skip 1, 4 sc, ch 1, skip 1, 5 sc, ch 1, skip 1, 4 sc, ch 1, skip 1, 4 sc',
    );
    // 3 over 26 leave 23 for 4 gaps: 3 are over, and no gap lies in the middle for the odd one.
    expect(eyelets(26, 3, 'low')).toBeUndefined();
  });

  test('property: come out, keep the count, and lie the same from both ends', () => {
    const places = fc.record({
      many: fc.integer({ min: 2, max: 120 }),
      holes: fc.integer({ min: 1, max: 30 }),
    });
    fc.assert(
      fc.property(places, ({ many, holes }) => {
        const opened = eyelets(many, holes, 'mid');
        if (!opened) {
          // Either a gap would have no stitch, or an odd one is over between an odd number of holes.
          const over = many - holes;
          expect(over < holes + 1 || (holes % 2 === 1 && over % 2 === 1)).toBe(true);
          return;
        }
        const { rows } = onto(many, opened);
        expect(rows.map(({ makes }) => makes)).toEqual([many, many, many]);
        const found = holesOf(rows);
        expect(found).toHaveLength(holes);
        expect(found.map(({ left }) => left)).toEqual(found.map(({ right }) => right).reverse());
        expect(holesApart(found, found, ['Front', 'Back'])).toBeUndefined();
      }),
    );
  });
});

describe('two faces hole by hole', () => {
  const faces = (front: string, back: string) => {
    const holes = (row: string) => holesOf(count(`ch 20\nRow 1: 20 sc\nRow 2: ${row}`).rows);
    return holesApart(holes(front), holes(back), ['Front', 'Back']);
  };

  test('row 2 runs from right to left: what it begins with lies at the right', () => {
    const [hole] = holesOf(count('ch 20\nRow 1: 20 sc\nRow 2: 5 sc, ch 6, skip 4, 11 sc').rows);
    expect(hole).toMatchObject({ row: 2, left: 11, right: 5, chains: 6, over: 4, below: [5, 9] });
  });

  test('chains that pass nothing over are no hole', () => {
    expect(holesOf(count('ch 4\nRow 1: 4 sc\nRow 2: 2 sc, ch 3, 2 sc').rows)).toEqual([]);
  });

  test('alike and not in the middle, they do not lie over one another', () => {
    expect(faces('7 sc, ch 5, skip 5, 8 sc', '7 sc, ch 5, skip 5, 8 sc')).toBe(
      'The hole in row 2 lies 8 from the left and 7 from the right in Front, and so it does in Back: back to back they are 1 apart. Back wants it 7 from the left.',
    );
    expect(faces('7 sc, ch 5, skip 5, 8 sc', '8 sc, ch 5, skip 5, 7 sc')).toBeUndefined();
  });

  test('more holes, or longer ones', () => {
    expect(faces('7 sc, ch 6, skip 6, 7 sc', '20 sc')).toBe('Front has 1 hole, Back no holes.');
    expect(faces('7 sc, ch 6, skip 6, 7 sc', '8 sc, ch 4, skip 4, 8 sc')).toBe(
      'The hole of Front in row 2 has 6 chains; that of Back is in row 2 and has 4.',
    );
  });
});
