import { defineConfig } from '@playwright/test';

/** The built app in the system's Chromium; each test has a server and a data folder of its own (fixtures.ts). */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results/browser',
  workers: 2,
  // A machine that others use: what passes at the second try is listed as flaky, and counts as passed.
  retries: 1,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
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
  },
});
