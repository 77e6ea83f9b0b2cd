// @vitest-environment happy-dom
import { type Construction, doublingsOf, planOf, verdictText } from '@fennot/core';
import { act, screen, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { aBag, lay, type } from '../../testing/worktop.tsx';
import { SidesStation } from './SidesStation.tsx';

const strip = (rows: number | 'way'): Construction => ({
  family: 'faces-and-strip',
  face: { of: 'motifs', motif: 'm1', rounds: 5, columns: 3, rows: 2 },
  strip: {
    swatch: 's1',
    worked: 'across',
    depth: 12,
    length: rows === 'way' ? { by: 'way' } : { by: 'count', count: rows },
    multiple: { multiple: 1, extra: 0 },
  },
});
const open = (construction: Construction) =>
  lay(
    SidesStation,
    aBag((doc) => ({ ...doc, construction })),
  );
const strips = (store: ReturnType<typeof lay>['store']) => {
  const [first] = planOf(store.getState().document).marked;
  if (!first) throw new Error('there is a strip');
  return first;
};

describe('a strip', () => {
  test('that is too short says so, by how many rows, and one press makes it as long as the way', async () => {
    const { store, hands } = open(strip(20));
    expect(screen.getByTestId('strip-verdict').textContent).toMatch(/\d+ rows short|\d+ rows too short/);
    const [cure] = screen.getAllByRole('button').filter(({ textContent }) => /row/.test(textContent ?? ''));
    if (!cure) throw new Error('there is a cure');
    await hands.click(cure);
    expect(store.getState().document.construction).toMatchObject({ strip: { length: { by: 'way' } } });
    store.getState().undo();
    expect(store.getState().document.construction).toEqual(strip(20));
  });

  test('has its markers in a table, in order, from its start to its end', () => {
    const { store } = open(strip('way'));
    const rows = within(screen.getByRole('table')).getAllByRole('row').slice(1);
    const marks = strips(store).marks;
    expect(rows).toHaveLength(marks.length);
    const shown = rows.map((row) => Number(within(row).getAllByRole('cell')[1]?.textContent));
    expect(shown).toEqual(marks.map(({ count }) => count));
    expect([...shown].sort((a, b) => a - b)).toEqual(shown);
    expect(shown[0]).toBe(0);
    expect(shown.at(-1)).toBe(strips(store).total);
    // Down one side, along the bottom and up the other: two corners turn outwards.
    const corners = rows.filter((row) => row.textContent?.startsWith('corner'));
    expect(corners).toHaveLength(2);
    expect(screen.getByTestId('corner-advice').textContent).toContain('three insertions');
  });

  test('serves both faces by the same markers, and is told so', () => {
    open(strip('way'));
    expect(screen.getByText(/same markers serve both faces/)).toBeTruthy();
  });

  test('a depth it cannot have is refused below its field', async () => {
    const { store, hands } = open(strip('way'));
    const before = store.getState().document;
    await type(hands, 'Stitches across the strip', '99999');
    expect(screen.getByRole('alert').textContent).toContain('cannot be more than');
    expect(store.getState().document).toBe(before);
  });
});

describe('what meets what', () => {
  test('every closing line is listed with both counts and its verdict; the worst is looked at first', () => {
    const { store } = open(strip('way'));
    const plan = planOf(store.getState().document);
    const closing = plan.lines.filter(({ kind }) => kind === 'closing');
    for (const line of closing) {
      const button = screen.getByRole('button', { name: new RegExp(`^${line.name}`) });
      expect(button.textContent).toContain(`${line.a.loops} : ${line.b.loops}`);
      expect(button.textContent).toContain(line.ease.verdict);
    }
    const worst = Math.max(...closing.map(({ ease }) => Math.abs(ease.percent)));
    const [looked] = screen.getAllByRole('button', { pressed: true });
    const shown = closing.find(({ name }) => looked?.textContent?.startsWith(name));
    expect(Math.abs(shown?.ease.percent ?? Number.NaN)).toBeCloseTo(worst, 9);
  });

  test('another line is looked at by pressing it: its sentence and its doublings', async () => {
    const { store, hands } = open({
      family: 'boxed',
      front: { of: 'motifs', motif: 'm1', rounds: 5, columns: 3, rows: 2 },
      side: { of: 'motifs', motif: 'm1', rounds: 4, columns: 1, rows: 2 },
      bottom: { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 1 },
    });
    const plan = planOf(store.getState().document);
    for (const line of plan.lines.filter(({ kind }) => kind === 'closing')) {
      await hands.click(screen.getByRole('button', { name: new RegExp(`^${line.name}`) }));
      expect(screen.getByText(verdictText(line))).toBeTruthy();
      const places = doublingsOf(line);
      if (places.length > 0 && places.length <= 14)
        expect(screen.getByText(/Take two loops of/).textContent).toContain(places.join(', '));
    }
  });

  test('a line that went away with the bag’s change is no longer looked at', async () => {
    const { store, hands } = open(strip('way'));
    const [one] = screen.getAllByRole('button', { pressed: true });
    if (!one) throw new Error('a line is looked at');
    await hands.click(one);
    act(() => {
      store.getState().change((doc) => ({
        ...doc,
        construction: {
          family: 'two-faces',
          face: { of: 'motifs', motif: 'm1', rounds: 5, columns: 2, rows: 2 },
          tuck: 0,
        },
      }));
    });
    const closing = planOf(store.getState().document).lines.filter(({ kind }) => kind === 'closing');
    const pressed = screen.getAllByRole('button', { pressed: true });
    expect(pressed).toHaveLength(1);
    expect(closing.some(({ name }) => pressed[0]?.textContent?.startsWith(name))).toBe(true);
  });
});

describe('the two schools of a strip', () => {
  test('each is a press away, comes out by its own, and tells what it is by the other', async () => {
    const { store, hands } = open(strip(20));
    const said = () => screen.getByTestId('strip-verdict').textContent ?? '';
    expect(said()).toMatch(/short by length, and \d+ rows short by count/);
    await hands.click(screen.getByRole('button', { name: /by count$/ }));
    expect(store.getState().document.construction).toMatchObject({ strip: { length: { by: 'loops' } } });
    const marked = strips(store);
    expect(marked.total).toBe(marked.byCount);
    expect(said()).toMatch(/comes out(, by length and)? by count/);
    const toLength = screen.queryByRole('button', { name: /by length$/ });
    if (!toLength) throw new Error('squares of five rounds have another count than length');
    await hands.click(toLength);
    expect(strips(store).total).toBe(strips(store).byLength);
    expect(said()).toMatch(/comes out by length/);
  });
});
