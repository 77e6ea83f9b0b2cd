// @vitest-environment happy-dom
import { formatLength, LIMITS, mm, needsOf, planOf } from '@fennot/core';
import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { aBag, lay, type } from '../../testing/worktop.tsx';
import { BriefStation } from './BriefStation.tsx';

const briefOf = (store: ReturnType<typeof lay>['store']) => store.getState().document.brief;

describe('targets', () => {
  test('are set, taken away and set again, each a step of undo', async () => {
    const { store, hands } = lay(BriefStation, aBag());
    await type(hands, 'Width', '42');
    expect(briefOf(store).width?.value).toBe(420);
    await hands.click(screen.getByRole('button', { name: 'No target for width' }));
    expect(briefOf(store).width).toBeUndefined();
    await hands.click(screen.getByRole('button', { name: 'Width' }));
    expect(briefOf(store).width).toBeDefined();
    for (let i = 0; i < 3; i++) store.getState().undo();
    expect(briefOf(store)).toEqual(aBag().brief);
  });

  test('a strap drop is offered, and where to choose the straps is said until there are some', async () => {
    const { store, hands } = lay(BriefStation, aBag());
    await hands.click(screen.getByRole('button', { name: 'Strap drop' }));
    expect(screen.getByText(/Choose straps at Finish/)).toBeTruthy();
    const straps = { kind: 'rows', swatch: 's1', many: 1, drop: 500, wide: 6 } as const;
    store.getState().change((doc) => ({ ...doc, finish: { straps } }));
    expect(await screen.findByLabelText('Strap drop')).toBeTruthy();
    expect(screen.queryByText(/Choose straps at Finish/)).toBeNull();
  });
});

describe('what it must hold', () => {
  test('a box is put in and measured, and whether it goes in is said with what decides it', async () => {
    const { store, hands } = lay(BriefStation, aBag());
    await hands.click(screen.getByRole('button', { name: 'A box or book' }));
    await type(hands, 'Thing', 'Score');
    await type(hands, 'high', '10');
    await type(hands, 'wide', '8');
    await type(hands, 'thick', '1');
    expect(briefOf(store).contents).toEqual([
      { shape: 'box', id: 'thing-1', name: 'Score', height: 100, width: 80, thickness: 10 },
    ]);
    expect(screen.getByText(/Goes in;/).textContent).toContain('✓');
    await type(hands, 'wide', '90');
    const said = screen.getByText(/^✗ /).textContent ?? '';
    // As the core has it, for the same document.
    const [fit] = planOf(store.getState().document).contents;
    expect(fit?.fits).toBe(false);
    expect(said).toContain(`Stands ${((fit?.room ?? 0) / -10).toFixed(1)} cm above`);
  });

  test('two things have two names for the program, however often one is taken out and put in', async () => {
    const { store, hands } = lay(BriefStation, aBag());
    const [box, round] = [/A box or book/, /Something round/].map((name) =>
      screen.getByRole('button', { name }),
    );
    if (!box || !round) throw new Error('both are offered');
    for (const button of [box, round, box]) await hands.click(button);
    await hands.click(screen.getByRole('button', { name: 'Remove Flask' }));
    await hands.click(box);
    const ids = briefOf(store).contents?.map(({ id }) => id) ?? [];
    expect(ids).toHaveLength(3);
    expect(new Set(ids).size).toBe(3);
  });

  test('when it is full, it says so and offers no more', async () => {
    const contents = Array.from({ length: LIMITS.contents }, (_, i) => ({
      shape: 'cylinder' as const,
      id: `c${i}`,
      name: 'Reel',
      height: mm(20),
      diameter: mm(20),
    }));
    lay(
      BriefStation,
      aBag((doc) => ({ ...doc, brief: { ...doc.brief, contents } })),
    );
    expect(screen.getByText(`A bag is planned for at most ${LIMITS.contents} things.`)).toBeTruthy();
    for (const name of [/A box or book/, /Something round/])
      expect(screen.getByRole<HTMLButtonElement>('button', { name }).disabled).toBe(true);
  });

  test('a length of nothing is refused below its field, and the bag keeps the one it had', async () => {
    const { store, hands } = lay(BriefStation, aBag());
    await hands.click(screen.getByRole('button', { name: /Something round/ }));
    await type(hands, 'across', '0');
    expect(screen.getByRole('alert').textContent).toBe('A length must be more than zero.');
    expect(screen.getByLabelText('across').getAttribute('aria-invalid')).toBe('true');
    expect(briefOf(store).contents?.[0]).toMatchObject({ diameter: 75 });
  });
});

describe('what the target needs', () => {
  const flat = {
    family: 'two-faces',
    tuck: 0,
    face: { of: 'motifs', motif: 'm1', rounds: 5, columns: 3, rows: 3 },
  } as const;
  const wanting = (height: number) =>
    aBag((doc) => ({ ...doc, construction: flat, brief: { height: { value: mm(height), tolerance: 4 } } }));

  test('is the size of square that fills it, and what gets there is one press and one undo', async () => {
    const now = planOf(wanting(300)).tapes.find(({ measure }) => measure === 'height')?.finished.value ?? 0;
    const { store, hands } = lay(BriefStation, wanting(now + 25));
    const list = screen.getByRole('list', { name: 'What the target needs' });
    const [need] = needsOf(planOf(store.getState().document));
    expect(list.textContent).toContain(
      `squares of ${formatLength(need?.square?.needed ?? 0, 'cm')} would fill it; yours are ${formatLength(need?.square?.now ?? 0, 'cm')}`,
    );
    await hands.click(screen.getByRole('button', { name: /edge rounds?: / }));
    expect(store.getState().document.features?.edge?.rounds).toBeGreaterThan(0);
    const after = planOf(store.getState().document).tapes.find(({ measure }) => measure === 'height');
    expect(Math.abs((after?.finished.value ?? 0) - (now + 25))).toBeLessThan(10);
    store.getState().undo();
    expect(store.getState().document.features?.edge).toBeUndefined();
  });

  test('is nothing where all is reached', () => {
    const now = planOf(wanting(300)).tapes.find(({ measure }) => measure === 'height')?.finished.value ?? 0;
    lay(BriefStation, wanting(now));
    expect(screen.queryByText('What the target needs')).toBeNull();
  });
});
