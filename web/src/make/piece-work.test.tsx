// @vitest-environment happy-dom
import { rowsOf, rowWords } from '@fennot/core';
import { act, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { beside, taskOf } from '../testing/beside.tsx';
import { aBag } from '../testing/worktop.tsx';
import { EndWork } from './EndWork.tsx';
import { PieceWork } from './PieceWork.tsx';
import { StepWork } from './StepWork.tsx';
import { waitsText } from './show/words.ts';

vi.mock('../drawing/motif-picture.ts', () => ({ motifPicture: () => 'picture' }));

const buzzes: number[][] = [];
const measured: Array<[string, number]> = [];
beforeEach(() => {
  buzzes.length = 0;
  measured.length = 0;
  vi.stubGlobal(
    'navigator',
    Object.assign(window.navigator, { vibrate: (all: number[]) => buzzes.push(all) }),
  );
});

const motif = (document = aBag(), settings = {}) =>
  beside(
    document,
    (plan, making) => (
      <PieceWork
        plan={plan}
        making={making}
        {...taskOf(plan, making.log.record, 'motif/', 'pieces')}
        onMeasured={({ check, mm }) => void measured.push([check.id, mm])}
      />
    ),
    settings,
  );
const button = (name: string | RegExp) => screen.getByRole('button', { name });

describe('a piece on the hook', () => {
  test('is begun, and each row is what the core says it is, in the maker’s terms', async () => {
    const { plan, book, hands } = await motif(aBag(), { terms: 'uk' });
    await hands.click(button('Begin'));
    const [work] = [...book.getState().record.works.values()];
    expect(work).toMatchObject({ is: 'on the hook', rows: 0 });
    const task = taskOf(plan, book.getState().record, 'motif/', 'pieces').task;
    for (const row of rowsOf(plan, task)) {
      expect(screen.getByRole('heading', { level: 2 }).textContent).toContain(`Round ${row.number}`);
      expect(screen.getByText(rowWords(row, 'uk'))).toBeDefined();
      await hands.click(button(`Round ${row.number} is done`));
    }
    expect(book.getState().record.works.get(work?.id ?? '')).toMatchObject({ is: 'done', rows: task.rows });
  });

  test('the space bar counts once a press, and nothing while something else has it', async () => {
    const { book, hands } = await motif();
    await hands.click(button('Begin'));
    act(() => (window.document.activeElement as HTMLElement | null)?.blur());
    const rows = () => [...book.getState().record.works.values()][0]?.rows;
    await hands.keyboard(' ');
    expect(rows()).toBe(1);
    // Held down, the key repeats; that is one row.
    act(() => void window.dispatchEvent(new KeyboardEvent('keydown', { code: 'Space', repeat: true })));
    expect(rows()).toBe(1);
    // With a button in focus it presses that.
    button(/Rip back/).focus();
    await hands.keyboard(' ');
    expect(rows()).toBe(1);
    expect(screen.getByRole('dialog', { name: 'Rip back' })).toBeDefined();
  });

  test('is ripped back to where one says, never to more than there is', async () => {
    const { book, hands } = await motif();
    await hands.click(button('Begin'));
    for (const round of [1, 2, 3]) await hands.click(button(`Round ${round} is done`));
    await hands.click(button(/Rip back/));
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getByRole('button', { name: 'One more' })).toHaveProperty('disabled', true);
    await hands.click(dialog.getByRole('button', { name: 'One fewer' }));
    expect(dialog.getByRole('status', { name: 'Stay' }).textContent).toBe('1');
    await hands.click(dialog.getByRole('button', { name: 'Rip back 2 rounds' }));
    expect([...book.getState().record.works.values()][0]?.rows).toBe(1);
    expect(screen.getByRole('heading', { level: 2 }).textContent).toContain('Round 2');
  });

  test('several of a kind are on the hook at once, and each has its own count', async () => {
    const { book, hands } = await motif();
    await hands.click(button('Begin'));
    await hands.click(button('Round 1 is done'));
    await hands.click(button('Begin another beside it'));
    const group = screen.getByRole('group', { name: 'On the hook' });
    const [, other] = within(group).getAllByRole('button');
    if (other) await hands.click(other);
    await hands.click(button(/Round \d is done/));
    const rows = [...book.getState().record.works.values()].map((work) => work.rows);
    expect(rows.sort()).toEqual([0, 2]);
  });

  test('it buzzes before another colour and before the last round', async () => {
    const two = aBag((document) => ({
      ...document,
      yarns: document.yarns
        .flatMap((yarn) => [yarn, { ...yarn, id: 'other', colourName: 'Other' }])
        .slice(0, 2),
      motifs: document.motifs.map((own) => ({
        ...own,
        colourways: [{ id: 'c', name: 'C', rounds: [document.yarns[0]?.id ?? '', 'other'] }],
      })),
    }));
    const { hands } = await motif(two);
    await hands.click(button('Begin'));
    await hands.click(button('Round 1 is done'));
    expect(buzzes).toHaveLength(1);
    await hands.click(button('Round 2 is done'));
    const { length } = buzzes;
    await hands.click(button('Round 3 is done'));
    expect(buzzes.length - length).toBeLessThanOrEqual(1);
  });

  test('one that was made before Fennot knew of it is counted, and taken back', async () => {
    const { hands } = await motif();
    await hands.click(button('One is made already'));
    expect(screen.getByText(/^1 made, \d+ to go\.$/)).toBeDefined();
    await hands.click(button('Back one'));
    expect(screen.queryByText(/^1 made/)).toBeNull();
  });
});

test('after the first one it is asked for under the tape: what is expected, what it did, and what follows', async () => {
  const { hands, plan } = await motif();
  await hands.click(button('One is made already'));
  const card = within(screen.getByRole('region', { name: 'Measure it' }));
  expect(card.getByText(/is expected/)).toBeDefined();
  const field = card.getByLabelText('It measures');
  await hands.type(field, '5{Enter}');
  expect(card.getByRole('status').textContent).toMatch(/% smaller than expected.*bag changes: .*less/);
  await hands.click(card.getByRole('button', { name: 'Take it into the plan' }));
  expect(measured).toEqual([[expect.stringMatching(/\/1$/), 50]]);
  await hands.click(card.getByRole('button', { name: 'Not now' }));
  expect(screen.queryByRole('region', { name: 'Measure it' })).toBeNull();
  expect(plan.document.motifs[0]?.measured).toEqual([]);
});

test('ends go one by one or a few at a time, never more than there are', async () => {
  const { hands, book } = await beside(aBag(), (plan, making) => (
    <EndWork making={making} {...taskOf(plan, making.log.record, 'ends/pieces', 'ends')} />
  ));
  await hands.click(button('End 1 is hidden'));
  await hands.click(button('4 at once'));
  expect(book.getState().record.hidden).toBe(5);
  await hands.click(button('Back one'));
  expect(book.getState().record.hidden).toBe(1);
});

test('what comes before it is told with each reason once', () => {
  const after = (title: string, because: string) => ({ title, because });
  expect(waitsText([after('Close', 'it is fitted'), after('Edge', 'it is hemmed')])).toBe(
    'Usually after: Close (it is fitted); Edge (it is hemmed).',
  );
  expect(waitsText(['A', 'B', 'C', 'D'].map((one) => after(one, 'all is done by then')))).toBe(
    'Usually after: A and 3 more (all is done by then).',
  );
});

test('a run goes on with the first join that is not done, whichever was done before', async () => {
  const { hands, book, plan } = await beside(aBag(), (own, making) => (
    <StepWork
      plan={own}
      making={making}
      onMeasured={() => {}}
      {...taskOf(own, making.log.record, 'run/', 'steps')}
    />
  ));
  const [, second] = taskOf(plan, book.getState().record, 'run/', 'steps').task.steps;
  act(() => void book.does({ of: 'stepped', task: 'joins', steps: [second ?? ''] }, 1));
  await hands.click(button(/^Join \d+ is done$/));
  expect([...(book.getState().record.steps.get('joins')?.keys() ?? [])]).toHaveLength(2);
});
