import { defineConfig } from '@playwright/test'

const quiet = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  // One at a time: some of the tests say how soon others see a change, and two processors are soon full.
  workers: 1,
  fullyParallel: false,
  retries: 0,
  reporter: process.env.CI ? 'list' : 'line',
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    launchOptions: { executablePath: '/usr/bin/chromium', args: quiet },
  },
})
