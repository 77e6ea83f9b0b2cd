import { z } from 'zod';
import { currencySchema } from '../document/index.ts';
import { USUAL_CURRENCY } from '../money/index.ts';

/** How a maker likes to read: words, lengths, light or dark, right- or left-handed. */
export const settingsSchema = z.strictObject({
  terms: z.enum(['us', 'uk']),
  system: z.enum(['cm', 'in']),
  theme: z.enum(['light', 'dark', 'device']),
  /** Which hand holds the hook: for the left one all is drawn and said in the mirror. */
  hand: z.enum(['right', 'left']),
  /** What money is typed in, unless a bag or a lot says another. */
  currency: currencySchema.default(USUAL_CURRENCY),
  /** Whether one is reminded, beside the hook, to rest one's hands. */
  breaks: z.enum(['on', 'off']).default('on'),
});
export type Settings = z.infer<typeof settingsSchema>;

export const DEFAULT_SETTINGS: Settings = {
  terms: 'us',
  system: 'cm',
  theme: 'device',
  hand: 'right',
  currency: USUAL_CURRENCY,
  breaks: 'on',
};

/** Reads settings as they were kept: one this version does not know, or none yet, falls back to its default. */
export function settingsFrom(kept: unknown): Settings {
  const { terms, system, theme, hand, currency, breaks } = settingsSchema.shape;
  return z
    .object({
      terms: terms.catch(DEFAULT_SETTINGS.terms),
      system: system.catch(DEFAULT_SETTINGS.system),
      theme: theme.catch(DEFAULT_SETTINGS.theme),
      hand: hand.catch(DEFAULT_SETTINGS.hand),
      currency: currency.catch(DEFAULT_SETTINGS.currency),
      breaks: breaks.catch(DEFAULT_SETTINGS.breaks),
    })
    .catch(DEFAULT_SETTINGS)
    .parse(kept);
}
