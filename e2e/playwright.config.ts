import { defineConfig, type Project } from '@playwright/test';
import { CHROMIUM } from '../tools/chromium.mjs';

const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

/** The whole journey runs once more in the other theme and size; the rest once. */
const project = (
  name: string,
  viewport: { width: number; height: number },
  colorScheme: 'light' | 'dark',
  isFirst = false,
): Project => ({
  name,
  use: { viewport, colorScheme },
  ...(!isFirst && { testMatch: /firstSlice\.spec\.ts/ }),
});

export default defineConfig({
  testDir: '.',
  testMatch: /\.spec\.ts/,
  outputDir: '../.data/e2e',
  globalSetup: './globalSetup.ts',
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 15_000 },
  forbidOnly: true,
  // A click that meets a page in motion on a busy machine is tried once more, and shown as flaky.
  retries: 1,
  reporter: [['list'], ['json']],
  use: {
    launchOptions: CHROMIUM,
    screenshot: 'only-on-failure',
    locale: 'en-GB',
    // What a journey keeps from the network is kept from the page, not from a worker that stands in for it.
    serviceWorkers: 'block',
    actionTimeout: 30_000,
  },
  projects: [project('desk-light', desk, 'light', true), project('phone-dark', phone, 'dark')],
});
