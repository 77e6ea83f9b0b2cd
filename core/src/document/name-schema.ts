import { LIMITS, textSchema } from '../fields/index.ts';

/** What a maker calls a thing. */
export const nameSchema = textSchema('A name', LIMITS.name, { name: true });
