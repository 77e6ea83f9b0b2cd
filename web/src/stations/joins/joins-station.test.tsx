// @vitest-environment happy-dom
import {
  designNames,
  leftHanded,
  methodAt,
  mirroredWords,
  planOf,
  stepText,
  turnedPieces,
  yarnOf,
} from '@fennot/core';
import { act, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { aBag, choose, lay } from '../../testing/worktop.tsx';
import { JoinsStation } from './JoinsStation.tsx';
import { usePlayer } from './player.ts';

beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
  usePlayer.setState({ step: 0, playing: false });
});

const bag = () => aBag();
const steps = () => planOf(bag()).steps();
const shown = () => screen.getByRole('region', { name: 'Steps' });
const current = () =>
  within(shown()).getByText((_, element) => element?.getAttribute('aria-current') === 'step');
const press = (hands: ReturnType<typeof lay>['hands'], name: string) =>
  hands.click(screen.getByRole('button', { name }));

describe('the steps', () => {
  test('are shown one by one, as the core tells them, on and back', async () => {
    const { hands } = lay(JoinsStation, bag());
    const plan = planOf(bag());
    const reading = {
      terms: 'us' as const,
      system: 'cm' as const,
      yarnName: (id: string) => yarnOf(plan.document, id).colourName,
      turned: turnedPieces(plan),
      design: designNames(plan),
    };
    for (let i = 0; i < 4; i++) {
      const step = plan.steps()[i];
      if (!step) throw new Error('there are steps');
      expect(current().textContent).toBe(stepText(step, methodAt(plan, step.run), reading));
      expect(within(shown()).getByText(`step ${i + 1} of ${steps().length}`)).toBeTruthy();
      await press(hands, 'One step on');
    }
    await press(hands, 'One step back');
    expect(usePlayer.getState().step).toBe(3);
  });

  test('end at the last one, and begin at the first: no button leads further', async () => {
    const { hands } = lay(JoinsStation, bag());
    const still = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name }).disabled;
    expect(still('One step back')).toBe(true);
    act(() => usePlayer.getState().goTo(steps().length - 1));
    expect(still('One step on')).toBe(true);
    await press(hands, 'On to the next run');
    expect(usePlayer.getState().step).toBe(steps().length - 1);
  });

  test('only the run of the step is spread out; the others are a line with their number of steps', async () => {
    const { hands } = lay(JoinsStation, bag());
    const runs = planOf(bag()).joins.runs.length;
    expect(runs).toBeGreaterThan(1);
    const spread = () => screen.getAllByRole('button', { expanded: true });
    expect(spread()).toHaveLength(1);
    expect(screen.getAllByRole('button', { expanded: false })).toHaveLength(runs - 1);
    const second = steps().findIndex(({ run }) => run === 2);
    const many = steps().filter(({ run }) => run === 2).length;
    const folded = screen.getAllByRole('button', { expanded: false })[0];
    if (!folded) throw new Error('there is a second run');
    expect(folded.textContent).toContain(`${many} steps`);
    await hands.click(folded);
    expect(usePlayer.getState().step).toBe(second);
    expect(spread()).toHaveLength(1);
    await press(hands, 'Back to the run before');
    expect(usePlayer.getState().step).toBe(0);
  });

  test('play by themselves, stop at the end, and stop when they are asked to', async () => {
    vi.useFakeTimers();
    lay(JoinsStation, bag());
    act(() => usePlayer.getState().goTo(steps().length - 3));
    act(() => usePlayer.getState().play(true));
    for (let i = 0; i < 4; i++) act(() => vi.advanceTimersByTime(900));
    expect(usePlayer.getState()).toMatchObject({ step: steps().length - 1, playing: false });
    vi.useRealTimers();
  });

  test('are fewer after a change: the player stays within them', () => {
    const { store } = lay(JoinsStation, bag());
    act(() => usePlayer.getState().goTo(steps().length - 1));
    act(() => {
      store.getState().change((doc) => ({
        ...doc,
        construction: {
          family: 'two-faces',
          face: { of: 'motifs', motif: 'm1', rounds: 4, columns: 1, rows: 1 },
          tuck: 0,
        },
      }));
    });
    const few = planOf(store.getState().document).steps().length;
    expect(few).toBeLessThan(steps().length);
    expect(within(shown()).getByText(`step ${few} of ${few}`)).toBeTruthy();
  });
});

describe('lines joined another way', () => {
  test('are chosen, shown, and go back to being like the rest', async () => {
    const { store, hands } = lay(JoinsStation, bag());
    const [line] = planOf(bag()).lines;
    if (!line) throw new Error('there are lines');
    await choose(hands, 'Join a line another way', line.name);
    expect(store.getState().document.joins.lines?.[line.line]?.method).toBeDefined();
    const name = new RegExp(`^${line.name}: join it like the rest`, 'i');
    await hands.click(screen.getByRole('button', { name }));
    expect(store.getState().document.joins.lines?.[line.line]).toBeUndefined();
  });

  test('are in a yarn of their own', async () => {
    const { store, hands } = lay(JoinsStation, bag());
    const plan = planOf(bag());
    const [line] = plan.lines;
    const other = plan.document.yarns.find(({ id }) => id !== plan.document.joins.yarn);
    if (!line || !other) throw new Error('there are lines, and two yarns');
    await choose(hands, 'Join a line another way', line.name);
    await choose(hands, new RegExp(`^${line.name}: yarn`, 'i'), other.colourName);
    expect(store.getState().document.joins.lines?.[line.line]?.yarn).toBe(other.id);
  });
});

describe('left-handed', () => {
  test('the steps are told in the mirror, and the document stays as it is', async () => {
    const { store } = lay(JoinsStation, bag(), { hand: 'left' });
    const plan = leftHanded(planOf(bag()));
    const [begin] = plan.steps();
    const [right] = steps();
    if (begin?.does !== 'begin' || right?.does !== 'begin') throw new Error('a run begins');
    expect(begin.at.corner).toBe(mirroredWords(right.at.corner ?? ''));
    expect(current().textContent).toContain(`the ${begin.at.corner} corner of ${begin.at.name}`);
    expect(store.getState().document).toEqual(bag());
  });
});

test('long seams say what lies free after each run, and nothing at the end', async () => {
  lay(
    JoinsStation,
    aBag((doc) => ({ ...doc, joins: { ...doc.joins, school: 'long' } })),
  );
  const list = screen.getByRole('list', { name: 'What lies free after each run' });
  const runs = within(list).getAllByRole('listitem');
  expect(runs[0]?.textContent).toMatch(/still free are|nothing is free/);
  expect(runs.at(-1)?.textContent).toContain('nothing is free any more');
});
