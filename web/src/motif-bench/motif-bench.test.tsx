// @vitest-environment happy-dom
import { documentSchema, longOf, type Motif, must, sideStitches } from '@fennot/core';
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { SwatchStation } from '../stations/swatch/SwatchStation.tsx';
import { aBag, choose, lay, type } from '../testing/worktop.tsx';
import { yarnOfRound } from './with-colours.ts';

// Both draw on a canvas, which a page without a screen has not.
vi.mock('../stations/swatch/SizeChart.tsx', () => ({ default: () => null }));
beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
});

const open = (settings?: Parameters<typeof lay>[2]) => lay(SwatchStation, aBag(), settings);
type Laid = ReturnType<typeof open>;
const motif = ({ store }: Laid): Motif => {
  const last = store.getState().document.motifs.at(-1);
  if (!last) throw new Error('a bag has a motif');
  return last;
};
const toBench = async ({ hands }: Laid) => {
  await choose(hands, 'Worked as', 'Square by rounds of your own');
  await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
};
const round = (number: number) => within(screen.getByRole('listitem', { name: `Round ${number}` }));

describe('the Motif bench', () => {
  test('begins with the rounds of the square that is there: it counts the same', async () => {
    const laid = open();
    const before = screen.getByText(/loops to join/).textContent;
    await toBench(laid);
    const { making } = motif(laid);
    expect(making?.of === 'rounds' && making.rounds.length).toBeGreaterThan(1);
    const loops = /(\d+)\s*loops to join/.exec(before ?? '')?.[1];
    expect(screen.getByTestId('motif-facts').textContent).toContain(`${loops} loops to join`);
  });

  test('sets a round, counts it, and says it in the words of the country', async () => {
    const laid = open({ terms: 'uk' });
    await toBench(laid);
    const words = screen.getByText(/Round 1: /).textContent ?? '';
    expect(words).toContain('tr in ring');
    expect(words).not.toMatch(/\bsc\b/);
    // Four in each group of the first round instead of three: 16 stitches.
    const field = round(1).getByLabelText('Stitches in each');
    await laid.hands.clear(field);
    await laid.hands.type(field, '4{Enter}');
    expect(screen.getByRole('listitem', { name: 'Round 1' }).textContent).toContain('16 stitches, 4 corners');
  });

  test('a round more is a round more in the bag, and undone with one step', async () => {
    const laid = open();
    await toBench(laid);
    const before = laid.store.getState().document;
    const roundsIn = () =>
      JSON.stringify(laid.store.getState().document.construction).match(/"rounds":(\d+)/)?.[1];
    const had = Number(roundsIn());
    await laid.hands.click(screen.getByRole('button', { name: /Another round/ }));
    expect(Number(roundsIn())).toBe(had + 1);
    laid.store.getState().undo();
    expect(laid.store.getState().document).toEqual(before);
  });

  test('what cannot be worked is told at its round; what stands below waits, and nothing is lost', async () => {
    const laid = open();
    await choose(laid.hands, 'Add a motif', /Quiet square/);
    await laid.hands.click(screen.getByRole('button', { name: /On the Motif bench/ }));
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    const field = round(1).getByLabelText('Stitches in each');
    await laid.hands.clear(field);
    await laid.hands.type(field, '13{Enter}');
    // 13, and two in each: 26 do not divide by four.
    expect(screen.getByRole('listitem', { name: 'Round 3' }).textContent).toContain(
      'The 26 stitches of the round below do not divide into 4 sides.',
    );
    expect(screen.getByRole('listitem', { name: 'Round 4' }).textContent).toContain(
      'waits for the one before it',
    );
    expect(screen.getByTestId('motif-facts').textContent).toBe('2 of 5 rounds can be worked so.');
    expect(documentSchema.safeParse(laid.store.getState().document).success).toBe(true);
    await laid.hands.clear(field);
    await laid.hands.type(field, '12{Enter}');
    expect(screen.queryByText(/do not divide/)).toBeNull();
  });

  test('a round without corners has nothing to set about them, but increases; one with corners has', async () => {
    const laid = open();
    await choose(laid.hands, 'Add a motif', /Quiet square/);
    await laid.hands.click(screen.getByRole('button', { name: /On the Motif bench/ }));
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    expect(round(2).queryByLabelText('Corner stitches')).toBeNull();
    expect(round(2).getByLabelText('More, spread')).toBeTruthy();
    expect(round(3).getByLabelText('Corner stitches')).toBeTruthy();
    expect(round(3).queryByLabelText('More, spread')).toBeNull();
  });

  test('a round in words of one’s own begins with what was worked, is counted, and waits where it is wrong', async () => {
    const laid = open();
    await toBench(laid);
    await choose(laid.hands, 'Goes', 'in words of your own', round(2));
    const field = round(2).getByLabelText<HTMLTextAreaElement>('Words');
    const before = screen.getByRole('listitem', { name: 'Round 2' }).textContent;
    const stitches = /(\d+) stitches, 4 corners/.exec(before ?? '')?.[0];
    expect(stitches).toBeTruthy();
    await laid.hands.clear(field);
    await laid.hands.type(field, 'zigzag{Enter}');
    expect(screen.getByRole('listitem', { name: 'Round 2' }).textContent).toMatch(/zigzag/);
    expect(screen.getByRole('listitem', { name: 'Round 3' }).textContent).toContain(
      'waits for the one before it',
    );
    await laid.hands.clear(field);
    // Sides of three and a corner of two chains: one in each, and five in each corner.
    await laid.hands.type(field, '(3 sc, 5 sc in next sp) x4{Enter}');
    expect(screen.getByRole('listitem', { name: 'Round 2' }).textContent).toContain('32 stitches, 4 corners');
    const { making } = motif(laid);
    expect(making?.of === 'rounds' && making.rounds[1]?.into).toEqual({
      of: 'written',
      words: '(3 sc, 5 sc in next sp) x4',
      terms: 'us',
    });
  });

  test('words written in one country’s terms are shown in the other’s', async () => {
    const laid = open({ terms: 'uk' });
    await choose(laid.hands, 'Add a motif', /Mill race/);
    await laid.hands.click(screen.getByRole('button', { name: /On the Motif bench/ }));
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    expect(round(2).getByLabelText<HTMLTextAreaElement>('Words').value).toContain('3 tr in next sp');
    expect(screen.getByTestId('motif-reads').textContent).toContain('mirrored it is another');
  });

  test('a heart has a top, and is kept upright from the first', async () => {
    const laid = open();
    await choose(laid.hands, 'Add a motif', /Tall heart/);
    expect(motif(laid).oneWay).toBe(true);
    await laid.hands.click(screen.getByLabelText('Has a top and a bottom'));
    await laid.hands.click(screen.getByRole('button', { name: /On the Motif bench/ }));
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    await laid.hands.click(screen.getByRole('button', { name: 'Keep it upright in bags' }));
    expect(motif(laid).oneWay).toBe(true);
    expect(screen.queryByRole('button', { name: 'Keep it upright in bags' })).toBeNull();
  });

  test('the colour of a round is set at it, and no other round changes its own', async () => {
    const laid = open();
    await toBench(laid);
    const { document } = laid.store.getState();
    const way = must(motif(laid).colourways[0], 'colourway');
    const { making } = motif(laid);
    const many = making?.of === 'rounds' ? making.rounds.length : 0;
    const worn = Array.from({ length: many }, (_, k) => yarnOfRound(way, k + 1));
    const other = must(
      document.yarns.find(({ id }) => id !== worn[1]),
      'another yarn',
    );
    await choose(laid.hands, 'Colour', other.colourName, round(2));
    const now = must(motif(laid).colourways[0], 'colourway');
    expect(Array.from({ length: many }, (_, k) => yarnOfRound(now, k + 1))).toEqual(
      worn.map((yarn, k) => (k === 1 ? other.id : yarn)),
    );
    // Taken out, it takes its colour along.
    await laid.hands.click(round(2).getByRole('button', { name: 'Take round 2 out' }));
    const left = must(motif(laid).colourways[0], 'colourway');
    expect(Array.from({ length: many - 1 }, (_, k) => yarnOfRound(left, k + 1))).toEqual(
      worn.filter((_, k) => k !== 1),
    );
  });

  test('halves and rectangles are set by their rows and rounds, too', async () => {
    const laid = open();
    await choose(laid.hands, 'Add a motif', /Rectangle/);
    await choose(laid.hands, 'Worked as', 'Rectangle by rounds of your own');
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    const long = round(1).getByLabelText('A long one, more');
    await laid.hands.clear(long);
    await laid.hands.type(long, '11{Enter}');
    expect(longOf(motif(laid), 3)).toBe(11);
    await laid.hands.keyboard('{Escape}');
    await choose(laid.hands, 'Add a motif', /Triangle/);
    await choose(laid.hands, 'Worked as', 'Triangle by rounds of your own');
    await screen.findByTestId('motif-facts', {}, { timeout: 20_000 });
    const row = within(screen.getByRole('listitem', { name: 'Row 2' }));
    const ends = row.getByLabelText('More at either end');
    await laid.hands.clear(ends);
    await laid.hands.type(ends, '1{Enter}');
    // Legs of three; one more at the open end and two at the corner: 3 + 1 + 2.
    expect(sideStitches(motif(laid), 2)).toBe(6);
  });

  test('two of the same are told apart by their names', async () => {
    const laid = open();
    await choose(laid.hands, 'Add a motif', /Quiet square/);
    await choose(laid.hands, 'Add a motif', /Quiet square/);
    expect(motif(laid).name).toBe('Quiet square 2');
  });

  test('tells the ends of its colours: two for each length of yarn', async () => {
    const laid = open();
    await toBench(laid);
    const { colourways, making } = motif(laid);
    const yarns = colourways[0]?.rounds ?? [];
    const many = making?.of === 'rounds' ? making.rounds.length : 0;
    // Walked round by round: a yarn is joined on wherever it is another than in the round before.
    const worn = Array.from({ length: many }, (_, k) => yarns[Math.min(k, yarns.length - 1)]);
    const joined = worn.filter((yarn, k) => k === 0 || yarn !== worn[k - 1]).length;
    expect(screen.getByTestId('motif-facts').textContent).toContain(`${2 * joined} ends to hide`);
  });

  test('every ready motif can be put into a bag, and the bag is kept', async () => {
    for (const name of [/Noon sun/, /Pond rose/, /Quiet square/, /Six buds/, /Tall heart/, /Mill race/]) {
      const laid = open();
      await choose(laid.hands, 'Add a motif', name);
      expect(motif(laid).name).toMatch(name);
      expect(documentSchema.safeParse(laid.store.getState().document).success).toBe(true);
      document.body.replaceChildren();
    }
  });
});

describe('a motif whose making is not known', () => {
  test('is given by its loops; its size is that of so many stitches until one is measured', async () => {
    const laid = open();
    await choose(laid.hands, 'Worked as', 'Square whose making is not known');
    await type(laid.hands, 'Loops along a side', '23');
    expect(motif(laid).making).toEqual({ of: 'given', loops: 23 });
    expect(screen.getByText(/23\s*loops to join/)).toBeTruthy();
    // Back to a kind, and it is one of those again.
    await choose(laid.hands, 'Worked as', /Solid square/);
    expect(motif(laid).making).toBeUndefined();
  });
});
