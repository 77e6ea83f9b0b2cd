import { describe, expect, test } from 'vitest';
import { drilled, sound } from './report.ts';

// Processes that are really started, killed and stopped: once each here, many times by `npm run drill`.
describe('what breaks comes back, and nothing is lost', () => {
  test.each([
    'server killed',
    'database killed',
    'stopped while',
    'three starts',
    'stale number',
    'not whole',
  ])('%s', { timeout: 120_000 }, async (fault) => {
    const [row, ...others] = await drilled(1, { only: new RegExp(fault) });
    if (!row) throw new Error('there is no such fault');
    expect(others).toEqual([]);
    expect(row, JSON.stringify(row)).toSatisfy(sound);
  });
});
