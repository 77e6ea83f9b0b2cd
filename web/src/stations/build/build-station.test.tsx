// @vitest-environment happy-dom
import { controlsOf, FAMILIES, mm, planOf } from '@fennot/core';
import { act, screen } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { aBag, choose, lay, type } from '../../testing/worktop.tsx';
import { BuildStation } from './BuildStation.tsx';

beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
});

const construction = (store: ReturnType<typeof lay>['store']) => store.getState().document.construction;

describe('the way a bag is built', () => {
  test('stands as one line until another is wanted; every way is offered, and the bag begins anew in it', async () => {
    const { store, hands } = lay(BuildStation, aBag());
    expect(screen.queryAllByRole('radio')).toHaveLength(0);
    await hands.click(screen.getByRole('button', { name: /another way/i }));
    for (const { id, name } of FAMILIES.filter(({ id }) => id !== construction(store).family).slice(0, 4)) {
      const offer = screen.queryByRole('radio', { name }) ?? screen.queryByRole('button', { name });
      if (!offer) await hands.click(screen.getByRole('button', { name: /another way/i }));
      await hands.click(
        screen.queryByRole('radio', { name }) ?? screen.getByRole('button', { name: new RegExp(`^${name}`) }),
      );
      expect(construction(store).family).toBe(id);
    }
  });
});

describe('the counts of the bag', () => {
  test('are those of its family, each with its value', () => {
    const { store } = lay(BuildStation, aBag());
    for (const control of controlsOf(store.getState().document)) {
      if (control.kind !== 'count' || control.about === 'side') continue;
      expect(screen.getByLabelText<HTMLInputElement>(control.label).value).toBe(String(control.value));
    }
  });

  test('typed, they make another bag; too many pieces are refused with the reason', async () => {
    const { store, hands } = lay(BuildStation, aBag());
    const counts = controlsOf(store.getState().document).filter(({ kind }) => kind === 'count');
    const [columns, rows] = ['columns', 'rows'].map((id) => counts.find((one) => one.id === id));
    if (!columns || !rows) throw new Error('a bag just begun is of squares in columns and rows');
    await type(hands, columns.label, '30');
    expect(construction(store)).toMatchObject({ body: { columns: 30 } });
    await type(hands, rows.label, '40');
    expect(screen.getByRole('alert').textContent).toMatch(/1,200 pieces/);
    expect(construction(store)).toMatchObject({ body: { columns: 30 } });
    expect(planOf(store.getState().document).graph.pieces.length).toBeLessThanOrEqual(600);
  });

  test('the body is of something else when that is chosen, and about as large', async () => {
    const { store, hands } = lay(BuildStation, aBag());
    const of = controlsOf(store.getState().document).find(({ id }) => id === 'of');
    if (of?.kind !== 'choice') throw new Error('a body is of squares or a panel');
    const other = of.options.find(({ value }) => value !== of.value);
    if (!other) throw new Error('there is something to choose');
    await choose(hands, of.label, other.label);
    expect(construction(store)).toMatchObject({ body: { of: other.value } });
  });

  test('edge rounds are switched on and have their own counts then', async () => {
    const { store, hands } = lay(BuildStation, aBag());
    expect(screen.queryByLabelText('Edge rounds')).toBeNull();
    await choose(hands, 'Edge rounds along the opening', 'Yes');
    await type(hands, 'Edge rounds', '5');
    expect(store.getState().document.features?.edge).toMatchObject({ rounds: 5 });
    await choose(hands, 'Edge rounds along the opening', 'No');
    expect(store.getState().document.features?.edge).toBeUndefined();
  });
});

describe('a size off its target', () => {
  test('is told with how much too small or too large it is; one that is met is told as well', () => {
    const wide = { value: mm(200), tolerance: 1 };
    const { store } = lay(
      BuildStation,
      aBag((doc) => ({ ...doc, brief: { width: wide } })),
    );
    const width = planOf(store.getState().document).tapes.find(({ measure }) => measure === 'width');
    if (!width) throw new Error('a width is wanted');
    const off = ((width.finished.value - 200) / 10).toFixed(1);
    expect(width.verdict).toBe('over');
    expect(screen.getByText(`${off} cm too large`)).toBeTruthy();
    act(() => {
      const value = mm(Math.round(width.finished.value));
      store.getState().change((doc) => ({ ...doc, brief: { width: { value, tolerance: 20 } } }));
    });
    expect(screen.getByText(/^as wanted/)).toBeTruthy();
  });

  test('without a target it says where one is set', () => {
    lay(
      BuildStation,
      aBag((doc) => ({ ...doc, brief: {} })),
    );
    expect(screen.getByText('No target is set: see Brief.')).toBeTruthy();
  });
});
