// @vitest-environment happy-dom
import { boundsOf, type Mm, mm } from '@fennot/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { Around, type } from '../testing/worktop.tsx';
import { LengthField, NumberField, TextField } from './fields.tsx';

/** A value that a field changes, as the open bag would; what it took is written down. */
function Kept<T>({
  start,
  taken,
  field,
}: {
  start: T;
  taken: T[];
  field: (value: T, set: (value: T) => void) => React.ReactNode;
}) {
  const [value, setValue] = useState(start);
  return (
    <>
      {field(value, (next) => {
        taken.push(next);
        setValue(next);
      })}
      <button type="button" onClick={() => setValue(start)}>
        Undo
      </button>
    </>
  );
}

const rows = boundsOf(z.int().min(1).max(40));

function openRows(refuse?: (value: number) => string | undefined) {
  const taken: number[] = [];
  render(
    <Around>
      <Kept
        start={12}
        taken={taken}
        field={(value, set) => (
          <NumberField
            label="Rows"
            name="rows"
            value={value}
            bounds={rows}
            buttons
            onChange={(next) => {
              const why = refuse?.(next);
              if (why === undefined) set(next);
              return why;
            }}
          />
        )}
      />
    </Around>,
  );
  return {
    taken,
    hands: userEvent.setup({ delay: null }),
    field: screen.getByLabelText<HTMLInputElement>('Rows'),
  };
}

describe('a field for a number', () => {
  test('keeps what is typed to itself until Enter: no digit on the way counts', async () => {
    const { taken, hands, field } = openRows();
    await hands.clear(field);
    await hands.type(field, '30');
    expect(taken).toEqual([]);
    expect(field.value).toBe('30');
    await hands.keyboard('{Enter}');
    expect(taken).toEqual([30]);
  });

  test('takes it on leaving, too, and once', async () => {
    const { taken, hands, field } = openRows();
    await hands.clear(field);
    await hands.type(field, '7');
    await hands.tab();
    await hands.click(document.body);
    expect(taken).toEqual([7]);
  });

  test('Escape takes back what was typed', async () => {
    const { taken, hands, field } = openRows();
    await hands.clear(field);
    await hands.type(field, '31{Escape}');
    expect(field.value).toBe('12');
    await hands.tab();
    expect(taken).toEqual([]);
  });

  test('what cannot be stays as typed, with the reason below, and nothing changes', async () => {
    const { taken, hands, field } = openRows();
    for (const [typed, why] of [
      ['0', 'Rows must be at least 1.'],
      ['41', 'Rows cannot be more than 40.'],
      ['2.5', 'Rows must be a whole number.'],
      ['many', '“many” is not a number.'],
    ] as const) {
      await hands.clear(field);
      await hands.type(field, `${typed}{Enter}`);
      expect(screen.getByRole('alert').textContent).toBe(why);
      expect(field.value).toBe(typed);
      expect(field.getAttribute('aria-invalid')).toBe('true');
    }
    expect(taken).toEqual([]);
    await hands.clear(field);
    await hands.type(field, '9{Enter}');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(taken).toEqual([9]);
  });

  test('what the bag refuses is said below in the bag’s own words', async () => {
    const { taken, hands, field } = openRows((value) =>
      value > 20 ? 'A bag has at most 600 pieces.' : undefined,
    );
    await hands.clear(field);
    await hands.type(field, '21{Enter}');
    expect(screen.getByRole('alert').textContent).toBe('A bag has at most 600 pieces.');
    expect(taken).toEqual([]);
  });

  test('arrows step from what is typed, and stop at the bounds', async () => {
    const { taken, hands, field } = openRows();
    await hands.clear(field);
    await hands.type(field, '39{ArrowUp}{ArrowUp}');
    expect(taken).toEqual([40, 40]);
    await hands.clear(field);
    await hands.type(field, '2{ArrowDown}{ArrowDown}');
    expect(taken).toEqual([40, 40, 1, 1]);
  });

  test('the buttons beside it step, and are still at the ends', async () => {
    const { taken, hands } = openRows();
    await hands.click(screen.getByRole('button', { name: 'Rows: 1 more' }));
    await hands.click(screen.getByRole('button', { name: 'Rows: 1 fewer' }));
    expect(taken).toEqual([13, 12]);
    await type(hands, 'Rows', '40');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Rows: 1 more' }).disabled).toBe(true);
    await type(hands, 'Rows', '1');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Rows: 1 fewer' }).disabled).toBe(true);
  });

  test('a change from elsewhere takes the place of what was typed and refused', async () => {
    const { hands, field } = openRows();
    await type(hands, 'Rows', '20');
    await hands.clear(field);
    await hands.type(field, '99{Enter}');
    expect(screen.getByRole('alert')).toBeTruthy();
    await hands.click(screen.getByRole('button', { name: 'Undo' }));
    expect(field.value).toBe('12');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('typed again as it is shown, it is no change: a rounded figure is not taken for what is meant', async () => {
    const taken: number[] = [];
    render(
      <Around>
        <Kept
          start={2.123456}
          taken={taken}
          field={(value, set) => (
            <NumberField
              label="Hook"
              name="the hook"
              value={value}
              bounds={boundsOf(z.number().min(0.5).max(20))}
              onChange={set}
            />
          )}
        />
      </Around>,
    );
    await type(userEvent.setup({ delay: null }), 'Hook', '2.12');
    expect(taken).toEqual([]);
  });
});

describe('a field for a length', () => {
  function openLength(settings: Parameters<typeof Around>[0]['settings'], clear?: () => void) {
    const taken: Mm[] = [];
    render(
      <Around {...(settings ? { settings } : {})}>
        <Kept
          start={mm(120)}
          taken={taken}
          field={(value, set) => (
            <LengthField
              label="Side"
              value={value}
              bounds={boundsOf(z.number().min(20).max(500))}
              onChange={set}
              onClear={clear}
            />
          )}
        />
      </Around>,
    );
    return {
      taken,
      hands: userEvent.setup({ delay: null }),
      field: screen.getByLabelText<HTMLInputElement>('Side'),
    };
  }

  test('shows and reads the maker’s unit, and any unit that is typed', async () => {
    const { taken, hands, field } = openLength({ system: 'cm' });
    expect(field.value).toBe('12.0');
    await type(hands, 'Side', '30.5');
    await type(hands, 'Side', '4 in');
    await type(hands, 'Side', '45mm');
    expect(taken).toEqual([305, 101.6, 45]);
  });

  test('in inches, with eighths', async () => {
    const { taken, hands, field } = openLength({ system: 'in' });
    // 120 mm are 4.724 inches, which is nearest to four and six eighths.
    expect(field.value).toBe('4 ¾');
    await type(hands, 'Side', '5 1/2');
    expect(taken).toEqual([139.7]);
  });

  test('too short and too long are told in the same unit', async () => {
    const { taken, hands } = openLength({ system: 'cm' });
    await type(hands, 'Side', '1');
    expect(screen.getByRole('alert').textContent).toBe('This must be at least 2.0 cm.');
    await type(hands, 'Side', '60');
    expect(screen.getByRole('alert').textContent).toBe('This cannot be more than 50.0 cm.');
    expect(taken).toEqual([]);
  });

  test('emptied, it is refused', async () => {
    const { taken, hands, field } = openLength({ system: 'cm' });
    await hands.clear(field);
    await hands.tab();
    expect(screen.getByRole('alert').textContent).toBe('Type a length.');
    expect(taken).toEqual([]);
  });

  test('emptied, it is cleared where nothing is an answer', async () => {
    let cleared = 0;
    const { hands, field } = openLength({ system: 'cm' }, () => {
      cleared++;
    });
    await hands.clear(field);
    await hands.keyboard('{Enter}');
    expect(cleared).toBe(1);
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('a field for a name', () => {
  test('takes no empty one', async () => {
    const taken: string[] = [];
    render(
      <Around>
        <Kept
          start="Bell bag"
          taken={taken}
          field={(value, set) => <TextField label="Name" value={value} onChange={set} />}
        />
      </Around>,
    );
    const hands = userEvent.setup({ delay: null });
    await type(hands, 'Name', '   ');
    expect(screen.getByRole('alert').textContent).toBe('A name cannot be empty.');
    await type(hands, 'Name', 'Bell bag for Ada');
    expect(taken).toEqual(['Bell bag for Ada']);
  });
});
