// @vitest-environment happy-dom
import { type Deed, leftOf, minutesLeft, standOf, tasksOf } from '@fennot/core';
import { act, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { beside } from '../testing/beside.tsx';
import { aBag } from '../testing/worktop.tsx';
import { durationText } from './show/log-words.ts';
import { TimeLeft } from './TimeLeft.tsx';

const shown = (document = aBag()) =>
  beside(document, (plan, { log }) => (
    <TimeLeft plan={plan} stands={standOf(plan, log.record).stands} record={log.record} events={log.events} />
  ));

test('what is left is said as the core reckons it, and gets less; in the end nothing is said', async () => {
  const { plan, book } = await shown();
  const minutes = () => {
    const { record } = book.getState();
    return minutesLeft(leftOf(plan, standOf(plan, record).stands, record), new Map()).minutes;
  };
  expect(screen.getByText(/to go/).textContent).toBe(
    `About ${durationText(minutes())} to go, by general figures.`,
  );
  const does = (deed: Deed) => act(() => void book.does(deed, 1));
  for (const task of tasksOf(plan))
    if (task.of === 'pieces') does({ of: 'made', task: task.id, rows: task.rows, many: task.many });
  expect(screen.getByText(/to go/).textContent).toContain(durationText(minutes()));
  for (const task of tasksOf(plan))
    if (task.of === 'ends') does({ of: 'hidden', many: task.many });
    else if (task.of === 'steps') does({ of: 'stepped', task: task.under, steps: [...task.steps] });
  expect(screen.queryByText(/to go/)).toBeNull();
});

test('where it is said when one works, the days it may be done on are told', async () => {
  await shown(aBag((document) => ({ ...document, pace: { minutes: 60, days: [1, 2, 3, 4, 5, 6, 7] } })));
  expect(screen.getByText(/to go/).textContent).toMatch(
    /: done about \d+ \w+, between \d+ \w+ and \d+ \w+\.$/,
  );
});
