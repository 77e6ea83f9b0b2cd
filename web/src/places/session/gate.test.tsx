// @vitest-environment happy-dom
import { API, PROBLEMS, type SessionNow } from '@fennot/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { makerNow, signedOut, workFor } from '../../api/maker.ts';
import { Gate } from './Gate.tsx';

const [ROWAN, SEDGE] = ['7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10', '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f11'];
const into = (maker: string, name: string): SessionNow => ({
  is: 'in',
  maker,
  name,
  first: maker === ROWAN,
  device: '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f12',
  confirmed: true,
});

/** What the server says of the session, and whom a name signs in. */
let session: SessionNow;
const went: string[] = [];

beforeEach(() => {
  went.length = 0;
  vi.stubGlobal(
    'BroadcastChannel',
    class {
      postMessage() {}
    },
  );
  vi.stubGlobal('fetch', async (path: string, { method, body }: { method: string; body?: string }) => {
    const answer = (status: number, json: unknown) => ({ ok: status < 400, status, json: async () => json });
    if (path !== `${API}/session`) throw new Error(`Nobody was to ask for ${path}.`);
    if (method === 'GET') return answer(200, session);
    const { name, password } = JSON.parse(body ?? '{}');
    if (password !== 'right') return answer(422, { type: '/x', ...PROBLEMS.wrongSignIn });
    session = into(name === 'Rowan' ? ROWAN : SEDGE, name);
    return answer(200, session);
  });
  vi.spyOn(window.location, 'assign').mockImplementation((url) => void went.push(String(url)));
});
afterEach(() => {
  cleanup();
  workFor(undefined);
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

function open(): void {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter>
        <Gate>
          <input aria-label="The work" />
        </Gate>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
const hands = userEvent.setup({ delay: null });
async function signIn(name: string, password = 'right') {
  await hands.clear(await screen.findByLabelText('Name'));
  await hands.type(screen.getByLabelText('Name'), name);
  await hands.clear(screen.getByLabelText('Password'));
  await hands.type(screen.getByLabelText('Password'), password);
  await hands.click(screen.getByRole('button', { name: 'Sign in' }));
}

test('without accounts one is in at once', async () => {
  session = { is: 'open', maker: ROWAN };
  open();
  expect(await screen.findByLabelText('The work')).toBeTruthy();
  expect(makerNow()).toEqual({ id: ROWAN, first: true });
});

test('signed out, nothing of the inside is there until one signs in', async () => {
  session = { is: 'out' };
  open();
  await signIn('Rowan', 'wrong');
  expect(await screen.findByText(PROBLEMS.wrongSignIn.detail)).toBeTruthy();
  expect(screen.queryByLabelText('The work')).toBeNull();
  await signIn('Rowan');
  expect(await screen.findByLabelText('The work')).toBeTruthy();
  expect(went).toEqual([]);
});

test('signed out in the middle of work, the work stays as it is under the question', async () => {
  session = into(ROWAN, 'Rowan');
  open();
  await hands.type(await screen.findByLabelText('The work'), 'half a row');
  session = { is: 'out' };
  signedOut();
  expect(await screen.findByText(/What you did here is kept/)).toBeTruthy();
  await signIn('Rowan');
  await vi.waitFor(() => expect(screen.queryByText(/What you did here is kept/)).toBeNull());
  expect(screen.getByLabelText<HTMLInputElement>('The work').value).toBe('half a row');
  expect(makerNow()?.id).toBe(ROWAN);
  expect(went).toEqual([]);
});

test('another maker who signs in over it begins with a page of their own', async () => {
  session = into(ROWAN, 'Rowan');
  open();
  await screen.findByLabelText('The work');
  session = { is: 'out' };
  signedOut();
  await screen.findByText(/What you did here is kept/);
  await signIn('Sedge');
  await vi.waitFor(() => expect(went).toEqual(['/']));
  // Until that page is there, this one works for nobody else.
  expect(makerNow()?.id).toBe(ROWAN);
});

test('where nobody has an account yet, the code of the terminal is asked for', async () => {
  session = { is: 'unclaimed' };
  open();
  expect(await screen.findByLabelText('Code')).toBeTruthy();
  expect(screen.getByText(/stands in the terminal/)).toBeTruthy();
});
