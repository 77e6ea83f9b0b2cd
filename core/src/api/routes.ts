import { z } from 'zod';
import { SUMMARY } from '../summary/index.ts';
import {
  accountSchema,
  bothSchema,
  changePasswordSchema,
  confirmSchema,
  letInSchema,
  letInStateSchema,
  networkSchema,
  outboxSchema,
  recoveryCodesSchema,
  renameDeviceSchema,
  renameSchema,
} from './account.ts';
import {
  bagListSchema,
  createBagSchema,
  keptBagSchema,
  listQuerySchema,
  restoreBagSchema,
  saveBagSchema,
  savedSchema,
  storedBagSchema,
} from './bags.ts';
import { addEventsSchema, addedEventsSchema, eventPageSchema, eventQuerySchema } from './events.ts';
import { changedHoldingsSchema, changeHoldingsSchema, librarySchema, stashSchema } from './holdings.ts';
import { makerFileSchema, takeInSchema, takenInSchema } from './maker-file.ts';
import {
  joinSchema,
  makeAccountSchema,
  newPasskeyOptionsSchema,
  passkeyAnswerSchema,
  passkeyOptionsSchema,
  recoverSchema,
  sessionSchema,
  signedInSchema,
  signInSchema,
} from './session.ts';
import { settingsSchema } from './settings.ts';

/** Where the API begins. */
export const API = '/api';

/**
 * Who may ask: anyone; a maker, for what is theirs; or a maker who was known anew a moment ago, for what a stranger at an
 * open screen must not do.
 */
export type Access = 'anyone' | 'maker' | 'confirmed';

/** One thing that can be asked of the server. Both sides read it: what is sent, and what comes back. */
export interface Route<Body extends z.ZodType = z.ZodType, Answer extends z.ZodType = z.ZodType> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly access: Access;
  /** Below `API`; `:id` stands for the id of what is meant. */
  readonly path: string;
  readonly body: Body;
  /** What may stand behind the question mark. */
  readonly query?: z.ZodType;
  readonly answer: Answer;
  /** Status of a good answer. */
  readonly status: 200 | 201;
}

const NOTHING = z.undefined();

type Path = `/${string}`;

const get = <A extends z.ZodType>(access: Access, path: Path, answer: A) =>
  ({ method: 'GET', access, path, body: NOTHING, answer, status: 200 }) as const;
const drop = <A extends z.ZodType>(access: Access, path: Path, answer: A) =>
  ({ method: 'DELETE', access, path, body: NOTHING, answer, status: 200 }) as const;
const post = <B extends z.ZodType, A extends z.ZodType>(access: Access, path: Path, body: B, answer: A) =>
  ({ method: 'POST', access, path, body, answer, status: 200 }) as const;
const put = <B extends z.ZodType, A extends z.ZodType>(access: Access, path: Path, body: B, answer: A) =>
  ({ method: 'PUT', access, path, body, answer, status: 200 }) as const;

/** Everything the interface asks of the server. */
export const ROUTES = {
  session: get('anyone', '/session', sessionSchema),
  signIn: post('anyone', '/session', signInSchema, signedInSchema),
  signOut: drop('anyone', '/session', sessionSchema),
  recover: post('anyone', '/session/recovery', recoverSchema, sessionSchema),
  join: post('anyone', '/session/join', joinSchema, sessionSchema),
  askPasskey: post('anyone', '/session/passkey/options', NOTHING, passkeyOptionsSchema),
  usePasskey: post('anyone', '/session/passkey', passkeyAnswerSchema, sessionSchema),
  confirm: post('maker', '/session/confirm', confirmSchema, sessionSchema),

  makeAccount: post('anyone', '/account', makeAccountSchema, sessionSchema),
  account: get('maker', '/account', accountSchema),
  rename: put('maker', '/account/name', renameSchema, sessionSchema),
  changePassword: put('confirmed', '/account/password', changePasswordSchema, sessionSchema),
  setBoth: put('confirmed', '/account/both', bothSchema, accountSchema),
  recoveryCodes: post('confirmed', '/account/recovery-codes', NOTHING, recoveryCodesSchema),
  deleteAccount: drop('confirmed', '/account', sessionSchema),
  renameDevice: put('maker', '/account/devices/:id', renameDeviceSchema, accountSchema),
  endDevice: drop('maker', '/account/devices/:id', accountSchema),
  endOthers: drop('maker', '/account/devices', accountSchema),
  letIn: post('confirmed', '/account/devices', NOTHING, letInSchema),
  invite: post('confirmed', '/account/invitations', NOTHING, letInSchema),
  letInState: get('maker', '/account/codes/:id', letInStateSchema),
  callBack: drop('maker', '/account/codes/:id', letInStateSchema),
  newPasskey: post('confirmed', '/account/passkeys/options', NOTHING, newPasskeyOptionsSchema),
  addPasskey: post('confirmed', '/account/passkeys', passkeyAnswerSchema, accountSchema),
  dropPasskey: drop('confirmed', '/account/passkeys/:id', accountSchema),
  outbox: get('maker', '/account/outbox', outboxSchema),
  network: get('maker', '/network', networkSchema),
  takeOut: get('maker', '/everything', makerFileSchema),
  takeIn: post('maker', '/everything', takeInSchema, takenInSchema),

  bags: { ...get('maker', '/bags', bagListSchema), query: listQuerySchema },
  bag: get('maker', '/bags/:id', keptBagSchema),
  createBag: { ...post('maker', '/bags', createBagSchema, storedBagSchema), status: 201 },
  saveBag: put('maker', '/bags/:id', saveBagSchema, savedSchema),
  deleteBag: drop('maker', '/bags/:id', savedSchema),
  restoreBag: post('maker', '/bags/:id/restore', restoreBagSchema, keptBagSchema),
  events: { ...get('maker', '/bags/:id/events', eventPageSchema), query: eventQuerySchema },
  addEvents: post('maker', '/bags/:id/events', addEventsSchema, addedEventsSchema),
  stash: get('maker', '/stash', stashSchema),
  library: get('maker', '/library', librarySchema),
  changeHoldings: post('maker', '/holdings/changes', changeHoldingsSchema, changedHoldingsSchema),
  settings: get('maker', '/settings', settingsSchema),
  saveSettings: put('maker', '/settings', settingsSchema, settingsSchema),
} satisfies Record<string, Route>;

/** The address of a route, with the bag's id filled in. */
export const addressOf = ({ path }: Pick<Route, 'path'>, id = ''): string =>
  API + path.replace(':id', encodeURIComponent(id));

/** Where the picture of a bag is: each version has its own, and each making of pictures. It never changes. */
export const pictureOf = ({ id, version }: { readonly id: string; readonly version: number }): string =>
  `${API}/bags/${encodeURIComponent(id)}/picture.svg?version=${version}.${SUMMARY}`;
