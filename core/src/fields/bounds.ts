import type { z } from 'zod';

/** Between which values a number may lie, and whether it must be whole. */
export interface Bounds {
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
}

/** The bounds a schema sets on a number: forms read them here, so that they are written down once. */
export const boundsOf = (schema: z.ZodNumber): Bounds => ({
  min: schema.minValue ?? Number.NEGATIVE_INFINITY,
  max: schema.maxValue ?? Number.POSITIVE_INFINITY,
  whole: schema.isInt,
});

/** The least and the most of a number, for a control that steps between them. */
export const between = (schema: z.ZodNumber): { readonly min: number; readonly max: number } => {
  const { min, max } = boundsOf(schema);
  return { min, max };
};
