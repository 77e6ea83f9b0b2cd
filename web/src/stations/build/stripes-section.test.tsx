// @vitest-environment happy-dom
import { type Construction, planOf } from '@fennot/core';
import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { aBag, choose, lay, type } from '../../testing/worktop.tsx';
import { StripesSection } from './StripesSection.tsx';

const PANELS: Construction = {
  family: 'wrap-round',
  laid: 'panels',
  bottom: 'seam',
  sides: 'joins',
  body: {
    of: 'worked',
    swatch: 's1',
    stitches: 30,
    rows: 24,
    multiple: { multiple: 1, extra: 0 },
    rowsRun: 'across',
  },
};
const open = () =>
  lay(
    StripesSection,
    aBag((doc) => ({ ...doc, construction: PANELS })),
  );
const said = () => screen.queryAllByTestId('stripes').map(({ textContent }) => textContent);
const met = () => screen.queryAllByTestId('stripes-meet').map(({ textContent }) => textContent);

describe('stripes', () => {
  test('of all panels are told with their ends, and meet at the seams', async () => {
    const { hands, store } = open();
    expect(said()).toEqual([]);
    await hands.click(screen.getByRole('button', { name: 'Work it in stripes' }));
    // 24 rows in twos: 6 stripes of each, 12 rows each; two colours begun and ended once.
    expect(said()).toHaveLength(2);
    expect(said()[0]).toMatch(
      /6 stripes of .+ \(12 rows\) and 6 stripes of .+ \(12 rows\), 24 rows; begins in/,
    );
    expect(said()[0]).toContain('Carried up past 2 rows at most, at the side where row 1 begins');
    expect(said()[0]).toContain('4 ends to hide.');
    expect(met().every((text) => text?.includes('all 24 rows'))).toBe(true);
    await choose(hands, 'Between its stripes a colour is', 'cut, and joined on anew');
    // Twelve stripes with an end at either side.
    expect(said()[0]).toContain('24 ends to hide.');
    store.getState().undo();
    store.getState().undo();
    expect(store.getState().document.stripes).toBeUndefined();
  });

  test('of three rows say where a colour hangs at the wrong side', async () => {
    const { hands } = open();
    await hands.click(screen.getByRole('button', { name: 'Work it in stripes' }));
    await type(hands, 'Rows', '3');
    await type(hands, 'Rows of stripe 2', '3');
    expect(said()[0]).toContain('hangs at the other side when row 7 wants it');
  });

  test('of one panel alone that begins in the other colour meet nowhere, and it says what would help', async () => {
    const { hands, store } = open();
    await hands.click(screen.getByRole('button', { name: 'Work it in stripes' }));
    const [first] = planOf(store.getState().document).stripes().panels;
    await choose(hands, 'Of', `${first?.name} alone`);
    await hands.click(screen.getByRole('button', { name: 'Work it in stripes' }));
    // The same as the others, with its first stripe taken to the end.
    await hands.click(screen.getByRole('button', { name: 'Add a stripe' }));
    await hands.click(screen.getByRole('button', { name: 'Take stripe 1 out' }));
    const own = met();
    expect(own.length).toBeGreaterThan(0);
    for (const text of own) expect(text).toMatch(/\d+ of 24 rows of .+ meet another colour on/);
    await hands.click(screen.getByRole('button', { name: 'No stripes' }));
    expect(met().every((text) => text?.includes('all 24 rows'))).toBe(true);
    await hands.click(screen.getByRole('button', { name: 'Leave it plain' }));
    expect(said()).toHaveLength(1);
  });
});
