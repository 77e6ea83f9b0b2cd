// @vitest-environment happy-dom
import type { ListedBag } from '@fennot/core';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Around } from '../../testing/worktop.tsx';
import { BagShelf } from './BagShelf.tsx';

/** A page has a size; that of a test has none of its own. */
let width = 1000;
beforeEach(() => {
  width = 1000;
  vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockImplementation(() => width);
  Object.defineProperty(window, 'innerHeight', { value: 800, configurable: true });
  window.scrollTo(0, 0);
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

const bag = (i: number, more: Partial<ListedBag> = {}): ListedBag => ({
  id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
  version: 3,
  updatedAt: '2026-01-01T00:00:00.000Z',
  name: `Bag ${i}`,
  summary: { is: 'sound', family: 'Boxed', width: 300, height: 200, depth: 0, notes: [] },
  ...more,
});
const bags = (many: number) => Array.from({ length: many }, (_, i) => bag(i));

function shelf(
  list: readonly ListedBag[],
  { unsaved = [], onEnd }: { unsaved?: string[]; onEnd?: () => void } = {},
) {
  render(
    <Around>
      <BagShelf bags={list} unsaved={new Set(unsaved)} total={list.length} onEnd={onEnd} />
    </Around>,
  );
  return screen.getAllByRole('listitem');
}

describe('the shelf', () => {
  test('holds the cards near the window alone, however many bags there are', () => {
    const few = shelf(bags(500)).length;
    // Three columns; two rows and a bit are seen, and some more are ready.
    expect(few % 3).toBe(0);
    expect(few).toBeGreaterThanOrEqual(9);
    expect(few).toBeLessThan(40);
    expect(screen.getByRole('list', { name: '500 bags' })).toBeTruthy();
  });

  test('has as many columns as there is room for, and a row of its own on a phone', () => {
    const left = (card: HTMLElement) => /translate\((-?[\d.]+)px/.exec(card.style.transform)?.[1];
    const columns = () => new Set(screen.getAllByRole('listitem').map(left)).size;
    shelf(bags(30));
    expect(columns()).toBe(3);
    document.body.innerHTML = '';
    width = 640;
    shelf(bags(30));
    expect(columns()).toBe(2);
    document.body.innerHTML = '';
    width = 358;
    shelf(bags(30));
    expect(columns()).toBe(1);
  });

  test('asks for more when its end comes near, and not before', () => {
    const onEnd = vi.fn();
    shelf(bags(500), { onEnd });
    expect(onEnd).not.toHaveBeenCalled();
    document.body.innerHTML = '';
    shelf(bags(9), { onEnd });
    expect(onEnd).toHaveBeenCalled();
  });
});

describe('a card', () => {
  test('says what the bag is, how large, and what is still open; a flat one has no depth', () => {
    shelf([
      bag(1, {
        summary: {
          is: 'sound',
          family: 'Boxed',
          width: 380,
          height: 260,
          depth: 131,
          notes: ['width off', 'not measured'],
        },
      }),
      bag(2),
    ]);
    const [first, second] = screen.getAllByRole('listitem');
    expect(first?.textContent).toContain('Boxed · 38.0 cm × 26.0 cm × 13.1 cm');
    expect(first?.textContent).toContain('width off · not measured');
    expect(second?.textContent).toContain('Boxed · 30.0 cm × 20.0 cm');
    expect(second?.textContent).not.toContain('× 0.0 cm');
    expect(second?.textContent).toContain('everything comes out');
  });

  test('shows the picture of its very version', () => {
    shelf([bag(7)]);
    expect(screen.getByRole('img', { name: 'Bag 7, made up' }).getAttribute('src')).toBe(
      '/api/bags/00000000-0000-4000-8000-000000000007/picture.svg?version=3.1',
    );
  });

  test('of a bag with changes that wait here says so', () => {
    const [card] = shelf([bag(1)], { unsaved: [bag(1).id] });
    expect(card?.textContent).toContain('unsaved changes wait here');
  });

  test('of a damaged bag says why, and fetches it to be exported', async () => {
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (path: string) => {
      asked.push(path);
      return {
        ok: false,
        status: 503,
        json: async () => ({ type: '', title: '', status: 503, detail: 'Away.' }),
      };
    });
    const [card] = shelf([bag(1, { summary: { is: 'damaged', why: 'This must be a list.' } })]);
    if (!card) throw new Error('there is a card');
    expect(within(card).queryByRole('link')).toBeNull();
    expect(card.textContent).toContain('This bag cannot be shown: This must be a list. It is kept as it is.');
    await userEvent.click(within(card).getByRole('button', { name: 'Export' }));
    expect(asked).toContain(`/api/bags/${bag(1).id}`);
  });

  test('deleted, it is gone at once; when that cannot be, it is back', async () => {
    let answer = {
      ok: true,
      status: 200,
      json: async (): Promise<unknown> => ({ version: 4, updatedAt: '2026-01-01T00:00:00.000Z' }),
    };
    vi.stubGlobal('fetch', async () => answer);
    shelf([bag(1), bag(2)]);
    await userEvent.click(screen.getByRole('button', { name: 'Delete Bag 1' }));
    expect(screen.queryByText('Bag 1')).toBeNull();
    answer = {
      ok: false,
      status: 503,
      json: async () => ({ type: '', title: '', status: 503, detail: 'Away.' }),
    };
    await userEvent.click(screen.getByRole('button', { name: 'Delete Bag 2' }));
    expect(await screen.findByText('Bag 2')).toBeTruthy();
  });
});
