import { z } from 'zod';
import { eventSchema } from '../make/index.ts';

/** Events of one bag that are kept at most: years of rows. */
export const MOST_EVENTS = 100_000;
/** So many are sent, and read, at once. */
export const EVENTS_AT_ONCE = 1000;

/** How far the server's events of a bag have been read: as it was answered. */
const place = z.int().min(0);

/** Events of a bag that the server has and this page has not seen. */
export const eventQuerySchema = z.strictObject({ after: z.coerce.number().int().min(0).default(0) });

export const eventPageSchema = z.object({
  events: z.array(eventSchema),
  /** To be asked for with `after`. */
  at: place,
  /** There are more after these. */
  more: z.boolean(),
  /** Events that this Fennot cannot read: a newer one wrote them. They stay where they are. */
  unread: z.int(),
});
export type EventPage = z.infer<typeof eventPageSchema>;

/** What was done on a device, to be kept: each is added once, however often it is sent. */
export const addEventsSchema = z.strictObject({
  events: z
    .array(eventSchema)
    .min(1, 'There are no events to add.')
    .max(EVENTS_AT_ONCE, `At most ${EVENTS_AT_ONCE} events at once.`),
});

export const addedEventsSchema = z.object({
  /** How many of them were new. */
  fresh: z.int(),
});
export type AddedEvents = z.infer<typeof addedEventsSchema>;
