import { defineConfig } from '@playwright/test'
import { launch } from './browser.ts'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './demoWorkshop.ts',
  timeout: 120_000,
  // A machine with two cores plans, draws and serves for two tests at once.
  expect: { timeout: 30_000 },
  // One spec file each; every file starts a server and a database of its own.
  workers: 2,
  retries: 0,
  forbidOnly: true,
  reporter: [['list']],
  outputDir: '../test-results',
  use: { viewport: { width: 1280, height: 800 }, launchOptions: launch, acceptDownloads: true },
})
