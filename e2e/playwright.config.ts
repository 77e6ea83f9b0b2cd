import { defineConfig } from '@playwright/test';

import { ARGUMENTS, CHROMIUM } from './chromium.ts';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 2,
  fullyParallel: true,
  // Two cores that do other work, too, may be slow for minutes: what waits, waits long. What fails three times is broken.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  retries: 2,
  reporter: process.env.FENNOT_E2E_JSON
    ? [['line'], ['json', { outputFile: process.env.FENNOT_E2E_JSON }]]
    : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [...ARGUMENTS],
    },
    trace: 'retain-on-failure',
  },
});
