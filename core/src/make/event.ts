import { z } from 'zod';
import { gramsSchema } from '../document/weighings-schema.ts';
import { idSchema, LIMITS, textSchema } from '../fields/index.ts';
import { MEASURED } from './measured.ts';

/** Rows of one piece nobody works more of. */
const MOST_ROWS = 100_000;
/** So many at one press. */
const MOST_AT_ONCE = 10_000;
/** Latest moment a calendar knows, ms: 9999. */
const LATEST = 253_402_300_799_999;

const rows = z.int('Rows are whole.').min(0, 'Rows cannot be fewer than none.').max(MOST_ROWS);
const many = z.int('A count is whole.').min(1, 'At least one.').max(MOST_AT_ONCE);

/** A lasting name, made of the ids of what it names: `motif/m1/w1/4`, `panel/strip`, a seam's. */
const nameSchema = z
  .string()
  .min(1, 'A name cannot be empty.')
  .max(200, 'A name cannot be longer than 200 characters.')
  .regex(/^\P{Cc}*$/u, 'A name is one line.');
export const taskIdSchema = nameSchema;

/**
 * Ids of events are UUIDs of version 7 in small letters, made on the device: in their order events are folded. Their time is
 * never behind anything the device had seen, so that what was done knowing of something comes after it, whatever clocks say.
 */
export const eventIdSchema = z
  .uuidv7('An event is known by a UUID of version 7.')
  .lowercase('Ids are in small letters.');

const head = {
  id: eventIdSchema,
  /** When it was done, by the device's clock: ms since 1970. */
  at: z.int().min(0).max(LATEST),
  /** Which device it was done on; the device makes this up once. */
  device: z.uuid(),
  /** The version of the bag it was done by. */
  plan: z.int().min(0).max(2_147_483_647),
};

const event = <Of extends string, Shape extends z.ZodRawShape>(of: Of, shape: Shape) =>
  z.strictObject({ ...head, of: z.literal(of), ...shape });

/** Piece of work: the id of the event it was begun by. */
const work = eventIdSchema;

/** Something that was done, once. Events are never changed: what was done in error is undone by another. */
export const eventSchema = z.discriminatedUnion(
  'of',
  [
    /** A piece of work is begun, of so many rows or rounds as the plan had then. */
    event('begun', { task: taskIdSchema, rows }),
    /** Its row or round of this number is done, and all before it. */
    event('row', { work, row: rows.min(1, 'Rows are counted from 1.') }),
    /** It is ripped back: so many rows are left. */
    event('ripped', { work, to: rows }),
    /** It is off the hook, with so many rows or rounds. */
    event('finished', { work, rows }),
    /** It comes to nothing: unravelled, given away, lost. */
    event('left', { work }),
    /** So many alike were made without being counted row by row. */
    event('made', { task: taskIdSchema, rows, many }),
    /** Steps of a task are done, each by its lasting name: seams of a run. */
    event('stepped', { task: taskIdSchema, steps: z.array(nameSchema).min(1).max(200) }),
    /** A marker is put in after a row. */
    event('marked', { work, row: rows }),
    /** So many ends are hidden. */
    event('hidden', { many }),
    /** Something was measured. */
    event('measured', { what: MEASURED, mm: z.number().min(0.1).max(20_000) }),
    /** A ball of a yarn was weighed: what is left of all of it. */
    event('weighed', { yarn: idSchema, grams: gramsSchema.or(z.literal(0)) }),
    /** Nothing was done from the event before up to now. */
    event('paused', {}),
    event('noted', { text: textSchema('A note', LIMITS.note), task: taskIdSchema.optional() }),
    /** A photo that is kept with the bag, by the id of its file. */
    event('pictured', { photo: z.uuid(), task: taskIdSchema.optional() }),
    /** Another event is taken back; one that takes back can be taken back itself. */
    event('undone', { event: eventIdSchema }),
  ],
  { error: 'This is nothing that Fennot knows to be done.' },
);
export type MakeEvent = z.infer<typeof eventSchema>;
export type EventOf<Of extends MakeEvent['of']> = Extract<MakeEvent, { of: Of }>;

/** An event before it has its head: what a maker did. */
export type Deed = { [Of in MakeEvent['of']]: Omit<EventOf<Of>, keyof typeof head> }[MakeEvent['of']];
