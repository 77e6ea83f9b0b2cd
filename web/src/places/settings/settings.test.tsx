// @vitest-environment happy-dom
import { type Account, API, type LetIn, type Network, PROBLEMS, type SessionNow } from '@fennot/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { Toaster } from 'sonner';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { bagsText } from './bags-text.ts';
import { SettingsPage } from './SettingsPage.tsx';

const id = (n: number) => `7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f${String(n).padStart(2, '0')}`;
const NOW = new Date().toISOString();
const device = (n: number, name: string, here = false) => ({
  id: id(n),
  name,
  how: here ? 'password' : 'code',
  since: NOW,
  seen: NOW,
  until: NOW,
  here,
});

let session: SessionNow;
let account: Account;
let network: Network;
/** What the server answers to a request; what is not said, it was not to be asked. */
let answers: Record<string, () => { status?: number; json: unknown }>;
const asked: string[] = [];

beforeEach(() => {
  asked.length = 0;
  session = { is: 'in', maker: id(1), name: 'Rowan', first: true, device: id(2), confirmed: true };
  account = {
    name: 'Rowan',
    since: NOW,
    first: true,
    password: true,
    both: false,
    passkeys: [],
    codesLeft: 0,
    devices: [device(2, 'Laptop', true), device(3, 'Phone')] as Account['devices'],
  };
  network = { addresses: ['https://192.168.1.5:4680'], trust: [], tls: 'own' };
  answers = {};
  const usual: typeof answers = {
    'GET /session': () => ({ json: session }),
    'GET /account': () => ({ json: account }),
    'GET /network': () => ({ json: network }),
    'GET /account/outbox': () => ({ json: { messages: [] } }),
    'GET /settings': () => ({
      json: { terms: 'us', system: 'cm', theme: 'device', hand: 'right', currency: 'EUR', breaks: 'on' },
    }),
  };
  vi.stubGlobal(
    'BroadcastChannel',
    class {
      postMessage() {}
    },
  );
  vi.stubGlobal('fetch', async (path: string, { method }: { method: string }) => {
    const what = `${method} ${path.slice(API.length)}`;
    asked.push(what);
    const { status = 200, json } = (answers[what] ?? usual[what])?.() ?? {
      status: 500,
      json: { type: '/x', title: 'x', status: 500, detail: `Nobody was to ask: ${what}` },
    };
    return { ok: status < 400, status, json: async () => json };
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const hands = userEvent.setup({ delay: null });
async function open() {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter>
        <SettingsPage />
      </MemoryRouter>
      <Toaster />
    </QueryClientProvider>,
  );
  await screen.findByText('Reading');
}
const press = async (name: string | RegExp) => hands.click(await screen.findByRole('button', { name }));
const code: LetIn = { id: id(9), code: 'ABCDE12345', seconds: 120 };

describe('without an account', () => {
  test('one can be made, and what only accounts have is not there', async () => {
    session = { is: 'open', maker: id(1) };
    network = { addresses: [], trust: [], tls: 'none' };
    await open();
    expect(await screen.findByText('Make this mine')).toBeTruthy();
    expect(screen.queryByText('Devices')).toBeNull();
    expect(screen.queryByRole('button', { name: /Delete the account/ })).toBeNull();
    expect(await screen.findByText('./fennot start --lan')).toBeTruthy();
    await press('Make it mine');
    expect(await screen.findByText('A name cannot be empty.')).toBeTruthy();
    await hands.type(screen.getByLabelText('Password'), 'too short');
    await hands.tab();
    expect(await screen.findByText(/at least 12 characters: four or five words will do/)).toBeTruthy();
    expect(asked.some((what) => what.startsWith('POST'))).toBe(false);
  });
});

describe('devices', () => {
  test('are told apart, and one is signed out from here', async () => {
    answers[`DELETE /account/devices/${id(3)}`] = () => {
      account = { ...account, devices: account.devices.slice(0, 1) };
      return { json: account };
    };
    await open();
    const list = (await screen.findByText('Phone')).closest('ul');
    expect(within(list ?? document.body).getByText('this one')).toBeTruthy();
    await press('Sign out Phone');
    await vi.waitFor(() => expect(screen.queryByText('Phone')).toBeNull());
    expect(screen.queryByRole('button', { name: 'Sign out everywhere else' })).toBeNull();
  });

  test('join by a code that is shown with its address, and told when it was used', async () => {
    let state: unknown = { is: 'waiting', seconds: 100 };
    answers['POST /account/devices'] = () => ({ json: code });
    answers[`GET /account/codes/${code.id}`] = () => ({ json: state });
    await open();
    await press('Join a phone');
    expect((await screen.findByLabelText('Code')).textContent).toBe('ABCDE-12345');
    expect(screen.getByRole('img', { name: 'Code to join, for a camera' })).toBeTruthy();
    // By the server's word, not by this clock: 100 s.
    expect(await screen.findByText(/for 1:(40|39|38) more/)).toBeTruthy();
    state = { is: 'used', device: 'Phone by the hook' };
    expect(await screen.findByText('Phone by the hook', {}, { timeout: 4000 })).toBeTruthy();
    await press('Done');
    // It was used: there is nothing to be called back.
    expect(asked.filter((what) => what.startsWith('DELETE'))).toEqual([]);
  });

  test('a code that nobody sees any more is called back; one that is over can be had anew', async () => {
    answers['POST /account/devices'] = () => ({ json: code });
    answers[`GET /account/codes/${code.id}`] = () => ({ json: { is: 'over' } });
    answers[`DELETE /account/codes/${code.id}`] = () => ({ json: { is: 'over' } });
    await open();
    await press('Join a phone');
    expect(await screen.findByText(/This code is over/)).toBeTruthy();
    expect(screen.queryByLabelText('Code')).toBeNull();
    await press('Show another');
    await press('Close');
    expect(asked).toContain(`DELETE /account/codes/${code.id}`);
    expect(asked.filter((what) => what === 'POST /account/devices')).toHaveLength(2);
  });
});

describe('what changes the account', () => {
  test('asks who is there, and is done then; thought better of, it is not done, and nothing is said', async () => {
    let known = false;
    answers['POST /account/recovery-codes'] = () =>
      known
        ? { json: { codes: ['ABCDEABCDEABCDEABCDEABCDE'] } }
        : { status: 401, json: { type: '/x', ...PROBLEMS.confirmFirst } };
    answers['POST /session/confirm'] = () => {
      known = true;
      return { json: session };
    };
    await open();
    await press('Make them');
    expect(await screen.findByText('Is it you?')).toBeTruthy();
    await press('Close');
    await vi.waitFor(() => expect(screen.queryByText('Is it you?')).toBeNull());
    expect(screen.queryByText(PROBLEMS.confirmFirst.detail)).toBeNull();
    await press('Make them');
    await hands.type(await screen.findByLabelText('Password'), 'seven herons on the weir');
    await press('Go on');
    expect(await screen.findByText('ABCDE-ABCDE-ABCDE-ABCDE-ABCDE')).toBeTruthy();
  });

  test('refused, is told why', async () => {
    account = { ...account, codesLeft: 3, passkeys: [] };
    answers['PUT /account/password'] = () => ({
      status: 422,
      json: { type: '/x', ...PROBLEMS.weakPassword },
    });
    await open();
    expect(await screen.findByText(/^3 left\./)).toBeTruthy();
    await press('Change it');
    await hands.type(await screen.findByLabelText('New password'), 'password12345');
    const [, change] = screen.getAllByRole('button', { name: 'Change it', hidden: true });
    if (!change) throw new Error('There is no button in the dialog.');
    await hands.click(change);
    expect(await screen.findByText(PROBLEMS.weakPassword.detail)).toBeTruthy();
  });
});

test('what a file brought, in words', () => {
  expect(bagsText({ bags: 1, lots: 0, library: 2, left: 0 })).toBe(
    '1 bag, 0 lots of yarn, 2 swatches and motifs.',
  );
  expect(bagsText({ bags: 26, lots: 1, library: 1, left: 1 })).toBe(
    '26 bags, 1 lot of yarn, 1 swatch or motif. 1 thing could not be kept, and stayed out.',
  );
});
