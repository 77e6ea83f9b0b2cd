// @vitest-environment happy-dom
import { gaugeOf, LIMITS, must, planOf, yarnOf } from '@fennot/core';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { aBag, choose, lay, type } from '../../testing/worktop.tsx';
import { SwatchStation } from './SwatchStation.tsx';

// The chart draws on a canvas, which a page without a screen has not.
vi.mock('./SizeChart.tsx', () => ({ default: () => null }));
beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
});

const open = (...change: Parameters<typeof aBag>) => lay(SwatchStation, aBag(...change));
const first = (store: ReturnType<typeof lay>['store']) => {
  const [swatch] = store.getState().document.swatches;
  if (!swatch) throw new Error('a bag has a swatch');
  return swatch;
};

describe('a swatch', () => {
  test('is estimated until it is counted; counted, the gauge is what was counted', async () => {
    const { store, hands } = open();
    expect(screen.getByTestId('gauge').textContent).toContain('estimated');
    await hands.click(screen.getByRole('button', { name: 'Enter stitches counted' }));
    await type(hands, 'Stitches counted', '20');
    await type(hands, 'over', '10');
    const { pitch } = gaugeOf({ ...first(store), yarnWeight: yarnOf(aBag(), first(store).yarn).weight });
    // Twenty stitches over 100 mm are 5 mm each; what is known of such a yarn has a little say beside one count.
    expect(Math.abs(pitch.value - 5)).toBeLessThan(0.05);
    expect(pitch.origin).toBe('measured');
    expect(screen.getByTestId('gauge').textContent).toMatch(/5\.0 mm a stitch.*measured/);
  });

  test('another is begun like it, with nothing counted; one that nothing is worked in can be taken out', async () => {
    const { store, hands } = open();
    await hands.click(screen.getByRole('button', { name: 'Enter stitches counted' }));
    await hands.click(screen.getByRole('button', { name: 'Another swatch' }));
    const [one, other] = store.getState().document.swatches;
    expect(other).toMatchObject({ yarn: one?.yarn, hook: one?.hook, stitch: one?.stitch });
    expect(other?.stitches).toBeUndefined();
    expect(screen.getByRole('combobox', { name: 'Swatch' }).textContent).toBe(other?.name);
    await hands.click(screen.getByRole('button', { name: `Take ${other?.name} out` }));
    expect(store.getState().document.swatches).toEqual([one]);
    // The first is what the bag is worked in.
    await hands.click(screen.getByRole('button', { name: 'Another swatch' }));
    await choose(hands, 'Swatch', one?.name ?? '');
    const out = screen.getByRole('button', { name: `Take ${one?.name} out` });
    expect(out.hasAttribute('disabled')).toBe(true);
  });

  test('of few stitches it says that they say little', async () => {
    const { hands } = open();
    await hands.click(screen.getByRole('button', { name: 'Enter rows counted' }));
    await type(hands, 'Rows counted', '3');
    expect(screen.getByText(/So few rows say little/)).toBeTruthy();
    await type(hands, 'Rows counted', '12');
    expect(screen.queryByText(/So few rows/)).toBeNull();
  });

  test('blocked, the blocked counts are what counts', async () => {
    const { store, hands } = open();
    for (const name of ['stitches', 'rows'])
      await hands.click(screen.getByRole('button', { name: `Enter ${name} counted` }));
    await hands.click(screen.getByRole('button', { name: 'I have blocked it' }));
    await type(hands, 'Stitches, blocked counted', '10');
    const { blocked, stitches } = first(store);
    expect(blocked?.stitches.count).toBe(10);
    expect(stitches?.count).toBe(20);
    // Half as many stitches over the same length: the counts before blocking say nothing any more.
    const gauge = gaugeOf({ ...first(store), yarnWeight: 4 });
    const { blocked: _, ...before } = first(store);
    expect(gauge.pitch.value).toBeGreaterThan(1.5 * gaugeOf({ ...before, yarnWeight: 4 }).pitch.value);
  });

  test('a hook that there is none of is refused; another stitch is chosen from its list', async () => {
    const { store, hands } = open();
    const { hook } = first(store);
    await type(hands, /^Hook/, '99');
    expect(screen.getByRole('alert').textContent).toContain('The hook cannot be more than');
    expect(first(store).hook).toBe(hook);
    await choose(hands, 'Stitch', /half/);
    expect(first(store).stitch).toBe('mid');
  });
});

const firstYarn = ({ yarns }: { yarns: ReadonlyArray<{ id: string }> }) => must(yarns[0], 'yarn').id;

describe('yarns', () => {
  test('another one has a name of its own for the program, and stands in every list', async () => {
    const { store, hands } = open();
    const before = store.getState().document.yarns.length;
    await hands.click(screen.getByRole('button', { name: 'Another yarn' }));
    const { yarns } = store.getState().document;
    expect(yarns).toHaveLength(before + 1);
    expect(new Set(yarns.map(({ id }) => id)).size).toBe(yarns.length);
  });
});

describe('a square', () => {
  test('tells its counts: four rounds of a cluster square have twelve and the gaps between', async () => {
    // 3 groups of three a side in round 4, plus a chain between each two groups where there is one.
    const { store } = open();
    const [motif] = store.getState().document.motifs;
    const rounds = planOf(aBag()).graph.pieces.flatMap(({ make }) =>
      make.of === 'motif' ? [make.rounds] : [],
    )[0];
    if (!motif || rounds === undefined) throw new Error('a bag just begun is of squares');
    const stitches = 3 * rounds + motif.gapChains * (rounds - 1);
    expect(screen.getByText(new RegExp(`${stitches} stitches a side`))).toBeTruthy();
  });

  test('is measured: each one takes part, and can be taken out again', async () => {
    const { store, hands } = open();
    const measured = () => store.getState().document.motifs[0]?.measured ?? [];
    expect(screen.getByText(/None measured yet/)).toBeTruthy();
    await hands.click(screen.getByRole('button', { name: /I measured a square/ }));
    await type(hands, 'side', '11.2');
    await hands.click(screen.getByRole('button', { name: /I measured a square/ }));
    expect(measured().map(({ size }) => size)).toEqual([112, 112]);
    await hands.click(screen.getByRole('button', { name: 'Remove square 1' }));
    expect(measured()).toHaveLength(1);
    expect(screen.queryByText(/None measured yet/)).toBeNull();
  });

  test('that is laid in columns and rows can be worked only as another square', async () => {
    const { hands } = open();
    const list = screen.getByLabelText('Worked as');
    list.focus();
    await hands.keyboard('{Enter}');
    const offered = (await screen.findAllByRole('option')).map(({ textContent }) => textContent);
    expect(offered).toEqual([
      expect.stringContaining('Cluster square'),
      expect.stringContaining('Solid square'),
      'Square by rounds of your own',
      'Square whose making is not known',
    ]);
  });

  test('in solid stitches it has no chains between clusters any more', async () => {
    const { store, hands } = open();
    await choose(hands, 'Worked as', /Solid square/);
    expect(store.getState().document.motifs[0]).toMatchObject({ kind: 'solid', gapChains: 0 });
    expect(screen.queryByLabelText('Between clusters')).toBeNull();
  });

  test('a colourway takes as many rounds as a motif has at most, then its button is still', async () => {
    const { store, hands } = open((doc) => ({
      ...doc,
      motifs: doc.motifs.map((motif) => ({
        ...motif,
        colourways: motif.colourways.slice(0, 1).map((way) => ({
          ...way,
          rounds: Array.from({ length: LIMITS.rounds - 1 }, () => firstYarn(doc)),
        })),
      })),
    }));
    const more = () =>
      screen.getByRole<HTMLButtonElement>('button', { name: 'Colourway 1: one more round colour' });
    const rounds = () => store.getState().document.motifs[0]?.colourways[0]?.rounds.length ?? 0;
    await hands.click(more());
    expect(rounds()).toBe(LIMITS.rounds);
    expect(more().disabled).toBe(true);
    await hands.click(screen.getByRole('button', { name: 'Colourway 1: one round colour fewer' }));
    expect(rounds()).toBe(LIMITS.rounds - 1);
  });
});

describe('another hook', () => {
  test('makes what was counted a guess, until one goes back or counts anew', async () => {
    const { store, hands } = open();
    await hands.click(screen.getByRole('button', { name: 'Enter stitches counted' }));
    await type(hands, 'Stitches counted', '20');
    const before = gaugeOf({ ...first(store), yarnWeight: 4 }).pitch.value;
    const { hook } = first(store);
    await type(hands, /^Hook/, String(hook + 1));
    expect(screen.getByTestId('gauge').textContent).toContain('estimated');
    expect(screen.getByTestId('other-hook')).toBeTruthy();
    expect(gaugeOf({ ...first(store), yarnWeight: 4 }).pitch.value).toBeGreaterThan(before * 1.05);
    await type(hands, /^Hook/, String(hook));
    expect(screen.getByTestId('gauge').textContent).toContain('measured');
    expect(gaugeOf({ ...first(store), yarnWeight: 4 }).pitch.value).toBeCloseTo(before, 9);
    await type(hands, /^Hook/, String(hook + 1));
    await type(hands, 'Stitches counted', '19');
    expect(screen.queryByTestId('other-hook')).toBeNull();
    expect(screen.getByTestId('gauge').textContent).toContain('measured');
  });
});
