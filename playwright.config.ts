import { defineConfig } from '@playwright/test';
import { browser } from './scripts/browser.mjs';

export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  retries: 0,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    // Only the tests of it let the program be kept in the browser: what is kept there no test could hold back.
    serviceWorkers: 'block',
    // A still picture leaves the processor to the test; those about motion ask for it.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: browser.launch,
  },
});
