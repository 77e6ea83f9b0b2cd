import { problemSchema } from '@fennot/core';

/** Answers of a route that are not what was asked for. */
export const refusals = <S extends 400 | 401 | 404 | 409 | 422 | 429>(...statuses: readonly S[]) =>
  Object.fromEntries(statuses.map((status) => [status, problemSchema])) as {
    readonly [status in S]: typeof problemSchema;
  };
