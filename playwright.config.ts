import { defineConfig } from '@playwright/test';

/** Browser tests on Debian's Chromium. The servers are started by scripts/test.mjs, which says where they are. */
export default defineConfig({
  testDir: 'e2e',
  timeout: 120_000,
  // Machines that prove it are busy at times: what takes long there is not wrong.
  expect: { timeout: 30_000 },
  workers: 1,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    baseURL: process.env.APP_URL,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    // What is kept of a failure is what the page said; a trace of every step costs a third of the time.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--enable-unsafe-swiftshader',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
