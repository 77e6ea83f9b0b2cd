// @vitest-environment happy-dom
import { fabricOf, planOf } from '@fennot/core';
import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { aBag, choose, lay, type } from '../../testing/worktop.tsx';
import type { StationProps } from '../station.ts';
import { SwatchSection } from './SwatchSection.tsx';

/** The first swatch alone: what stands below it has tests of its own. */
function FirstSwatch(props: StationProps) {
  const [swatch] = props.plan.document.swatches;
  return swatch ? <SwatchSection {...props} swatch={swatch} /> : null;
}

const fabric = (store: ReturnType<typeof lay>['store']) => {
  const { document } = store.getState();
  const [swatch] = document.swatches;
  return swatch && fabricOf(document, swatch);
};

describe('what a swatch is worked in', () => {
  test('is one stitch, or a fabric with what it asks of the count; taken out, it is one stitch again', async () => {
    const { store, hands } = lay(FirstSwatch, aBag());
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

  test('its swatch can be counted in whole repeats', async () => {
    const { store, hands } = lay(FirstSwatch, aBag());
    await choose(hands, 'Worked in', 'Add: Bobble rows');
    await hands.click(screen.getByRole('button', { name: 'Enter stitches counted' }));
    await type(hands, 'Stitches, in repeats of 4', '6');
    const [swatch] = store.getState().document.swatches;
    expect(swatch?.stitches?.count).toBe(24);
    // One stitch alone has no repeats to count in.
    await choose(hands, 'Worked in', /^One stitch/);
    expect(screen.queryByLabelText(/in repeats of/)).toBeNull();
  });

  test('a fabric that is there already can be taken for another swatch, and is written in the maker’s terms', async () => {
    const { store, hands } = lay(FirstSwatch, aBag(), { terms: 'uk' });
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
