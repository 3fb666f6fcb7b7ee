import { defineConfig } from '@playwright/test'
import { baseURL } from './tests/Browser/baseURL'

export default defineConfig({
  testDir: 'tests/Browser',
  outputDir: 'var/run/browser',
  // The longest are whole jobs, and a machine busy with other work may take ten times as long as a quiet one.
  timeout: 600_000,
  // A shared machine may take its time; what is expected comes or it does not.
  expect: { timeout: 30_000 },
  retries: process.env.CI ? 1 : 0,
  // Each worker has an application of its own, with its own database: what one does, the other does not see. A file is one worker's.
  workers: Number(process.env.BROWSER_WORKERS ?? 1),
  reporter: [['line'], ['junit']],
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    // Chromium without a window to draw: the same engine, a fifth quicker to finish the whole set.
    launchOptions: { executablePath: '/usr/bin/chromium-headless-shell' },
    actionTimeout: 90_000,
    screenshot: 'only-on-failure',
  },
})
