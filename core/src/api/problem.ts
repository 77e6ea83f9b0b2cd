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
  tooManyEvents: {
    status: 422,
    title: 'Too many events',
    detail: 'More has been done on this bag than can be kept: 100,000 steps at most. Nothing was added.',
  },
  signedOut: {
    status: 401,
    title: 'Signed out',
    detail: 'This device is not signed in. Sign in, and go on.',
  },
  confirmFirst: {
    status: 401,
    title: 'Confirm first',
    detail: 'It was some time ago that you signed in here. Say once more that it is you.',
  },
  wrongSignIn: {
    status: 422,
    title: 'Wrong sign-in',
    detail: 'There is no such name with that password.',
  },
  wrongPassword: { status: 422, title: 'Wrong password', detail: 'That is not the password.' },
  wrongRecovery: {
    status: 422,
    title: 'Wrong recovery code',
    detail: 'There is no such name with that recovery code; or it was used before.',
  },
  wrongCode: {
    status: 422,
    title: 'Wrong code',
    detail: 'This code does not let in. It may be mistyped, used already, or over: have a new one shown.',
  },
  wrongPasskey: {
    status: 422,
    title: 'Wrong passkey',
    detail: 'This passkey does not let in here. It may belong to another account, or have been taken out.',
  },
  noPasskeysHere: {
    status: 422,
    title: 'No passkeys here',
    detail:
      'Passkeys need a name and a trusted connection: open Fennot by a name, not by an address of figures.',
  },
  nameTaken: {
    status: 422,
    title: 'Name taken',
    detail: 'This name, or one that looks like it, cannot be had here. Choose another.',
  },
  weakPassword: {
    status: 422,
    title: 'Weak password',
    detail: 'This password is among the first that anyone would try. Take four or five words of your own.',
  },
  lastWayIn: {
    status: 422,
    title: 'Last way in',
    detail: 'Nothing would let you in any more: have a password, or a passkey and recovery codes, first.',
  },
  accountThere: {
    status: 409,
    title: 'Account there',
    detail: 'There is an account already. Sign in.',
  },
  signedInHere: {
    status: 409,
    title: 'Signed in here',
    detail: 'Somebody is signed in on this device. Sign out first, and come back to this page then.',
  },
  noAccount: {
    status: 409,
    title: 'No account',
    detail: 'That needs an account. Make this yours first, in the settings.',
  },
  notEmpty: {
    status: 409,
    title: 'Not empty',
    detail:
      'This account holds things already; a file of everything goes into an empty one. Nothing was changed.',
  },
  tooManyTries: {
    status: 429,
    title: 'Too many tries',
    detail: 'Too many tries. Wait a little, and try then.',
  },
  needsTls: {
    status: 426,
    title: 'Needs a closed line',
    detail: 'On a network Fennot is asked by https only, so that nobody reads along.',
  },
  noSuchThing: { status: 404, title: 'Not found', detail: 'There is no such thing here.' },
  idTaken: { status: 409, title: 'Id taken', detail: 'Something else has this id already.' },
  badBag: { status: 422, title: 'Bad bag', detail: 'This is not a bag.' },
  badFile: { status: 422, title: 'Bad file', detail: 'This is no file of everything a maker has.' },
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
