// @vitest-environment happy-dom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { SortableTable, type TableColumn } from './SortableTable.tsx';

interface Ball {
  readonly id: string;
  readonly name: string;
  readonly grams: number | undefined;
}
const COLUMNS: ReadonlyArray<TableColumn<Ball>> = [
  { id: 'name', head: 'Name', by: ({ name }) => name, words: ({ name }) => name, cell: ({ name }) => name },
  { id: 'grams', head: 'Grams', right: true, by: ({ grams }) => grams, cell: ({ grams }) => grams ?? '?' },
];
const BALLS: readonly Ball[] = [
  { id: 'a', name: 'Lot 10 reed', grams: 9 },
  { id: 'b', name: 'lot 2 Reed', grams: 100 },
  { id: 'c', name: 'Lot 3 rust', grams: undefined },
];

beforeEach(() => {
  Object.defineProperty(window, 'innerHeight', { value: 800, configurable: true });
});
afterEach(cleanup);

function Chosen({ rows, search, told }: { rows: readonly Ball[]; search: string; told: string[][] }) {
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  return (
    <SortableTable
      label="Balls"
      rows={rows}
      columns={COLUMNS}
      search={search}
      selected={selected}
      onSelect={(ids) => {
        told.push([...ids]);
        setSelected(ids);
      }}
      nameOf={({ name }) => name}
      none="There is none."
    />
  );
}

function lay(rows: readonly Ball[] = BALLS, search = '') {
  const chosen: string[][] = [];
  render(<Chosen rows={rows} search={search} told={chosen} />);
  return { hands: userEvent.setup({ delay: null }), chosen };
}
const names = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).queryAllByRole('cell')[1]?.textContent)
    .filter(Boolean);
const press = (hands: ReturnType<typeof userEvent.setup>, head: string) =>
  hands.click(screen.getByRole('button', { name: head }));

describe('a table', () => {
  test('sorts words as people do, numbers as numbers, and puts what is not said last, up and down', async () => {
    const { hands } = lay();
    await press(hands, 'Name');
    expect(names()).toEqual(['lot 2 Reed', 'Lot 3 rust', 'Lot 10 reed']);
    await press(hands, 'Name');
    expect(names()).toEqual(['Lot 10 reed', 'Lot 3 rust', 'lot 2 Reed']);
    await press(hands, 'Grams');
    const first = names();
    await press(hands, 'Grams');
    const second = names();
    expect(first.at(-1)).toBe('Lot 3 rust');
    expect(second.at(-1)).toBe('Lot 3 rust');
    expect([first.slice(0, 2), second.slice(0, 2)]).toContainEqual(['Lot 10 reed', 'lot 2 Reed']);
    expect(first).not.toEqual(second);
    expect(screen.getByRole('columnheader', { name: 'Grams' }).getAttribute('aria-sort')).toMatch(/cending$/);
  });

  test.each([
    ['reed', ['Lot 10 reed', 'lot 2 Reed']],
    ['10 REED', ['Lot 10 reed']],
    ['', ['Lot 10 reed', 'lot 2 Reed', 'Lot 3 rust']],
  ])('finds by “%s” whatever has all its words', (search, found) => {
    lay(BALLS, search);
    expect(names()).toEqual(found);
  });

  test('says that there is none', () => {
    lay(BALLS, 'sedge');
    expect(screen.getByText('There is none.')).toBeTruthy();
    expect(screen.getByLabelText('Choose all that are shown').hasAttribute('disabled')).toBe(true);
  });

  test('chooses row by row, and all that are shown; those that are hidden are not chosen with them', async () => {
    const { hands, chosen } = lay(BALLS, 'reed');
    await hands.click(screen.getByLabelText('Choose lot 2 Reed'));
    expect(chosen.at(-1)).toEqual(['b']);
    await hands.click(screen.getByLabelText('Choose all that are shown'));
    expect(chosen.at(-1)?.sort()).toEqual(['a', 'b']);
    await hands.click(screen.getByLabelText('Choose all that are shown'));
    expect(chosen.at(-1)).toEqual([]);
  });

  test('of ten thousand rows only those near the window are there, and all are counted', () => {
    lay(Array.from({ length: 10_000 }, (_, i) => ({ id: `${i}`, name: `Ball ${i}`, grams: i })));
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('10001');
    expect(names().length).toBeGreaterThan(10);
    expect(names().length).toBeLessThan(80);
  });
});
