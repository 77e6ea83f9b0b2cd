import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: [
      'core/src/**/*.test.ts',
      'server/src/**/*.test.ts',
      'web/src/**/*.test.{ts,tsx}',
      'command/**/*.test.ts',
      'drill/**/*.test.ts',
    ],
    testTimeout: 120_000,
    // Every core: on a small machine the default leaves half of it idle.
    maxWorkers: '100%',
  },
});
