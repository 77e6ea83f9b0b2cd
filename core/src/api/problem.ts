import { z } from 'zod';
import { fieldProblemSchema } from '../document/index.ts';
import { keptBagSchema } from './bags.ts';

/** An answer that is not what was asked for, as RFC 9457 problem details. `detail` is a sentence to be shown. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(fieldProblemSchema).optional(),
});

/** A save that was not made from the latest version gets the latest along. */
export const clashSchema = problemSchema.extend({ current: keptBagSchema });

/** Titles of the problems that a program, too, has to tell apart, with their sentences. */
export const PROBLEMS = {
  noSuchBag: {
    status: 404,
    title: 'No such bag',
    detail: 'There is no bag at this address. It may have been deleted, or the address is mistyped.',
  },
  changedElsewhere: {
    status: 409,
    title: 'Changed elsewhere',
    detail: 'This bag was changed in another window since you opened it. Nothing was overwritten.',
  },
  holdingChanged: {
    status: 409,
    title: 'Changed in another window',
    detail:
      'Some of it was changed in another window. Nothing was overwritten: look again, and change it then.',
  },
  noSuchLot: {
    status: 404,
    title: 'No such lot',
    detail: 'This yarn or the bag it is for is not there any more. Nothing was changed.',
  },
  tooManyLots: {
    status: 422,
    title: 'Too many lots',
    detail: 'That is more yarn than a stash can hold: 20,000 lots at most.',
  },
  tooManyItems: {
    status: 422,
    title: 'Too many items',
    detail: 'That is more than a library can hold: 2000 swatches and motifs at most.',
  },
  idTaken: { status: 409, title: 'Id taken', detail: 'Something else has this id already.' },
  badBag: { status: 422, title: 'Bad bag', detail: 'This is not a bag.' },
  badInput: { status: 400, title: 'Bad input', detail: 'The request is wrong.' },
  badAddress: { status: 400, title: 'Bad address', detail: 'This address cannot be read.' },
  strangeHost: {
    status: 421,
    title: 'Strange host',
    detail: 'Fennot is not asked by this name. Open it at the address that it printed when it started.',
  },
  strangeOrigin: {
    status: 403,
    title: 'Strange origin',
    detail: 'Only Fennot’s own page may change something here.',
  },
  diskFull: {
    status: 507,
    title: 'Disk full',
    detail: 'The disk of the Fennot server is full, so nothing new can be saved. Free some space there.',
  },
  databaseAway: {
    status: 503,
    title: 'Database away',
    detail: 'The Fennot server cannot reach its database just now. It keeps trying.',
  },
  tooLong: {
    status: 503,
    title: 'Too long',
    detail: 'This takes longer to work out than anyone should wait, and was given up.',
  },
  busy: {
    status: 503,
    title: 'Busy',
    detail: 'The Fennot server has much to work out just now. Try again in a moment.',
  },
  stopping: {
    status: 503,
    title: 'Server stopping',
    detail: 'The Fennot server is just being stopped. What you do is kept here until it is back.',
  },
  serverError: {
    status: 500,
    title: 'Server error',
    detail: 'Something went wrong in the Fennot server. Its log says what.',
  },
  tooMany: { status: 429, title: 'Too many requests', detail: 'Too many requests at once. Wait a second.' },
} as const;
