// @vitest-environment happy-dom
import { type BagDocument, countedPanel, must, type Panel } from '@fennot/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { type BagStore, createBagStore, usePlan } from '../open-bag/store.ts';
import { Around, aBag, type } from '../testing/worktop.tsx';
import { SectionsField } from './SectionsField.tsx';

afterEach(cleanup);
beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
});

const PANEL: Panel = {
  id: 'p',
  name: 'Clutch',
  swatch: 's1',
  terms: 'us',
  rows: 'ch 58\nRow 1: 58 sc\nRow 2: sc across',
};

function Open({ store }: { readonly store: BagStore }) {
  const { document } = usePlan(store);
  const panel = must(document.panels?.[0], 'panel');
  const counted = countedPanel(panel, must(document.swatches[0], 'swatch'));
  return <SectionsField document={document} store={store} panel={panel} counted={counted} />;
}

/** The field for a panel of 58 in a bag of two swatches. */
function lay(rows = PANEL.rows) {
  const store = createBagStore(
    aBag((doc): BagDocument => {
      const [swatch] = doc.swatches;
      const first = must(swatch, 'swatch');
      return {
        ...doc,
        swatches: [
          { ...first, name: 'Braid' },
          { ...first, id: 'waist', name: 'Waist' },
        ],
        panels: [{ ...PANEL, rows, swatch: first.id }],
      };
    }),
  );
  render(
    <Around>
      <Open store={store} />
    </Around>,
  );
  const sections = () => store.getState().document.panels?.[0]?.sections;
  return { sections, hands: userEvent.setup({ delay: null }) };
}

describe('sections side by side', () => {
  test('24 + 10 + 24: begun with two, each with its count and its swatch; markers are told', async () => {
    const { sections, hands } = lay();
    await hands.click(screen.getByRole('button', { name: /Sections side by side/ }));
    expect(sections()).toHaveLength(2);
    await hands.click(screen.getByRole('button', { name: 'A section' }));
    await type(hands, 'Section 1', '24');
    await type(hands, 'Section 2', '10');
    await type(hands, 'Section 3', '24');
    expect(sections()?.map(({ stitches }) => stitches)).toEqual([24, 10, 24]);
    expect(screen.getByRole('status').textContent).toMatch(/^Markers in row 1 after stitch 24 and 34\./);
    await hands.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.getByRole('button', { name: /Sections 24 \+ 10 \+ 24/ })).toBeTruthy();
  });

  test('counts that are too few, or more than there are, are told; taken out one by one there are none', async () => {
    const { sections, hands } = lay();
    await hands.click(screen.getByRole('button', { name: /Sections side by side/ }));
    await type(hands, 'Section 1', '20');
    expect(screen.getByRole('status').textContent).toContain('the 9 that are over belong to the last');
    await type(hands, 'Section 2', '50');
    expect(screen.getByRole('status').textContent).toContain(
      'They come to 70, and row 1 stands on 58: 12 of them are not there.',
    );
    await hands.click(screen.getByRole('button', { name: 'Take section 2 out' }));
    expect(sections()).toBeUndefined();
  });

  test('what begins in a ring has none', async () => {
    const { hands } = lay('Round 1: 6 sc in ring');
    await hands.click(screen.getByRole('button', { name: /Sections side by side/ }));
    expect(screen.getByRole('status').textContent).toContain('What begins in a ring has no sections.');
  });
});
