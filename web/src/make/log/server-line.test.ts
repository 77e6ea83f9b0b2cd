import { PROBLEMS } from '@fennot/core';
import { afterEach, expect, test, vi } from 'vitest';
import { TestDevice } from '../../../../core/src/testing/making.ts';
import { LineTrouble } from './logbook.ts';
import { serverLine } from './server-line.ts';

afterEach(() => vi.unstubAllGlobals());

const event = new TestDevice(1).does({ of: 'hidden', many: 1 }, Date.UTC(2026, 2, 7));

/** What comes of asking a server that answers so. */
async function asked(answer: () => Promise<unknown>): Promise<string> {
  vi.stubGlobal('fetch', answer);
  const line = serverLine('7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10');
  return line.add([event]).then(
    () => 'taken',
    (error: unknown) => (error instanceof LineTrouble ? error.is : 'something else'),
  );
}
const answers = (status: number, json: unknown) => async () => ({
  ok: status < 400,
  status,
  json: async () => json,
});
const problem = (status: number, title: string) =>
  answers(status, { type: '/x', title, status, detail: 'It is so.' });

test.each([
  ['that takes them', answers(200, { fresh: 1 }), 'taken'],
  ['that is not there', () => Promise.reject(new Error('no line')), 'away'],
  ['without its database', problem(503, 'Database away'), 'away'],
  ['that is asked too often', problem(429, 'Too many requests'), 'away'],
  ['that does not know who asks', problem(401, PROBLEMS.signedOut.title), 'signed out'],
  ['that has no such bag', problem(404, PROBLEMS.noSuchBag.title), 'gone'],
  ['that cannot read them', problem(400, 'Bad request'), 'refused'],
  ['to which they are too much at once', problem(413, 'Too large'), 'refused'],
  ['that has too many', problem(422, PROBLEMS.tooManyEvents.title), 'refused'],
  // Somebody else stands where the server was: a page that asks one to sign in to a network, say.
  ['that is another one', answers(200, { hello: 'network' }), 'away'],
  ['that has moved', answers(404, undefined), 'away'],
])('a server %s', async (_, answer, is) => {
  expect(await asked(answer)).toBe(is);
});
