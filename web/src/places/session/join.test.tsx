// @vitest-environment happy-dom
import { API, PROBLEMS } from '@fennot/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { InvitedPage, JoinPage } from './JoinPage.tsx';

const went: string[] = [];
const sent: unknown[] = [];
let letsIn = false;

beforeEach(() => {
  went.length = 0;
  sent.length = 0;
  letsIn = false;
  vi.stubGlobal('fetch', async (path: string, { body }: { body?: string }) => {
    sent.push([path, JSON.parse(body ?? '{}')]);
    return letsIn
      ? {
          ok: true,
          status: 200,
          json: async () => ({
            is: 'in',
            maker: '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10',
            name: 'Rowan',
            first: true,
            device: '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f12',
            confirmed: false,
          }),
        }
      : { ok: false, status: 422, json: async () => ({ type: '/x', ...PROBLEMS.wrongCode }) };
  });
  vi.spyOn(window.location, 'assign').mockImplementation((to) => void went.push(String(to)));
});

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  window.location.hash = '';
});

function opened(page: 'join' | 'invited', hash: string) {
  window.history.replaceState(null, '', `/${page}#${hash}`);
  render(<MemoryRouter>{page === 'join' ? <JoinPage /> : <InvitedPage />}</MemoryRouter>);
  return userEvent.setup();
}

const code = () => screen.getByLabelText('Code');

test.each([
  ['J6FXAM9VMC', 'J6FXA-M9VMC'],
  ['j6fxa-m9vmc', 'J6FXA-M9VMC'],
  ['', ''],
])('the code of the address, %s, stands in its field, and no longer in the address', (hash, shown) => {
  opened('join', hash);
  expect(code()).toHaveProperty('value', shown);
  expect(window.location.hash).toBe('');
});

test('what is behind the # and no code at all breaks nothing', () => {
  opened('join', '%E0%A4%A');
  expect(screen.getByRole('button', { name: 'Join' })).toBeDefined();
});

test('a code that is over is told, and another one typed lets in', async () => {
  const user = opened('join', 'J6FXAM9VMC');
  await user.click(screen.getByRole('button', { name: 'Join' }));
  expect((await screen.findByRole('alert')).textContent).toBe(PROBLEMS.wrongCode.detail);
  letsIn = true;
  await user.clear(code());
  await user.type(code(), 'ab12c de34f');
  const name = screen.getByLabelText('Name of this device');
  await user.clear(name);
  await user.type(name, 'Phone by the hook');
  await user.click(screen.getByRole('button', { name: 'Join' }));
  expect(sent.at(-1)).toEqual([`${API}/session/join`, { code: 'ab12c de34f', device: 'Phone by the hook' }]);
  expect(went).toEqual(['/']);
});

test('an invitation whose code was lost asks for it, and says where it stands', () => {
  opened('invited', '');
  expect(code()).toBeDefined();
  expect(screen.getByText('It stands in the invitation.')).toBeDefined();
  expect(screen.queryByText(/terminal/)).toBeNull();
});

test('an invitation with its code asks for a name and a password alone', () => {
  opened('invited', 'J6FXAM9VMC');
  expect(screen.queryByLabelText('Code')).toBeNull();
  expect(screen.getByLabelText('Name')).toBeDefined();
});
