// @vitest-environment happy-dom
import { fabricOf, planOf } from '@fennot/core';
import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { aBag, choose, lay } from '../../testing/worktop.tsx';
import { SwatchStation } from './SwatchStation.tsx';

const fabric = (store: ReturnType<typeof lay>['store']) => {
  const { document } = store.getState();
  const [swatch] = document.swatches;
  return swatch && fabricOf(document, swatch);
};

describe('what a swatch is worked in', () => {
  test('is one stitch, or a fabric with what it asks of the count; taken out, it is one stitch again', async () => {
    const { store, hands } = lay(SwatchStation, aBag());
    const before = planOf(store.getState().document).tapes.map(({ finished }) => finished.value);
    await choose(hands, 'Worked in', 'Add: Bobble rows');
    expect(fabric(store)?.multiple).toEqual({ multiple: 4, extra: 1 });
    expect(screen.getByText(/Comes out over multiples of 4 and 1 more: 5, 9, 13/)).toBeTruthy();
    expect(screen.getByText(/rows come again after 4/)).toBeTruthy();
    await hands.click(screen.getByRole('button', { name: 'Take Bobble rows out' }));
    expect(fabric(store)).toBeUndefined();
    expect(store.getState().document.fabrics).toEqual([]);
    expect(planOf(store.getState().document).tapes.map(({ finished }) => finished.value)).toEqual(before);
    // One step each.
    store.getState().undo();
    expect(fabric(store)?.multiple.multiple).toBe(4);
    store.getState().undo();
    expect(store.getState().document.fabrics).toBeUndefined();
  });

  test('a fabric that is there already can be taken for another swatch, and is written in the maker’s terms', async () => {
    const { store, hands } = lay(SwatchStation, aBag(), { terms: 'uk' });
    await choose(hands, 'Worked in', 'Add: Woven blocks of three');
    const [own] = store.getState().document.fabrics ?? [];
    expect(own?.terms).toBe('uk');
    expect(own?.rows).toContain('Row 1: tr across');
    expect(fabric(store)?.multiple).toEqual({ multiple: 6, extra: 0 });
    await choose(hands, 'Worked in', /^One stitch/);
    expect(fabric(store)).toBeUndefined();
    await choose(hands, 'Worked in', 'Woven blocks of three');
    expect(store.getState().document.fabrics).toHaveLength(1);
  });
});
