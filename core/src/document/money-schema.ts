import { z } from 'zod';
import { nameSchema } from './name-schema.ts';

/** An amount of money in the smallest coin of its currency: whole, so that sums come out to the coin. */
export const amountSchema = z
  .int('An amount is whole in the smallest coin.')
  .min(0, 'An amount cannot be negative.')
  .max(1_000_000_000, 'That is more money than a bag comes to.');

/** A currency by its three letters, as ISO 4217 has them. */
export const currencySchema = z.string().regex(/^[A-Z]{3}$/, 'A currency is three capital letters.');

/** What the bag costs beside its yarn, and what its maker's time is worth. */
export const moneySchema = z.strictObject({
  currency: currencySchema,
  /** Buttons, a zip, a lining: whatever is bought for it. */
  things: z
    .array(z.strictObject({ name: nameSchema, cost: amountSchema }))
    .max(40, 'At most 40 things are bought for a bag.')
    .optional(),
  /** For an hour of the maker's time. */
  rate: amountSchema.optional(),
});
export type Money = z.infer<typeof moneySchema>;

/** When it is worked on: so many minutes a day, on these days of the week (1 is Monday, 7 Sunday). */
export const paceSchema = z.strictObject({
  minutes: z
    .int('Minutes are whole.')
    .min(5, 'At least five minutes a day.')
    .max(960, 'At most sixteen hours a day.'),
  days: z
    .array(z.int().min(1).max(7))
    .min(1, 'At least one day of the week.')
    .max(7)
    .refine((days) => new Set(days).size === days.length, 'Each day of the week once.'),
});
export type Pace = z.infer<typeof paceSchema>;
