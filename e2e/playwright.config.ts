import { defineConfig } from '@playwright/test'
import { launch } from './browser.ts'

/** A test leaves a page before the slowest and best of the compilers has paid for itself; what is measured has all of them. */
const quick = { ...launch, args: [...launch.args, '--js-flags=--no-turbofan'] }

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
  use: { viewport: { width: 1280, height: 800 }, launchOptions: quick, acceptDownloads: true },
})
