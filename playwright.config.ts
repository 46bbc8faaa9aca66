import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: './tests/e2e',
  testMatch: '*.spec.ts',
  // A busy machine is slow, not wrong.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 2,
  // Tests that are tagged so are run before something is said to be done (npm run verify:full), the others each time.
  ...(process.env.ALL_RUNS === '1' ? {} : { grepInvert: /@full/ }),
  forbidOnly: Boolean(process.env.CI),
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/report.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // Nothing is waited for that only moves; a test of what moves says so itself.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--headless',
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
