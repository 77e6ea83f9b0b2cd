import { documentSchema } from '@fennot/core';
import { z } from 'zod';

export const bagSchema = z.object({
  id: z.string(),
  version: z.number(),
  updatedAt: z.string(),
  document: documentSchema,
});
export type StoredBag = z.infer<typeof bagSchema>;

export const settingsSchema = z.object({
  terms: z.enum(['us', 'uk']),
  system: z.enum(['cm', 'in']),
  theme: z.enum(['light', 'dark', 'device']),
});
export type Settings = z.infer<typeof settingsSchema>;

const problemSchema = z.object({
  status: z.number(),
  title: z.string(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  current: bagSchema.optional(),
});

/** An answer of the server that is not what was asked for. `message` is meant to be shown. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly current: StoredBag | undefined;

  constructor(status: number, detail: string, current?: StoredBag) {
    super(detail);
    this.status = status;
    this.current = current;
  }
}

/** Status of an answer that never came. */
export const AWAY = 0;

async function ask<T>(method: string, path: string, schema: z.ZodType<T>, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiProblem(AWAY, 'The Fennot server does not answer.');
  }
  const answer: unknown = response.status === 204 ? undefined : await response.json().catch(() => undefined);
  if (!response.ok) {
    const problem = problemSchema.safeParse(answer);
    throw problem.success
      ? new ApiProblem(response.status, problem.data.detail, problem.data.current)
      : new ApiProblem(response.status, `The Fennot server answered ${response.status}.`);
  }
  return schema.parse(answer);
}

export const api = {
  bags: () => ask('GET', '/bags', z.array(bagSchema)),
  bag: (id: string) => ask('GET', `/bags/${encodeURIComponent(id)}`, bagSchema),
  createBag: (document: unknown) => ask('POST', '/bags', bagSchema, { document }),
  saveBag: (id: string, basedOn: number, document: unknown) =>
    ask('PUT', `/bags/${encodeURIComponent(id)}`, bagSchema, { basedOn, document }),
  deleteBag: (id: string) => ask('DELETE', `/bags/${encodeURIComponent(id)}`, z.undefined()),
  settings: () => ask('GET', '/settings', settingsSchema),
  saveSettings: (settings: Settings) => ask('PUT', '/settings', settingsSchema, settings),
};
