import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { area, distance, type Point } from '../../geometry/index.ts';
import { countProgram } from '../count/count-program.ts';
import { disc, halfDisc, shaped, writeRows } from '../generate/rows.ts';
import { addTo, banded, decomposed, solve } from './banded.ts';
import { flatness, flatnessText } from './flatness.ts';
import { type LaidFlat, layFlat } from './lay-flat.ts';
import { evenTread, footAt, type Layer, layersOf } from './layers.ts';
import { workedPiece } from './piece.ts';
import { openPlaces, stitchPlaces } from './row-lines.ts';
import { sizedPiece } from './sized-piece.ts';

/** A stitch as wide as 6 mm, a row 5.7 mm high: low stitches of a medium yarn. */
const SIZES = { pitch: 6, row: 5.7, usual: 0.95 };
const RULES = { terms: 'us', turning: 'does-not-count', usual: 'low' } as const;

/** Rows of so many stitches, each row's evenly over the row below's: what the closed forms are of. */
const evenRows = (counts: readonly number[], round = false): Layer[] =>
  counts.map((exact, i) => {
    // Half a stitch more a row is as long as that; tops there are whole ones.
    const many = Math.ceil(exact);
    const each = Array.from({ length: many }, (_, j) => j);
    return {
      number: i + 1,
      many,
      ...evenTread(exact * SIZES.pitch),
      round,
      tops: each.map(() => ({ kind: 'low' as const, hold: 'both' as const })),
      heights: each.map(() => SIZES.row),
      feet: each.map((j) => (j + 0.5) / many),
      left: 0,
      right: 1,
      borders: [],
    };
  });

const ends = ({ rows }: LaidFlat): readonly [Point, Point] => {
  const nodes = rows.at(-1)?.nodes ?? [];
  const [a, b] = [nodes[0], nodes.at(-1)];
  if (!a || !b) throw new Error('no rows');
  return [a, b];
};
const off = (value: number, wanted: number) => Math.abs(value / wanted - 1);

describe('a piece laid out, against closed forms, within 1 % of length and 2 % of angle', () => {
  test('a rectangle: 40 stitches by 30 rows', () => {
    const laid = layFlat(evenRows(Array.from({ length: 30 }, () => 40)), evenTread(240));
    const [a, b] = ends(laid);
    expect(off(distance(a, b), 240)).toBeLessThan(1e-6);
    expect(off(a.y - (laid.base[0]?.y ?? 0), 171)).toBeLessThan(1e-6);
    expect(laid.strain).toBeLessThan(1e-6);
  });

  test.each([
    // Each row longer by so many stitches: it fans out by that many pitches over a row's height.
    [20, 1],
    [20, 2],
    [40, -1],
    [30, 0.5],
  ])('a sector: from %d stitches, %d more a row', (first, more) => {
    const counts = Array.from({ length: 24 }, (_, i) => first + (i + 1) * more);
    const laid = layFlat(evenRows(counts), evenTread(first * SIZES.pitch));
    const turn = (more * SIZES.pitch) / SIZES.row;
    const [inner, height] = [(first * SIZES.pitch) / turn, 24 * SIZES.row];
    const [a, b] = ends(laid);
    expect(off(distance(a, b), 2 * (inner + height) * Math.sin(turn / 2))).toBeLessThan(0.01);
    const start = laid.base[0] ?? a;
    expect(off(distance(a, start), height)).toBeLessThan(0.01);
    // The left side leans outwards by half the angle.
    const lean = Math.atan2(start.x - a.x, a.y - start.y);
    expect(Math.abs(lean / (turn / 2) - 1)).toBeLessThan(0.02);
  });

  test.each([6, 5.97])('a disc of %d more a round: as far out as its rounds are high', (more) => {
    const counts = Array.from({ length: 20 }, (_, i) => Math.max(1, Math.round(more * (i + 1))));
    const laid = layFlat(evenRows(counts, true), evenTread(0));
    const rim = laid.rows.at(-1)?.nodes ?? [];
    const across = distance(rim[0] ?? { x: 0, y: 0 }, rim[rim.length / 2] ?? { x: 0, y: 0 });
    expect(off(across, 2 * 20 * SIZES.row)).toBeLessThan(0.01);
  });

  test('a half disc from a ring, by half of it all round', () => {
    const counts = Array.from({ length: 20 }, (_, i) => 3 * (i + 1));
    const laid = layFlat(evenRows(counts), evenTread(0));
    const [a, b] = ends(laid);
    const turn = (3 * SIZES.pitch) / SIZES.row;
    expect(off(distance(a, b), 2 * 20 * SIZES.row * Math.sin(turn / 2))).toBeLessThan(0.01);
    // A sector's area is half its turn times its radius squared.
    const outline = [...laid.base, ...(laid.rows.at(-1)?.nodes ?? [])];
    expect(off(Math.abs(area(outline)), 0.5 * turn * (20 * SIZES.row) ** 2)).toBeLessThan(0.02);
  });
});

/** A program worked out. */
function piece(text: string) {
  const program = countProgram(text, RULES);
  expect(program.problems).toEqual([]);
  const worked = workedPiece(program, SIZES, 1);
  if (!worked) throw new Error('no rows');
  return worked;
}

describe('a piece from its rows', () => {
  test('of plain rows is a rectangle with its insertions: chain, ends of rows, tops', () => {
    const { sides, height, widest } = piece(
      'ch 41\nRow 1: sc in 2nd ch from hook, sc across (40)\nRows 2-30: sc across',
    );
    expect(sides.map(({ at, kind, loops }) => [at, kind, loops])).toEqual([
      ['bottom', 'chain', 40],
      ['right', 'row-ends', 30],
      ['top', 'tops', 40],
      ['left', 'row-ends', 30],
    ]);
    expect(height).toBeCloseTo(171, 3);
    expect(widest.width).toBeCloseTo(240, 3);
  });

  test('that is increased at both edges is a trapezium, as high as its rows', () => {
    const rows = shaped(20, 50, 30, { stitch: 'low', where: 'edges' });
    const { height, widest } = piece(`ch 20\n${rows && writeRows(rows, 1, 'us', 'Row')}`);
    expect(off(height, 171)).toBeLessThan(0.01);
    expect(off(widest.width, 300)).toBeLessThan(0.01);
  });

  test('that is increased all over is a fan: its last row is an arc of as much as it grew', () => {
    const rows = shaped(20, 50, 30, { stitch: 'low', where: 'spread' });
    const { widest, laid } = piece(`ch 20\n${rows && writeRows(rows, 1, 'us', 'Row')}`);
    const turn = 180 / 171;
    expect(off(widest.width, 2 * (120 / turn + 171) * Math.sin(turn / 2))).toBeLessThan(0.02);
    // Between its increases, which stand where they stand.
    expect(laid.strain).toBeLessThan(0.08);
  });

  test('worked round is a disc with one side', () => {
    const { sides, widest } = piece(writeRows(disc(6, 20, 'low'), 1, 'us', 'Round'));
    expect(sides.map(({ kind, loops }) => [kind, loops])).toEqual([['round', 120]]);
    expect(off(widest.width, 2 * 20 * SIZES.row)).toBeLessThan(0.02);
  });

  test('with short rows has steps of open tops at both ends, and loses no insertion', () => {
    const { sides } = piece('ch 30\nRow 1: 30 sc\nRow 2: start in 6th st, 20 sc, leave 5\nRow 3: 20 sc');
    expect(sides.map(({ at, kind, loops }) => [at, kind, loops])).toEqual([
      ['bottom', 'chain', 30],
      ['right', 'row-ends', 1],
      ['right', 'tops', 5],
      ['right', 'row-ends', 2],
      ['top', 'tops', 20],
      ['left', 'row-ends', 2],
      ['left', 'tops', 5],
      ['left', 'row-ends', 1],
    ]);
  });

  test('is closed all round, counter-clockwise, whatever its rows', () => {
    const row = fc.constantFrom(
      'sc across',
      'inc, sc to last 1, inc',
      'dec, sc across',
      'start in 3rd st, sc to last 2, leave 2',
      '(4 sc, inc) x2, sc across',
      'dc across',
    );
    fc.assert(
      fc.property(
        fc.array(row, { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 60, max: 90 }),
        (rows, first) => {
          const text = [
            `ch ${first}`,
            ...['sc across', ...rows].map((one, i) => `Row ${i + 1}: ${one}`),
          ].join('\n');
          const { sides, outline } = piece(text);
          sides.forEach(({ path }, i) => {
            const next = sides[(i + 1) % sides.length]?.path[0];
            const end = path.at(-1);
            expect(next && end && distance(next, end)).toBeLessThan(0.5);
          });
          expect(area(outline)).toBeGreaterThan(0);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('a handle carried through', () => {
  test('leaves a panel as it was: its chain stands over what is passed over, and a hole lies between', () => {
    const { sides, rows, widest, height } = piece(
      'ch 30\nRow 1: 30 sc\nRows 2-10: sc across\nRow 11: 10 sc, ch 10, skip 10, 10 sc\nRows 12-14: sc across',
    );
    expect(sides).toHaveLength(4);
    expect(widest.width).toBeCloseTo(180, 3);
    expect(height).toBeCloseTo(14 * SIZES.row, 3);
    const [below, own] = [rows[9], rows[10]];
    const [hole = []] = below && own ? openPlaces(own, below) : [];
    // Ten stitches of 6 mm wide, beginning at the tenth; three fifths of a row high, the rest is the chain.
    const xs = hole.map(({ x }) => x - (rows[0]?.line[0]?.x ?? 0));
    expect(Math.min(...xs)).toBeCloseTo(60, 3);
    expect(Math.max(...xs)).toBeCloseTo(120, 3);
    expect(Math.abs(area(hole))).toBeCloseTo(60 * 0.6 * SIZES.row, 2);
  });

  test('one chain for every other stitch: no stitch is moved along the row', () => {
    const { rows, laid } = piece('ch 21\nRow 1: sc, (ch 1, skip 1, sc) to end\nRow 2: sc across');
    const tops = rows.slice(0, 1).flatMap((row) => stitchPlaces(row, laid.base));
    for (const { top, foot } of tops) expect(top.x).toBeCloseTo(foot.x, 3);
  });

  test('chains that pass nothing over make no hole', () => {
    const { rows } = piece('ch 10\nRow 1: 10 sc\nRow 2: 5 sc, ch 4, 5 sc');
    const [below, own] = rows;
    expect(below && own && openPlaces(own, below)).toEqual([]);
  });
});

describe('the rows of a piece', () => {
  test('lie one over another by their heights, the stitches of a rectangle straight over their feet', () => {
    // 60 rows are laid out three together: those between are found.
    const { rows, laid } = piece('ch 20\nRow 1: 20 sc\nRows 2-60: sc across');
    expect(rows).toHaveLength(60);
    rows.forEach((row, i) => {
      const below = rows[i - 1]?.line ?? laid.base;
      for (const { top, foot } of stitchPlaces(row, below)) {
        expect(top.y - foot.y).toBeCloseTo(SIZES.row, 3);
        expect(top.x).toBeCloseTo(foot.x, 3);
      }
    });
  });

  test('stand a stitch apart along a row, wherever they are on a disc', () => {
    const { rows } = piece(writeRows(disc(6, 12, 'low'), 1, 'us', 'Round'));
    for (const [i, row] of rows.entries()) {
      const tops = stitchPlaces(row, rows[i - 1]?.line ?? [{ x: 0, y: 0 }]).map(({ top }) => top);
      const way = tops.reduce((sum, top, k) => sum + distance(top, tops[(k + 1) % tops.length] ?? top), 0);
      expect(off(way, row.layer.length)).toBeLessThan(0.05);
    }
  });
});

test('a piece remembered and brought to size is the one worked out at that size', () => {
  const program = countProgram('ch 20\nRow 1: 20 sc\nRows 2-9: inc, sc to last 1, inc', RULES);
  for (const by of [1, 1.7, 0.6]) {
    const sizes = { pitch: 6 * by, row: 5.7 * by, usual: 0.95 };
    const [got, wanted] = [sizedPiece(program, sizes, 1), workedPiece(program, sizes, 1)];
    const figures = (piece: typeof got) =>
      piece?.outline
        .flatMap(({ x, y }) => [x, y])
        .concat(
          piece.height,
          piece.widest.width,
          piece.rows.flatMap(({ layer }) => [layer.length, ...layer.heights]),
        );
    figures(got)?.forEach((value, i) => {
      expect(value).toBeCloseTo(figures(wanted)?.[i] ?? Number.NaN, 2);
    });
    expect(figures(got)).toHaveLength(figures(wanted)?.length ?? 0);
  }
});

describe('layers', () => {
  test('a row that is turned meets the row below from its other end', () => {
    const { rows } = countProgram('ch 10\nRow 1: 10 sc\nRow 2: 6 sc, leave 4\nRow 3: 6 sc', RULES);
    const [, second] = layersOf(rows, 10, SIZES);
    // The first runs to the right, so the second runs to the left, and leaves four at the left.
    expect(second?.left).toBeCloseTo(0.4);
    expect(second?.right).toBe(1);
    expect(second && footAt(second, 0.5)).toBeCloseTo(0.7);
  });
});

describe('whether it lies flat', () => {
  const flat = (text: string) => {
    const { rows } = countProgram(text, RULES);
    const first = rows[0]?.available ? rows[0].uses : 0;
    return flatness(layersOf(rows, first, SIZES), first * SIZES.pitch);
  };
  const round = (more: number, rounds = 15) => writeRows(disc(more, rounds, 'low'), 1, 'us', 'Round');

  test('a disc of 2πh/w more a round does: six of low stitches', () => {
    expect(flat(round(6)).lies).toBe('flat');
  });

  test('of four it is a cone: its side climbs by √(1 - (4w/2πh)²) of each round, by hand', () => {
    const cup = flat(round(4));
    // 24 / (2π · 5.7) = 0.670; √(1 - 0.449) = 0.742; 14 rounds of 5.7 mm after the first: 59.2 mm.
    expect(cup).toMatchObject({ lies: 'cups', from: 1 });
    expect(cup.lies === 'cups' && cup.depth).toBeCloseTo(59.2, 0);
    expect(cup.lies === 'cups' && cup.off).toBeCloseTo((2 * Math.PI * 5.7) / 6 - 4, 6);
  });

  test('of eight it ruffles', () => {
    expect(flatnessText(flat(round(8)), true)).toBe(
      'From round 1 on 2 stitches too many a round: it ruffles. With 90 in round 15 it would lie flat.',
    );
  });

  test('a disc with a wall is a pot as deep as the wall, from the first round of it', () => {
    const pot = flat(`${round(6, 8)}\nRounds 9-16: sc around`);
    expect(pot).toMatchObject({ lies: 'cups', from: 9 });
    expect(pot.lies === 'cups' && pot.depth).toBeCloseTo(8 * 5.7, 0);
  });

  test('panels: what is shaped at its edges lies flat, and so does a fan', () => {
    const to = (from: number, end: number, where: 'spread' | 'edges', begin: number) => {
      const rows = shaped(from, end, 20, { stitch: 'low', where });
      return rows ? writeRows(rows, begin, 'us', 'Row') : '';
    };
    expect(flat('ch 40\nRow 1: 40 sc\nRows 2-30: sc across')).toEqual({ lies: 'flat' });
    expect(flat(`ch 20\n${to(20, 50, 'edges', 1)}\n${to(50, 20, 'edges', 21)}`)).toEqual({ lies: 'flat' });
    expect(flat(`ch 20\n${to(20, 50, 'spread', 1)}`)).toEqual({ lies: 'flat' });
    // A fan that goes on straight cups from there on, one that begins straight ruffles.
    expect(flat(`ch 20\n${to(20, 60, 'spread', 1)}\nRows 21-40: sc across`)).toMatchObject({
      lies: 'cups',
      from: 21,
    });
    expect(flat(`ch 20\nRows 1-15: sc across\n${to(20, 60, 'spread', 16)}`)).toMatchObject({
      lies: 'ruffles',
      from: 16,
    });
  });

  test('a half disc lies flat whatever it grows by: it is a wider fan, or a narrower one', () => {
    for (const more of [2, 3, 4]) {
      const half = halfDisc(6, more, 15, 'low');
      expect(flat(half ? writeRows(half, 1, 'us', 'Row') : '').lies).toBe('flat');
    }
  });
});

describe('equations with a band', () => {
  test('are solved as they are: A x = b, against the matrix multiplied out', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 5 }),
        fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
        (size, band, numbers) => {
          const next = () => numbers.next().value ?? 0;
          const matrix = banded(size, band);
          const full = Array.from({ length: size }, () => new Array<number>(size).fill(0));
          const set = (i: number, j: number, value: number) => {
            addTo(matrix, i, j, value);
            for (const [row, column] of [
              [i, j],
              [j, i],
            ] as const)
              (full[row] ?? [])[column] = value;
          };
          for (let i = 0; i < size; i++)
            // So much on the diagonal that it outweighs the rest of its row.
            for (let j = Math.max(0, i - band); j <= i; j++)
              set(i, j, i === j ? 2 * band + 1 + next() : next());
          const b = Float64Array.from({ length: size }, next);
          const x = b.slice();
          const system = decomposed(matrix);
          if (!system) throw new Error('not positive definite');
          solve(system, x);
          full.forEach((row, i) => {
            expect(row.reduce((sum, value, j) => sum + value * (x[j] ?? 0), 0)).toBeCloseTo(b[i] ?? 0, 9);
          });
        },
      ),
    );
  });
});
