import { z } from 'zod';
import { SUMMARY } from '../summary/index.ts';
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
import { changedHoldingsSchema, changeHoldingsSchema, librarySchema, stashSchema } from './holdings.ts';
import { settingsSchema } from './settings.ts';

/** Where the API begins. */
export const API = '/api';

/** One thing that can be asked of the server. Both sides read it: what is sent, and what comes back. */
export interface Route<Body extends z.ZodType = z.ZodType, Answer extends z.ZodType = z.ZodType> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Below `API`; `:id` stands for a bag's id. */
  readonly path: string;
  readonly body: Body;
  /** What may stand behind the question mark. */
  readonly query?: z.ZodType;
  readonly answer: Answer;
  /** Status of a good answer. */
  readonly status: 200 | 201;
}

const NOTHING = z.undefined();

/** Everything the interface asks of the server. */
export const ROUTES = {
  bags: {
    method: 'GET',
    path: '/bags',
    body: NOTHING,
    query: listQuerySchema,
    answer: bagListSchema,
    status: 200,
  },
  bag: { method: 'GET', path: '/bags/:id', body: NOTHING, answer: keptBagSchema, status: 200 },
  createBag: { method: 'POST', path: '/bags', body: createBagSchema, answer: storedBagSchema, status: 201 },
  saveBag: { method: 'PUT', path: '/bags/:id', body: saveBagSchema, answer: savedSchema, status: 200 },
  deleteBag: { method: 'DELETE', path: '/bags/:id', body: NOTHING, answer: savedSchema, status: 200 },
  restoreBag: {
    method: 'POST',
    path: '/bags/:id/restore',
    body: restoreBagSchema,
    answer: keptBagSchema,
    status: 200,
  },
  stash: { method: 'GET', path: '/stash', body: NOTHING, answer: stashSchema, status: 200 },
  library: { method: 'GET', path: '/library', body: NOTHING, answer: librarySchema, status: 200 },
  changeHoldings: {
    method: 'POST',
    path: '/holdings/changes',
    body: changeHoldingsSchema,
    answer: changedHoldingsSchema,
    status: 200,
  },
  settings: { method: 'GET', path: '/settings', body: NOTHING, answer: settingsSchema, status: 200 },
  saveSettings: {
    method: 'PUT',
    path: '/settings',
    body: settingsSchema,
    answer: settingsSchema,
    status: 200,
  },
} as const satisfies Record<string, Route>;

/** The address of a route, with the bag's id filled in. */
export const addressOf = ({ path }: Pick<Route, 'path'>, id = ''): string =>
  API + path.replace(':id', encodeURIComponent(id));

/** Where the picture of a bag is: each version has its own, and each making of pictures. It never changes. */
export const pictureOf = ({ id, version }: { readonly id: string; readonly version: number }): string =>
  `${API}/bags/${encodeURIComponent(id)}/picture.svg?version=${version}.${SUMMARY}`;
