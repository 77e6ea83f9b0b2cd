import {
  type BagDocument,
  beginDocument,
  DEFAULT_SETTINGS,
  type KeptItem,
  type Settings,
  type Stash,
} from '@fennot/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentType, ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach } from 'vitest';
import { BagId } from '../open-bag/bag-id.ts';
import { type BagStore, createBagStore, usePlan } from '../open-bag/store.ts';
import type { StationProps } from '../stations/station.ts';

afterEach(cleanup);

/** A bag just begun, with whatever a test is about changed in it. */
export const aBag = (change: (document: BagDocument) => BagDocument = (document) => document): BagDocument =>
  change(beginDocument({ name: 'Test bag' }));

/** What the server would have answered. */
export interface Answered {
  readonly settings?: Partial<Settings> | undefined;
  readonly stash?: Partial<Stash>;
  readonly library?: readonly KeptItem[];
  /** Id of the bag that is open. */
  readonly bag?: string;
}

/** The answers of a server, and a place in the application. */
export function Around({ settings, stash, library = [], bag, children }: Answered & { children: ReactNode }) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(['settings'], { ...DEFAULT_SETTINGS, ...settings });
  client.setQueryData(['stash'], { lots: [], allotments: [], bags: {}, damaged: 0, ...stash });
  client.setQueryData(['library'], { items: library, damaged: 0 });
  return (
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={['/bags/one/build']}>
        <BagId value={bag}>{children}</BagId>
      </MemoryRouter>
    </QueryClientProvider>
  );
}

/** Puts a station's worktop on the table, with the open bag that it works on, and a maker's hands. */
export function lay(
  Station: ComponentType<StationProps>,
  document: BagDocument,
  settings?: Partial<Settings>,
  answered: Answered = {},
): { readonly store: BagStore; readonly hands: ReturnType<typeof userEvent.setup> } {
  const store = createBagStore(document);
  const Open = () => <Station plan={usePlan(store)} store={store} />;
  render(
    <Around settings={settings} {...answered}>
      <Open />
    </Around>,
  );
  return { store, hands: userEvent.setup({ delay: null }) };
}

/** Types into a field in place of what stands there, and presses a key. */
export async function type(
  hands: ReturnType<typeof userEvent.setup>,
  label: string | RegExp,
  text: string,
  end = '{Enter}',
): Promise<void> {
  const field = screen.getByLabelText(label);
  await hands.clear(field);
  await hands.type(field, text + end);
}

/** Chooses from a list that opens, by its label and what stands in it. */
export async function choose(
  hands: ReturnType<typeof userEvent.setup>,
  label: string | RegExp,
  option: string | RegExp,
  within: Pick<typeof screen, 'getByLabelText'> = screen,
): Promise<void> {
  const list = within.getByLabelText(label);
  list.focus();
  await hands.keyboard('{Enter}');
  await hands.click(await screen.findByRole('option', { name: option }));
}
