import { defineConfig } from '@playwright/test';

/** The built app in the system's Chromium; each test has a server on a data folder of its own (shop-server.ts). */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results/browser',
  workers: 2,
  fullyParallel: true,
  // What passes only at the second try is listed, and fails the run: the second try shows that it is one of these.
  retries: 1,
  failOnFlakyTests: true,
  // Nothing here is timed: a machine that others use may be four times as slow as it was a minute ago.
  timeout: 240_000,
  expect: { timeout: 40_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
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
