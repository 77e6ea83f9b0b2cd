import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    testTimeout: 30_000,
    // Every core: on a small machine the default leaves half of it idle.
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts'],
          // Plain functions over plain data: the files of tests may share what they load, which is most of their time.
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'around it',
          include: [
            'server/src/**/*.test.ts',
            'web/src/**/*.test.{ts,tsx}',
            'command/**/*.test.ts',
            'drill/**/*.test.ts',
          ],
        },
      },
    ],
  },
});
