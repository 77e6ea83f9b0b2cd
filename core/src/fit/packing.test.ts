import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { mm } from '../units/index.ts';
import { contentFits, halfOf, packed } from './index.ts';

describe('packing', () => {
  const box = (id: string, height: number, width: number, thickness: number) => ({
    shape: 'box' as const,
    id,
    name: id,
    height: mm(height),
    width: mm(width),
    thickness: mm(thickness),
  });
  const room = { height: 300, girth: 700, opening: 700, widthBetween: () => 320 };
  const pack = (...things: ReturnType<typeof box>[]) => packed(contentFits(room, things), room);

  test('two narrow books stand beside one another, a third wide one behind them', () => {
    const { packed: inside, leftOut } = pack(
      box('wide', 250, 200, 30),
      box('a', 200, 90, 20),
      box('b', 200, 80, 20),
    );
    expect(leftOut).toEqual([]);
    // The largest first: 200 + 3 + 90 = 293 of 320; with 80 more it would be 376: the third stands behind.
    const at = (id: string) => inside.find(({ content }) => content.id === id)?.at ?? [0, 0, 0];
    expect(at('wide')[2]).toBe(at('a')[2]);
    expect(at('b')[2]).not.toBe(at('a')[2]);
    expect(at('a')[0] - at('wide')[0]).toBeCloseTo((200 + 90) / 2 + 3, 9);
    // All stand on the bottom.
    expect(at('wide')[1]).toBe(125);
  });

  test('what goes in by itself but not with the others is left out, and says so', () => {
    // Each goes round in 2 (300 + 40) = 680 of 700; both are 2 (300 + 80) = 760 round.
    const { packed: inside, leftOut } = pack(
      box('a', 290, 300, 40),
      box('b', 280, 300, 40),
      box('c', 400, 20, 20),
    );
    expect(inside.map(({ content }) => content.id)).toEqual(['a']);
    expect(leftOut.map(({ content, why }) => [content.id, why])).toEqual([
      ['b', 'no room beside the others'],
      ['c', 'too large'],
    ]);
  });

  test('in the pressed bag no two things overlap as seen from the front in one layer', () => {
    const size = fc.integer({ min: 10, max: 160 });
    fc.assert(
      fc.property(fc.array(fc.tuple(size, size, size), { maxLength: 6 }), (sizes) => {
        const things = sizes.map(([h, w, t], i) => box(`${i}`, h, w, t));
        const { packed: inside, leftOut } = pack(...things);
        expect(inside.length + leftOut.length).toBe(things.length);
        inside.forEach((a, i) => {
          for (const b of inside.slice(i + 1)) {
            if (a.at[2] !== b.at[2]) continue;
            expect(Math.abs(a.at[0] - b.at[0])).toBeGreaterThanOrEqual(halfOf(a.form)[0] + halfOf(b.form)[0]);
          }
        });
      }),
    );
  });
});
