import {
  addressOf,
  clashSchema,
  type HoldingChange,
  type KeptBag,
  type ListQuery,
  PROBLEMS,
  problemSchema,
  ROUTES,
  type Route,
  type Settings,
} from '@fennot/core';
import type { z } from 'zod';

/** An answer of the server that is not what was asked for. `message` is meant to be shown. */
export class ApiProblem extends Error {
  readonly status: number;
  /** In a clash, what the server has. */
  readonly current: KeptBag | undefined;

  constructor(status: number, detail: string, current?: KeptBag) {
    super(detail);
    this.status = status;
    this.current = current;
  }
}

/** Status of an answer that never came. */
export const AWAY = 0;

/** What is asked for, behind a question mark; what is not said is left out. */
function asked(query: Asking<unknown>['query'] = {}): string {
  const said = Object.entries(query).flatMap(([name, value]) =>
    value === undefined || value === '' ? [] : [[name, String(value)]],
  );
  return said.length === 0 ? '' : `?${new URLSearchParams(said)}`;
}

/** Longest time an answer is waited for, ms. */
const PATIENCE = 12_000;

interface Asking<Body> {
  readonly query?: Readonly<Record<string, string | number | undefined>>;
  readonly id?: string;
  readonly body?: Body;
  /** The request goes on when the page goes. */
  readonly outlive?: boolean;
}

async function ask<R extends Route>(
  route: R,
  { id, query, body, outlive }: Asking<z.input<R['body']>> = {},
): Promise<z.output<R['answer']>> {
  const send = (keepalive: boolean) =>
    fetch(addressOf(route, id) + asked(query), {
      method: route.method,
      signal: AbortSignal.timeout(PATIENCE),
      keepalive,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  let response: Response;
  try {
    // Browsers let only small requests outlive a page; a large one is at least tried.
    response = outlive ? await send(true).catch(() => send(false)) : await send(false);
  } catch {
    throw new ApiProblem(AWAY, 'The Fennot server does not answer.');
  }
  const answer: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    const clash = clashSchema.safeParse(answer);
    if (clash.success) throw new ApiProblem(response.status, clash.data.detail, clash.data.current);
    const problem = problemSchema.safeParse(answer);
    throw new ApiProblem(
      response.status,
      problem.success ? problem.data.detail : `The Fennot server answered ${response.status}.`,
    );
  }
  const read = route.answer.safeParse(answer);
  if (!read.success)
    throw new ApiProblem(AWAY, 'The server gave an answer that could not be read. Reload the page.');
  return read.data as z.output<R['answer']>;
}

export const isMissing = (error: unknown): boolean =>
  error instanceof ApiProblem && error.status === PROBLEMS.noSuchBag.status;

export const api = {
  bags: (query: ListQuery) => ask(ROUTES.bags, { query }),
  bag: (id: string) => ask(ROUTES.bag, { id }),
  createBag: (id: string, document: unknown, imported = false) =>
    ask(ROUTES.createBag, { body: { id, document, ...(imported ? { imported } : {}) } }),
  saveBag: (id: string, save: string, basedOn: number, document: unknown, outlive: boolean) =>
    ask(ROUTES.saveBag, { id, body: { save, basedOn, document }, outlive }),
  deleteBag: (id: string) => ask(ROUTES.deleteBag, { id }),
  restoreBag: (id: string, basedOn: number) => ask(ROUTES.restoreBag, { id, body: { basedOn } }),
  stash: () => ask(ROUTES.stash),
  library: () => ask(ROUTES.library),
  changeHoldings: (id: string, changes: readonly HoldingChange[]) =>
    ask(ROUTES.changeHoldings, { body: { id, changes: [...changes] } }),
  settings: () => ask(ROUTES.settings),
  saveSettings: (settings: Settings) => ask(ROUTES.saveSettings, { body: settings }),
};
