import { spawnSync } from 'node:child_process';
import { defineConfig } from 'vitest/config';

const tree = spawnSync('git', ['rev-parse', 'HEAD^{tree}'], { encoding: 'utf8' });

export default defineConfig({
  test: {
    include: [
      'core/src/**/*.test.ts',
      'server/src/**/*.test.ts',
      'web/src/**/*.test.{ts,tsx}',
      'command/**/*.test.ts',
      'drill/**/*.test.ts',
    ],
    setupFiles: ['./vitest.setup.ts'],
    env: { FENNOT_SEED: process.env.FENNOT_SEED ?? (tree.stdout?.trim() || 'none') },
    testTimeout: 120_000,
    // Every core: on a small machine the default leaves half of it idle.
    maxWorkers: '100%',
  },
});
