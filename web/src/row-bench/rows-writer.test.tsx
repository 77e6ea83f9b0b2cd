// @vitest-environment happy-dom
import { type BagDocument, type Block, countProgram, type Panel } from '@fennot/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, test } from 'vitest';
import { Around, aBag, choose, type } from '../testing/worktop.tsx';
import { RowsWriter } from './RowsWriter.tsx';
import { Twins } from './Twins.tsx';

afterEach(cleanup);
const count = (text: string) => countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'low' });

describe('rows that Fennot writes', () => {
  const open = (text: string, blocks: readonly Block[] = []) => {
    const written: string[] = [];
    render(
      <Around>
        <RowsWriter
          counted={count(text)}
          usual="low"
          rowEnd={1}
          blocks={blocks}
          onAdd={(rows) => written.push(rows)}
        />
      </Around>,
    );
    return { written, hands: userEvent.setup({ delay: null }) };
  };

  test('go on from the last row, and say beforehand what they come to', async () => {
    const { written, hands } = open('ch 20\nRow 1: 20 sc\nRow 2: 20 sc');
    await hands.click(screen.getByRole('button', { name: /Let Fennot write rows/ }));
    await choose(hands, 'Write', 'Widen or narrow to a count');
    await type(hands, 'stitches', '26');
    await type(hands, 'over rows', '3');
    expect(screen.getByRole('status').textContent).toBe('From 20 to 26: 2 more a row.');
    await hands.click(screen.getByRole('button', { name: 'Write them below' }));
    expect(written).toEqual([
      'Row 3: inc, 18 sc, inc (22)\nRow 4: inc, 20 sc, inc (24)\nRow 5: inc, 22 sc, inc (26)',
    ]);
  });

  test('a handle lies in the middle where it can, and says what a twin needs where it cannot', async () => {
    const { written, hands } = open('ch 45\nRow 1: 45 sc');
    await hands.click(screen.getByRole('button', { name: /Let Fennot write rows/ }));
    await choose(hands, 'Write', 'A handle carried through');
    expect(screen.getByRole('status').textContent).toBe(
      '15 before it and 16 behind: over 13 or 15 it would lie in the middle. On a twin, which lies the other way round, begin with 16.',
    );
    await type(hands, 'chains', '15');
    expect(screen.getByRole('status').textContent).toMatch(/^15 on either side/);
    await hands.click(screen.getByRole('button', { name: 'Write them below' }));
    expect(written).toEqual(['Row 2: 15 sc, ch 15, skip 15, 15 sc (45)']);
  });

  test('a first round takes the rate of the swatch: 3 beside each 2 rows', async () => {
    const written: string[] = [];
    render(
      <Around>
        <RowsWriter
          counted={count('ch 20\nRow 1: 20 hdc\nRows 2-10: hdc across')}
          usual="mid"
          rowEnd={1.5}
          blocks={[]}
          onAdd={(rows) => written.push(rows)}
        />
      </Around>,
    );
    const hands = userEvent.setup({ delay: null });
    await hands.click(screen.getByRole('button', { name: /Let Fennot write rows/ }));
    await choose(hands, 'Write', 'A first round on the edge');
    // 20 + 20 + 2 x 15, and two more in each of four corners.
    expect(screen.getByRole('status').textContent).toMatch(/: 78 in all\.$/);
    await hands.click(screen.getByRole('button', { name: 'Write them below' }));
    expect(written).toEqual([
      'Edge: hdc evenly all round, 1 in each st, 3 beside each 2 rows, 3 in each corner',
    ]);
  });

  test('sections are only offered where there are any', async () => {
    const { written, hands } = open('', [
      { name: 'Braid', stitches: 6, in: 'low' },
      { name: 'Waist', stitches: 4, in: 'mid' },
    ]);
    await hands.click(screen.getByRole('button', { name: /Let Fennot write rows/ }));
    await choose(hands, 'Write', 'Sections in their fabrics');
    await type(hands, 'rows', '2');
    expect(screen.getByRole('status').textContent).toBe(
      '6 in Braid, 4 in Waist: markers after stitch 6 of row 1.',
    );
    await hands.click(screen.getByRole('button', { name: 'Write them below' }));
    expect(written).toEqual(['ch 10\nRow 1: 6 sc, 4 hdc (10)\nRow 2: 4 hdc, 6 sc (10)']);
  });

  test('that cannot be are refused with the reason, and nothing is written', async () => {
    const { written, hands } = open('ch 20\nRow 1: 20 sc');
    await hands.click(screen.getByRole('button', { name: /Let Fennot write rows/ }));
    await choose(hands, 'Write', 'A disc, from a ring');
    expect(screen.getByRole('status').textContent).toContain('it goes into a panel that has no rows yet');
    await hands.click(screen.getByRole('button', { name: 'Write them below' }));
    expect(written).toEqual([]);
  });
});

describe('twins', () => {
  test('are compared row by row, the first difference told with what can be done', async () => {
    const panel = (id: string, rows: string): Panel => ({
      id,
      name: `Panel ${id}`,
      swatch: 's1',
      terms: 'us',
      rows,
    });
    const [one, two] = [
      panel('a', 'ch 12\nRow 1: 12 sc\nRow 2: (5 sc, inc) x2'),
      panel('b', 'ch 12\nRow 1: 12 sc\nRow 2: 5 sc, inc, 6 sc'),
    ];
    const document: BagDocument = aBag((doc) => ({ ...doc, panels: [one, two, panel('c', one.rows)] }));
    const hands = userEvent.setup({ delay: null });
    render(
      <Around>
        <Twins document={document} panel={one} counted={count(one.rows)} />
      </Around>,
    );
    expect(screen.queryByTestId('twins')).toBeNull();
    await choose(hands, 'Compare row by row with', 'Panel b');
    expect(screen.getByTestId('twins').textContent).toContain('Row 2 makes 14 in Panel a and 13 in Panel b.');
    expect(screen.getAllByRole('row').map(({ textContent }) => textContent)).toEqual([
      'RowPanel aPanel b',
      '11212',
      '21413',
    ]);
    await choose(hands, 'Compare row by row with', 'Panel c');
    expect(screen.getByTestId('twins').textContent).toBe('All 2 rows are alike.');
  });
});
