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
  // How soon something is done, tests say themselves; these only end what never comes, also on a machine that others use.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  fullyParallel: false,
  // Two files at a time, and then one at a time those that say how soon something is done or fill both processors.
  workers: 2,
  projects: [
    { name: 'pages', testIgnore: /\/(board|large|line|queue)\.spec/ },
    { name: 'measured', testMatch: /\/(board|large|line|queue)\.spec/, dependencies: ['pages'], workers: 1 },
  ],
  retries: 0,
  reporter: process.env.CI ? 'list' : 'line',
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    launchOptions: { executablePath: '/usr/bin/chromium-headless-shell', args: quiet },
  },
})
