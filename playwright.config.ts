import { defineConfig } from '@playwright/test';
import { chromium } from './scripts/chromium.mjs';

const port = Number(process.env.KOKYU_TEST_PORT ?? 4310);

export default defineConfig({
  testDir: 'e2e',
  timeout: 90_000,
  expect: { timeout: 10_000 },
  fullyParallel: false,
  workers: 2,
  // Real servers, real sound, two cores: a second try is allowed, and the end of npm test says when one was needed.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  globalSetup: './e2e/support/demo-server.ts',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    actionTimeout: 8_000,
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
