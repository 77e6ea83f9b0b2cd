// @vitest-environment happy-dom
import { type Allotment, type BagDocument, type KeptLot, planOf, type Stash } from '@fennot/core';
import { screen, within } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { aBag, lay, type } from '../../../testing/worktop.tsx';
import { YarnSection } from './YarnSection.tsx';

const BAG = '00000000-0000-4000-8000-000000000009';
const OTHER = '00000000-0000-4000-8000-000000000008';
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const bag = (): BagDocument =>
  aBag((document) => ({
    ...document,
    yarns: document.yarns.map((yarn) => ({ ...yarn, ball: { grams: 50, metres: 100 } })),
  }));
const [yarn] = bag().yarns;
if (!yarn) throw new Error('A bag has a yarn.');
const need = planOf(bag()).tally.effort.needs.find((one) => one.yarn === yarn.id);
if (!need) throw new Error('It takes some.');

/** A lot of the bag's first yarn, two metres a gram. */
const lot = (n: number, grams: number, dyeLot = `${n}`): KeptLot => ({
  id: uuid(n),
  version: 1,
  lot: {
    yarn: yarn.name,
    colourName: yarn.colourName,
    colour: yarn.colour,
    weight: yarn.weight,
    fibre: '',
    dyeLot,
    ball: { grams: 1000, metres: 2000 },
    full: 0,
    parts: [grams],
    place: '',
    note: '',
  },
});
const aside = (n: number, grams: number, of = BAG): Allotment => ({
  id: uuid(100 + n + (of === BAG ? 0 : 50)),
  lot: uuid(n),
  bag: of,
  yarn: yarn.id,
  grams,
});
const put = (stash: Partial<Stash>, document = bag()) =>
  lay(YarnSection, document, undefined, { stash, bag: BAG });
const row = () => {
  const [first] = within(screen.getByRole('list', { name: 'Yarn by colour' })).getAllByRole('listitem');
  if (!first) throw new Error('There is no yarn.');
  return within(first);
};
const grams = (mm: number) => Math.round(mm / 200) / 10;

afterEach(() => vi.unstubAllGlobals());

describe('what is set aside', () => {
  test('more than enough is said so, and nothing is to be bought', () => {
    const much = grams(need.high) + 20;
    put({ lots: [lot(1, much)], allotments: [aside(1, much)] });
    expect(row().getByTestId('yarn-reach').textContent).toMatch(/^Enough, about \d+ m left over\./);
    expect(row().queryByText(/^buy/)).toBeNull();
    expect(row().queryByRole('button', { name: 'What helps' })).toBeNull();
  });

  test('too little: where it ends, how much is missing, and how many balls make it sure', () => {
    const little = grams(need.length) - 5;
    put({ lots: [lot(1, little)], allotments: [aside(1, little)] });
    expect(row().getByTestId('yarn-reach').textContent).toMatch(
      new RegExp(`^${yarn.colourName} ends in .*, (10|11) m short\\.`),
    );
    const balls = Math.ceil((need.high - little * 2000) / 100_000);
    expect(row().getByText(new RegExp(`buy ${balls} ball`))).toBeTruthy();
    const list = within(screen.getByRole('list', { name: 'Shopping list' })).getAllByRole('listitem');
    expect(list[0]?.textContent).toBe(
      `${balls} ${balls === 1 ? 'ball' : 'balls'} ${yarn.name}, ${yarn.colourName}, if there is still lot 1`,
    );
  });

  test('nothing set aside is not called short', () => {
    put({ lots: [lot(1, 500)] });
    expect(row().queryByTestId('yarn-reach')).toBeNull();
    expect(screen.queryByText(/short/)).toBeNull();
  });

  test('what another bag asked for first is not counted twice', () => {
    const much = grams(need.high) + 20;
    put({
      lots: [lot(1, much)],
      allotments: [aside(1, much - 1, OTHER), aside(1, much)],
      bags: { [OTHER]: 'Other' },
    });
    expect(row().getByTestId('yarn-reach').textContent).toContain('short');
    expect(row().getByTestId('yarn-reach').textContent).toContain('Set aside: 1 g');
  });

  test('is asked of the server, with the grams that make it sure, and what it refuses is told', async () => {
    const asked: unknown[] = [];
    vi.stubGlobal('fetch', async (_: string, { body }: { body?: string } = {}) => {
      if (body) asked.push(JSON.parse(body));
      const problem = {
        type: 'x',
        title: 'No such lot',
        status: 404,
        detail: 'This yarn is not there any more.',
      };
      return new Response(JSON.stringify(problem), { status: 404 });
    });
    const { hands } = put({ lots: [lot(1, 900)] });
    await hands.click(row().getByRole('button', { name: 'Set yarn aside' }));
    const line = within(screen.getByRole('listitem', { name: `${yarn.colourName}, lot 1` }));
    await hands.click(line.getByRole('button', { name: 'Set aside' }));
    expect(asked[0]).toMatchObject({
      changes: [
        { of: 'allot', allotment: { lot: uuid(1), bag: BAG, yarn: yarn.id, grams: grams(need.high) } },
      ],
    });
  });
});

describe('weighing', () => {
  test('by hand: the estimate moves to what was weighed, and its range narrows; taken out, all is as it was', async () => {
    const { hands, store } = put({});
    const before = row().getByTestId('yarn-need').textContent;
    await hands.click(screen.getByRole('button', { name: 'Weigh something' }));
    const dialog = within(screen.getByRole('dialog'));
    await hands.click(dialog.getByRole('button', { name: 'Learn from it' }));
    expect(dialog.getByRole('alert').textContent).toBe('Type what it weighs.');
    await type(hands, 'On the scale', '4000');
    await hands.click(dialog.getByRole('button', { name: 'Learn from it' }));
    expect(dialog.getByRole('alert').textContent).toMatch(/should weigh about .* g, not 4000\.0 g/);
    const expected = Number(/about (\d+\.\d) g/.exec(dialog.getByRole('alert').textContent ?? '')?.[1]);
    await type(hands, 'On the scale', String(expected * 1.2));
    await hands.click(dialog.getByRole('button', { name: 'Learn from it' }));
    const [weighing] = within(screen.getByRole('list', { name: 'Weighings' })).getAllByRole('listitem');
    expect(weighing?.textContent).toMatch(/±25 % became ±\d %/);
    expect(row().getByTestId('yarn-need').textContent).not.toBe(before);
    await hands.click(screen.getByRole('button', { name: /^Take the weighing of/ }));
    expect(row().getByTestId('yarn-need').textContent).toBe(before);
    expect(store.getState().document.weighings).toEqual([]);
  });

  test('a ball before and after: it must have become lighter', async () => {
    const { hands, store } = put({});
    await hands.click(screen.getByRole('button', { name: 'Weigh something' }));
    await hands.click(screen.getByRole('radio', { name: 'The ball, before and after' }));
    await type(hands, 'Before', '48');
    await type(hands, 'After', '50');
    await hands.click(screen.getByRole('button', { name: 'Learn from it' }));
    expect(screen.getByRole('alert').textContent).toBe('After the work a ball weighs less than before.');
    expect(store.getState().document.weighings ?? []).toEqual([]);
  });
});

test('along the work every step says what it takes, and where a yarn ends', async () => {
  const little = grams(need.length) - 5;
  const { hands } = put({ lots: [lot(1, little)], allotments: [aside(1, little)] });
  await hands.click(screen.getByRole('button', { name: 'Along the work' }));
  const steps = within(await screen.findByRole('list', { name: 'Step by step' })).getAllByRole('listitem');
  expect(steps.length).toBeGreaterThan(2);
  expect(steps.filter(({ textContent }) => textContent?.includes('ends here'))).toHaveLength(1);
});
