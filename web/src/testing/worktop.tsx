import { type BagDocument, beginDocument, DEFAULT_SETTINGS, type Settings } from '@fennot/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentType, ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach } from 'vitest';
import { type BagStore, createBagStore, usePlan } from '../open-bag/store.ts';
import type { StationProps } from '../stations/station.ts';

afterEach(cleanup);

/** A bag just begun, with whatever a test is about changed in it. */
export const aBag = (change: (document: BagDocument) => BagDocument = (document) => document): BagDocument =>
  change(beginDocument({ name: 'Test bag' }));

/** Settings as if the server had answered, and a place in the application. */
export function Around({ settings, children }: { settings?: Partial<Settings>; children: ReactNode }) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(['settings'], { ...DEFAULT_SETTINGS, ...settings });
  return (
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={['/bags/one/build']}>{children}</MemoryRouter>
    </QueryClientProvider>
  );
}

/** Puts a station's worktop on the table, with the open bag that it works on, and a maker's hands. */
export function lay(
  Station: ComponentType<StationProps>,
  document: BagDocument,
  settings?: Partial<Settings>,
): { readonly store: BagStore; readonly hands: ReturnType<typeof userEvent.setup> } {
  const store = createBagStore(document);
  const Open = () => <Station plan={usePlan(store)} store={store} />;
  render(
    <Around {...(settings ? { settings } : {})}>
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
