import { expect, test } from 'vitest';
import { drilled, sound } from './report.ts';

/** What can be tried in the suite: the rest takes longer, and is tried by `npm run drill` as this is, many times over. */
const SHORT = /server killed|database killed|stopped while|stale number/;

test('what breaks comes back, and nothing is lost', { timeout: 240_000 }, async () => {
  const rows = await drilled(1, { only: SHORT });
  expect(rows).toHaveLength(4);
  for (const row of rows) expect(row, JSON.stringify(row)).toSatisfy(sound);
  // The windows did save while all that happened.
  expect(rows.reduce((sum, { acknowledged }) => sum + acknowledged, 0)).toBeGreaterThan(10);
});
