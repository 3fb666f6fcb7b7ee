import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/Browser',
  outputDir: 'var/run/browser',
  timeout: 120_000,
  workers: 1,
  reporter: [['line'], ['junit']],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium' },
    screenshot: 'only-on-failure',
  },
})
