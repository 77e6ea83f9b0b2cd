import { defineConfig } from '@playwright/test';

const chromium = process.env.FENNOT_CHROMIUM ?? '/usr/bin/chromium';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 2,
  fullyParallel: false,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: process.env.FENNOT_E2E_JSON
    ? [['line'], ['json', { outputFile: process.env.FENNOT_E2E_JSON }]]
    : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    trace: 'retain-on-failure',
  },
});
