import {
  addressOf,
  clashSchema,
  type HoldingChange,
  type KeptBag,
  type ListQuery,
  type MakeEvent,
  PROBLEMS,
  problemSchema,
  ROUTES,
  type Route,
  type Settings,
} from '@fennot/core';
import type { z } from 'zod';
import { deviceName } from './device-name.ts';
import { MAKER_HEADER, makerNow, signedOut } from './maker.ts';

/** An answer of the server that is not what was asked for. `message` is meant to be shown. */
export class ApiProblem extends Error {
  readonly status: number;
  /** Which of the known problems it is. */
  readonly title: string;
  /** In a clash, what the server has. */
  readonly current: KeptBag | undefined;

  constructor(
    status: number,
    detail: string,
    { title = '', current }: { title?: string; current?: KeptBag } = {},
  ) {
    super(detail);
    this.status = status;
    this.title = title;
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
  const maker = makerNow();
  const send = (keepalive: boolean) =>
    fetch(addressOf(route, id) + asked(query), {
      method: route.method,
      signal: AbortSignal.timeout(PATIENCE),
      keepalive,
      headers: {
        ...(maker ? { [MAKER_HEADER]: maker.id } : {}),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
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
    if (clash.success) throw new ApiProblem(response.status, clash.data.detail, clash.data);
    const problem = problemSchema.safeParse(answer);
    if (problem.data?.title === PROBLEMS.signedOut.title) signedOut();
    throw new ApiProblem(
      response.status,
      problem.data?.detail ?? `The Fennot server answered ${response.status}.`,
      { title: problem.data?.title ?? '' },
    );
  }
  const read = route.answer.safeParse(answer);
  if (!read.success)
    throw new ApiProblem(AWAY, 'The server gave an answer that could not be read. Reload the page.');
  return read.data as z.output<R['answer']>;
}

/** Whether the server asks who is there before it does this. */
export const wantsConfirming = (error: unknown): boolean =>
  error instanceof ApiProblem && error.title === PROBLEMS.confirmFirst.title;

/** Whether no answer came. */
export const isAway = (error: unknown): boolean => error instanceof ApiProblem && error.status === AWAY;

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
  events: (id: string, after: number) => ask(ROUTES.events, { id, query: { after } }),
  addEvents: (id: string, events: readonly MakeEvent[]) =>
    ask(ROUTES.addEvents, { id, body: { events: [...events] } }),
  stash: () => ask(ROUTES.stash),
  library: () => ask(ROUTES.library),
  changeHoldings: (id: string, changes: readonly HoldingChange[]) =>
    ask(ROUTES.changeHoldings, { body: { id, changes: [...changes] } }),
  session: () => ask(ROUTES.session),
  signIn: (name: string, password: string) =>
    ask(ROUTES.signIn, { body: { name, password, device: deviceName() } }),
  signOut: () => ask(ROUTES.signOut),
  recover: (name: string, code: string) =>
    ask(ROUTES.recover, { body: { name, code, device: deviceName() } }),
  join: (code: string, device: string) => ask(ROUTES.join, { body: { code, device } }),
  confirm: (password: string) => ask(ROUTES.confirm, { body: { password } }),
  askPasskey: () => ask(ROUTES.askPasskey),
  signedByPasskey: (answer: Record<string, unknown>) =>
    ask(ROUTES.usePasskey, { body: { answer, device: deviceName() } }),
  makeAccount: (name: string, password: string, code: string | undefined) =>
    ask(ROUTES.makeAccount, {
      body: { name, password, device: deviceName(), ...(code === undefined ? {} : { code }) },
    }),
  account: () => ask(ROUTES.account),
  rename: (name: string) => ask(ROUTES.rename, { body: { name } }),
  changePassword: (password: string | null, others: boolean) =>
    ask(ROUTES.changePassword, { body: { password, others } }),
  setBoth: (both: boolean) => ask(ROUTES.setBoth, { body: { both } }),
  recoveryCodes: () => ask(ROUTES.recoveryCodes),
  deleteAccount: () => ask(ROUTES.deleteAccount),
  renameDevice: (id: string, name: string) => ask(ROUTES.renameDevice, { id, body: { name } }),
  endDevice: (id: string) => ask(ROUTES.endDevice, { id }),
  endOthers: () => ask(ROUTES.endOthers),
  letIn: () => ask(ROUTES.letIn),
  invite: () => ask(ROUTES.invite),
  letInState: (id: string) => ask(ROUTES.letInState, { id }),
  callBack: (id: string) => ask(ROUTES.callBack, { id }),
  newPasskey: () => ask(ROUTES.newPasskey),
  addPasskey: (answer: Record<string, unknown>, name: string) =>
    ask(ROUTES.addPasskey, { body: { answer, device: name } }),
  dropPasskey: (id: string) => ask(ROUTES.dropPasskey, { id }),
  outbox: () => ask(ROUTES.outbox),
  network: () => ask(ROUTES.network),
  takeOut: () => ask(ROUTES.takeOut),
  takeIn: (file: unknown, replace: boolean) => ask(ROUTES.takeIn, { body: { file, replace } }),
  settings: () => ask(ROUTES.settings),
  saveSettings: (settings: Settings) => ask(ROUTES.saveSettings, { body: settings }),
};
