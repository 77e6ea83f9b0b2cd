// @vitest-environment happy-dom
import { controlsOf } from '@fennot/core';
import { fireEvent, render } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { type BagStore, createBagStore, usePlan } from '../open-bag/store.ts';
import { Around, aBag } from '../testing/worktop.tsx';
import { Grips } from './Grips.tsx';

beforeEach(() => {
  // The page of a test has no pointers to capture.
  Element.prototype.setPointerCapture = () => {};
  Element.prototype.releasePointerCapture = () => {};
  Element.prototype.hasPointerCapture = () => true;
});

/** Nothing but the grips, at a scale that may change with the bag. */
function Net({ store, scale }: { readonly store: BagStore; readonly scale: (columns: number) => number }) {
  const { document } = usePlan(store);
  const controls = controlsOf(document);
  const columns = controls.find(({ id }) => id === 'columns')?.value;
  return (
    <svg>
      <title>Net</title>
      <Grips controls={controls} px={scale(Number(columns))} store={store} />
    </svg>
  );
}

/** The net's grips at one mm a pixel, or whatever scale the net is fitted to after each change. */
function open(scale: (columns: number) => number = () => 1) {
  const store = createBagStore(aBag());
  const count = (id: string) => {
    const control = controlsOf(store.getState().document).find((one) => one.id === id);
    if (!control || control.kind === 'choice') throw new Error(`there is no count ${id}`);
    return control;
  };
  const { container } = render(
    <Around>
      <Net store={store} scale={scale} />
    </Around>,
  );
  const grip = (id: string) => {
    const element = container.querySelector(`[data-grip="${id}"]`);
    if (!element) throw new Error(`there is no grip ${id}`);
    return element;
  };
  const at = (x: number, y = 0) => ({
    clientX: 300 + x,
    clientY: 300 + y,
    pointerId: 1,
    buttons: 1,
    pointerType: 'mouse',
  });
  return {
    store,
    count,
    down: (id: string) => fireEvent.pointerDown(grip(id), at(0)),
    move: (id: string, x: number, y = 0) => fireEvent.pointerMove(grip(id), at(x, y)),
    up: (id: string, x: number, y = 0) => fireEvent.pointerUp(grip(id), { ...at(x, y), buttons: 0 }),
    cancel: (id: string) => fireEvent.pointerCancel(grip(id), at(0)),
    undo: () => store.getState().undo(),
  };
}

describe('a grip on the net', () => {
  test('pulled by so many steps, changes the count by as many, as one step of undo', () => {
    const { count, down, move, up, undo, store } = open();
    const { value, grip } = count('columns');
    const step = grip?.perStep ?? 0;
    down('columns');
    for (const share of [0.3, 0.8, 1.4, 2.1]) move('columns', share * step);
    expect(count('columns').value).toBe(value + 2);
    up('columns', 2.1 * step);
    expect(store.temporal.getState().pastStates).toHaveLength(1);
    undo();
    expect(count('columns').value).toBe(value);
  });

  test('goes by the scale at its start, though the net is fitted anew with every column', () => {
    // As a net that shrinks on the screen as it grows: a wider one has more mm a pixel.
    const { count, down, move, up } = open((columns) => columns / 4);
    const { value, grip } = count('columns');
    const px = value / 4;
    const perStep = (grip?.perStep ?? 0) / px;
    down('columns');
    for (let by = 0; by <= 3; by += 0.25) move('columns', by * perStep);
    up('columns', 3 * perStep);
    expect(count('columns').value).toBe(value + 3);
  });

  test('stays within its bounds however far it is pulled', () => {
    const { count, down, move, up } = open();
    down('columns');
    move('columns', -100_000);
    expect(count('columns').value).toBe(count('columns').min);
    up('columns', -100_000);
  });

  test('let go by a cancelled pointer, restores what was there, and undo goes on working', () => {
    const { count, down, move, cancel, store, undo } = open();
    const { value, grip } = count('columns');
    store.getState().change((doc) => ({ ...doc, name: 'Before the pull' }));
    down('columns');
    move('columns', 2.2 * (grip?.perStep ?? 0));
    expect(count('columns').value).toBe(value + 2);
    cancel('columns');
    expect(count('columns').value).toBe(value);
    undo();
    expect(store.getState().document.name).toBe('Test bag');
  });

  test('Escape in the middle restores, and the rest of the pull does nothing', () => {
    const { count, down, move, up, store } = open();
    const { value, grip } = count('rounds');
    const step = Math.max(grip?.perStep ?? 0, 9);
    down('rounds');
    move('rounds', 1.2 * step);
    expect(count('rounds').value).toBe(value + 1);
    fireEvent.keyDown(window, { key: 'Escape' });
    expect(count('rounds').value).toBe(value);
    move('rounds', 2.2 * step);
    up('rounds', 2.2 * step);
    expect(count('rounds').value).toBe(value);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });

  test('of small steps moves by one for nine pixels at least: a single step can be aimed at', () => {
    const { count, down, move, up } = open(() => 100);
    const { value } = count('columns');
    down('columns');
    move('columns', 8);
    move('columns', 13);
    expect(count('columns').value).toBe(value + 1);
    up('columns', 13);
  });

  test('pulled out and back again, it is no step of undo', () => {
    const { count, down, move, up, store } = open();
    const step = count('columns').grip?.perStep ?? 0;
    down('columns');
    move('columns', 2 * step);
    move('columns', 0);
    up('columns', 0);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });
});
