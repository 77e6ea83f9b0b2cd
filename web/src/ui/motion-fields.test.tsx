// @vitest-environment happy-dom
import { act, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { Around } from '../testing/worktop.tsx';
import { Boundary } from './Boundary.tsx';
import { ColourField } from './ColourField.tsx';
import { NoteField } from './NoteField.tsx';

afterEach(() => vi.useRealTimers());

/** Writes down what becomes of the changes in motion that a field begins. */
function diary() {
  const lines: string[] = [];
  const begin = () => {
    lines.push('begin');
    return {
      move: (value: string) => void lines.push(value),
      commit: () => void lines.push('commit'),
    };
  };
  return { lines, begin };
}

describe('a colour that is looked for', () => {
  const open = () => {
    const { lines, begin } = diary();
    const { unmount } = render(<ColourField label="Colour of Reed" value="#336699" begin={begin} />);
    const field = screen.getByLabelText<HTMLInputElement>('Colour of Reed');
    const look = (colour: string) => {
      field.value = colour;
      fireEvent(field, new Event('input', { bubbles: true }));
    };
    return { lines, field, look, unmount };
  };

  test('is one change from the first look to the picker’s closing', () => {
    const { lines, field, look } = open();
    for (const colour of ['#111111', '#222222', '#333333']) look(colour);
    expect(lines).toEqual(['begin', '#111111', '#222222', '#333333']);
    fireEvent(field, new Event('change', { bubbles: true }));
    expect(lines.at(-1)).toBe('commit');
    look('#444444');
    fireEvent(field, new Event('change', { bubbles: true }));
    expect(lines.filter((line) => line === 'begin')).toHaveLength(2);
  });

  test('counts when the field is left without a word, and when it goes away', () => {
    const first = open();
    first.look('#111111');
    fireEvent.blur(first.field);
    expect(first.lines).toEqual(['begin', '#111111', 'commit']);
    first.unmount();
    const second = open();
    second.look('#222222');
    second.unmount();
    expect(second.lines).toEqual(['begin', '#222222', 'commit']);
  });

  test('looked at and left alone, it is no change', () => {
    const { lines, field, unmount } = open();
    fireEvent.focus(field);
    fireEvent.blur(field);
    unmount();
    expect(lines).toEqual([]);
  });
});

describe('a note', () => {
  test('is kept as it is typed, and a pause makes a step of undo', () => {
    vi.useFakeTimers();
    const { lines, begin } = diary();
    render(<NoteField label="Notes" value="" most={100} begin={begin} />);
    const field = screen.getByLabelText('Notes');
    const write = (value: string) => fireEvent.change(field, { target: { value } });
    write('a');
    act(() => vi.advanceTimersByTime(400));
    write('ab');
    expect(lines).toEqual(['begin', 'a', 'ab']);
    act(() => vi.advanceTimersByTime(1000));
    expect(lines.at(-1)).toBe('commit');
    write('abc');
    fireEvent.blur(field);
    expect(lines).toEqual(['begin', 'a', 'ab', 'commit', 'begin', 'abc', 'commit']);
  });

  test('left by closing the bag, what was typed counts', () => {
    const { lines, begin } = diary();
    const { unmount } = render(<NoteField label="Notes" value="" most={100} begin={begin} />);
    fireEvent.change(screen.getByLabelText('Notes'), { target: { value: 'for the bells' } });
    unmount();
    expect(lines).toEqual(['begin', 'for the bells', 'commit']);
  });
});

function Drawing({ of }: { readonly of: string }) {
  if (of === 'broken') throw new Error('There is no piece “c3”.');
  return <p>Drawn from {of}.</p>;
}

describe('a fault in one part of the screen', () => {
  const screenOf = (of: string) => (
    <Around>
      <Boundary what="The drawing" of={of}>
        <Drawing of={of} />
      </Boundary>
      <p>The rest</p>
    </Around>
  );

  test('stays there and says so; the rest stands, and the next state is tried by itself', async () => {
    const silent = vi.spyOn(console, 'error').mockImplementation(() => {});
    const { rerender } = render(screenOf('one'));
    expect(screen.getByText('Drawn from one.')).toBeTruthy();
    rerender(screenOf('broken'));
    expect(screen.getByRole('alert').textContent).toContain(
      'The drawing cannot be shown. There is no piece “c3”. Nothing is lost.',
    );
    expect(screen.getByText('The rest')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(screen.getByRole('alert')).toBeTruthy();
    rerender(screenOf('two'));
    expect(screen.getByText('Drawn from two.')).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
    silent.mockRestore();
  });
});
