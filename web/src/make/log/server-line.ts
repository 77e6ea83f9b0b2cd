import { PROBLEMS } from '@fennot/core';
import { ApiProblem, api } from '../../api/client.ts';
import { type Line, LineTrouble, type Trouble } from './logbook.ts';

/** What an answer of the server means for what is to be sent. */
function troubleOf(error: unknown): LineTrouble {
  if (!(error instanceof ApiProblem)) return new LineTrouble('away');
  return new LineTrouble(kindOf(error), error.message);
}

function kindOf({ status, title }: ApiProblem): Trouble {
  if (title === PROBLEMS.signedOut.title) return 'signed out';
  if (title === PROBLEMS.noSuchBag.title) return 'gone';
  // The request itself is at fault, or too large. Too many requests, and a server that cannot just now, are none of it.
  return [400, 413, 422].includes(status) ? 'refused' : 'away';
}

/** The way to this page's server, for the events of one bag. */
export const serverLine = (bag: string): Line => ({
  add: async (events) => {
    await api.addEvents(bag, events).catch((error: unknown) => Promise.reject(troubleOf(error)));
  },
  after: (place) => api.events(bag, place).catch((error: unknown) => Promise.reject(troubleOf(error))),
});
