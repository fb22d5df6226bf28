import { test } from '@playwright/test'
import { cleanRooms } from './cleanRooms.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

cleanRooms(
  () => server.url,
  [
    ...['measure', 'shape', 'build-ups', 'foot', 'compare', 'sizes', 'stock'].map(
      (tab) => `/lasts/01930000-0001-7000-8000-000000000003/${tab}`,
    ),
    '/lasts/01930000-0001-7000-8000-000000000001/sole',
    '/lasts/01930000-0001-7000-8000-000000000006/shape',
    '/lasts/new/measures',
    '/lasts/new/traced',
    '/lasts/new/scan',
    '/scanner',
  ],
)
