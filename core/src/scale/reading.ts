import { z } from 'zod';

/** What a scale shows: only a stable weight above zero is ever taken. */
export const scaleReadingSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('stable'), grams: z.number() }),
  z.object({ is: z.literal('moving'), grams: z.number() }),
  /** More lies on it than it can weigh. */
  z.object({ is: z.literal('over') }),
  /** It does not answer, or is not connected. */
  z.object({ is: z.literal('lost') }),
]);
export type ScaleReading = z.infer<typeof scaleReadingSchema>;

/** A scale with what it shows. */
export const scaleSchema = z.object({
  /** Lasting as long as the server runs. */
  id: z.string(),
  name: z.string(),
  /** Where a stand-in can be played with; a real one has none. */
  page: z.string().optional(),
  reading: scaleReadingSchema,
});
export type Scale = z.infer<typeof scaleSchema>;

/** Grams that may be taken from what a scale shows; a sentence why not, otherwise. */
export function takenFrom(reading: ScaleReading): number | string {
  switch (reading.is) {
    case 'stable':
      if (reading.grams > 0) return reading.grams;
      return reading.grams < 0
        ? 'It shows less than nothing: set it to zero with nothing on it.'
        : 'Nothing lies on it.';
    case 'moving':
      return 'It has not come to rest.';
    case 'over':
      return 'More lies on it than it can weigh.';
    case 'lost':
      return 'It does not answer. Is it switched on?';
  }
}
