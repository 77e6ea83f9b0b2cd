// @vitest-environment happy-dom
import { type Deed, logCsv, type MakeEvent, tasksOf } from '@fennot/core';
import { act, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { beside } from '../testing/beside.tsx';
import { aBag } from '../testing/worktop.tsx';
import { LogView } from './LogView.tsx';
import { durationText } from './show/log-words.ts';

const saved: Array<{ text: string; name: string }> = [];
vi.mock('../ui/files.ts', async (original) => ({
  ...(await original<typeof import('../ui/files.ts')>()),
  saveText: (text: string, name: string) => void saved.push({ text, name }),
}));
vi.mock('./DaysChart.tsx', () => ({ default: () => null }));
beforeEach(() => {
  saved.length = 0;
});

const MINUTE = 60_000;
const shown = async () => {
  const all = await beside(aBag(), (plan, making) => (
    <LogView name="Test bag" tasks={tasksOf(plan)} making={making} />
  ));
  const does = (deed: Deed, minutes = 0) => {
    all.world.time += minutes * MINUTE;
    const made: MakeEvent[] = [];
    act(() => void made.push(all.book.does(deed, 1)));
    return { id: made[0]?.id ?? '' };
  };
  return { ...all, does };
};
const lines = () => screen.getAllByRole('listitem').map((line) => line.textContent);

describe('the log', () => {
  test('says what was done, day by day, and how long it took', async () => {
    const { does, plan } = await shown();
    expect(screen.getByText(/Nothing has been done yet/)).toBeDefined();
    const task = tasksOf(plan).find(({ id }) => id.startsWith('motif/'));
    const { id: work } = does({ of: 'begun', task: task?.id ?? '', rows: 4 });
    for (let row = 1; row <= 4; row++) does({ of: 'row', work, row }, 3);
    does({ of: 'finished', work, rows: 4 });
    does({ of: 'hidden', many: 3 }, 60);
    expect(screen.getByText('12 min in 2 sittings, on 1 day')).toBeDefined();
    expect(lines().map((line) => line?.slice(5))).toEqual([
      `${task?.title}: rounds 1 to 4`,
      `${task?.title}: made`,
      '3 ends hidden',
    ]);
  });

  test('what was measured is told by what it was of, in the maker’s unit', async () => {
    const { does, plan } = await shown();
    const motif = plan.document.motifs[0]?.id ?? '';
    does({ of: 'measured', what: { of: 'motif', motif, rounds: 4, blocked: true }, mm: 112 });
    does({ of: 'measured', what: { of: 'tape', measure: 'height' }, mm: 304 }, 1);
    does({ of: 'measured', what: { of: 'joined', motif, rounds: 4, motifs: 3 }, mm: 340 }, 1);
    expect(lines().map((line) => line?.slice(5))).toEqual([
      'Measured: a motif of 4 rounds, blocked, 11.2 cm',
      'Measured: the bag’s height, 30.4 cm',
      'Measured: 3 of 4 rounds joined in a row, 34.0 cm',
    ]);
  });

  test('the latest day stands first, with its own minutes', async () => {
    const { does } = await shown();
    does({ of: 'hidden', many: 1 });
    does({ of: 'hidden', many: 1 }, 24 * 60);
    does({ of: 'hidden', many: 1 }, 7);
    const [first, second] = screen.getAllByRole('region');
    expect(first && within(first).getByRole('heading').textContent).toContain('7 min');
    expect(second && within(second).getByRole('heading').textContent).toContain('under a minute');
  });

  test('keeps a note, and none that says nothing', async () => {
    const { hands, book } = await shown();
    const keep = screen.getByRole('button', { name: 'Keep the note' });
    await hands.type(screen.getByLabelText('Note'), '   ');
    expect(keep).toHaveProperty('disabled', true);
    await hands.type(screen.getByLabelText('Note'), ' Hook 4 was too tight ');
    await hands.click(keep);
    expect(book.getState().record.noted.map(({ text }) => text)).toEqual(['Hook 4 was too tight']);
    expect(lines()[0]).toContain('Hook 4 was too tight');
  });

  test('goes out as a file and comes in again, once', async () => {
    const { does, hands, book } = await shown();
    does({ of: 'hidden', many: 3 });
    await hands.click(screen.getByRole('button', { name: 'As CSV' }));
    await hands.click(screen.getByRole('button', { name: 'As JSON' }));
    expect(saved.map(({ name }) => name)).toEqual(['test-bag.log.csv', 'test-bag.log.json']);
    const other = await shownElsewhere();
    const file = new File([saved[1]?.text ?? ''], 'log.json');
    const [, field] = screen.getAllByLabelText<HTMLInputElement>('A log as JSON or CSV');
    if (!field) throw new Error('there are two');
    for (let i = 0; i < 2; i++) {
      await hands.upload(field, file);
      await act(async () => {});
    }
    expect(other.book.getState().events).toEqual(book.getState().events);
    expect(logCsv(other.book.getState().events)).toBe(saved[0]?.text);
  });
});

const shownElsewhere = () =>
  beside(aBag(), (plan, making) => <LogView name="Elsewhere" tasks={tasksOf(plan)} making={making} />);

test('how long something took is said in hours and minutes', () => {
  expect([0, 0.4, 1, 59.6, 60, 85].map(durationText)).toEqual([
    'under a minute',
    'under a minute',
    '1 min',
    '1 h 0 min',
    '1 h 0 min',
    '1 h 25 min',
  ]);
});
