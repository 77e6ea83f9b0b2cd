import { z } from 'zod';

/** A whole number within bounds, with a sentence for each way it can be wrong. */
export const count = (what: string, most: number, least = 1) =>
  z
    .int(`${what} must be a whole number.`)
    .min(least, `${what} must be at least ${least}.`)
    .max(most, `${what} cannot be more than ${most}.`);
