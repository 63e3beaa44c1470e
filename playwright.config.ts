import { defineConfig } from '@playwright/test';
import { bundleCore } from './e2e/support/core';
import { chromium } from './scripts/chromium.mjs';

const port = Number(process.env.KOKYU_TEST_PORT ?? 4310);

// Once for the run: its workers read this file too.
if (!process.env.TEST_WORKER_INDEX) bundleCore();

export default defineConfig({
  tsconfig: './e2e/tsconfig.json',
  testDir: 'e2e',
  // A machine that is busy elsewhere is slow, not wrong: what comes late is waited for, and nothing is tried twice.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  fullyParallel: false,
  workers: 2,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  globalSetup: './e2e/support/demo-server.ts',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    actionTimeout: 30_000,
    trace: 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: chromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        '--autoplay-policy=no-user-gesture-required',
      ],
    },
  },
});
