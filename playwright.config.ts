import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { defineConfig } from '@playwright/test';
import { serverArgs } from './scripts/lib/serve.mjs';

const port = Number(process.env.E2E_PORT ?? 4187);
// The configuration is read once by the runner and once by each worker; they share one folder.
process.env.E2E_DATA ??= fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-e2e-'));

export default defineConfig({
  testDir: './tests/e2e',
  testMatch: '*.spec.ts',
  // A busy machine is slow, not wrong.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/report.json' }],
  ],
  globalTeardown: './tests/e2e/teardown.ts',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
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
  webServer: {
    command: ['node', ...serverArgs({ port, lan: '127.0.0.2' })].join(' '),
    url: `http://127.0.0.1:${port}/api/shows`,
    env: { NODE_ENV: 'production', RAPID_LANTERN_DATA: process.env.E2E_DATA, NEXT_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: false,
    timeout: 120_000,
  },
});
