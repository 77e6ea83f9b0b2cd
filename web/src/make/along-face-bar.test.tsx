// @vitest-environment happy-dom
import type { AlongFace } from '@fennot/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, test } from 'vitest';
import { AlongFaceBar } from './AlongFaceBar.tsx';

afterEach(cleanup);

function shown(along: Partial<AlongFace>, rows: number) {
  const came: number[] = [];
  render(
    <MemoryRouter>
      <AlongFaceBar
        along={{ corners: [52, 104], came: [], planned: 156, predicted: undefined, ...along }}
        rows={rows}
        base="/bags/one"
        onCorner={() => came.push(rows)}
      />
    </MemoryRouter>,
  );
  return { came, hands: userEvent.setup({ delay: null }) };
}
const button = () => screen.queryByRole('button', { name: /It is here/ });

test.each([
  [20, false],
  [44, false],
  [45, true],
  [60, true],
])('at row %i the corner of row 52 is asked for: %s', (rows, asked) => {
  shown({}, rows);
  expect(button() !== null).toBe(asked);
});

test('where it comes is said by one press', async () => {
  const { came, hands } = shown({}, 54);
  await hands.click(screen.getByRole('button', { name: 'It is here, at row 54' }));
  expect(came).toEqual([54]);
});

test('what that does to its end is told, with the way to change it; nothing where it comes out as planned', () => {
  shown({ came: [54], predicted: 162 }, 60);
  expect(screen.getByRole('status').textContent).toContain('it comes out at row 162, 6 more than planned');
  expect(screen.getByRole('link').getAttribute('href')).toBe('/bags/one/sides');
  cleanup();
  shown({ came: [52], predicted: 156 }, 60);
  expect(screen.queryByRole('status')).toBeNull();
  cleanup();
  shown({ came: [52, 104], predicted: 150 }, 120);
  expect(screen.getByRole('status').textContent).toContain('6 fewer than planned');
  expect(button()).toBeNull();
});
