import { expect, test } from '@playwright/test'
import { cleanRooms } from './cleanRooms.ts'
import { startServer, type RunningServer } from './server.ts'
import { slideTo } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const derby = '/pairs/01930000-0003-7000-8000-000000000001'
/** The work on a pair. */
const bench = `${derby}/work`
const rooms = [
  '/today',
  '/calendar',
  '/pairs',
  '/pairs/new',
  '/liners',
  `${derby}/decisions`,
  `${derby}/last`,
  `${derby}/upper`,
  `${derby}/parts`,
  `${derby}/parts/layers`,
  `${derby}/parts/bottom`,
  `${derby}/parts/insole`,
  `${derby}/parts/puff`,
  '/pairs/01930000-0003-7000-8000-000000000003/parts/padding',
  '/pairs/01930000-0003-7000-8000-000000000005/parts/feet',
  `${derby}/edges`,
  `${derby}/edges/skiving`,
  `${derby}/edges/tab.lateral`,
  `${derby}/stitching`,
  `${derby}/stitching/back`,
  `${derby}/cutting`,
  `${derby}/lasting`,
  `${bench}/graph`,
  `${bench}/ways`,
  `${bench}/how-to`,
  `${bench}/sew-welt.right`,
  `${bench}/last-toe.left`,
  `${derby}/cutting/Tar-brown%20calf`,
  `${derby}/work`,
  `${derby}/checks`,
  '/pairs/01930000-0003-7000-8000-000000000004/checks/ask',
  '/pairs/01930000-0003-7000-8000-000000000004/checks/back',
  '/pairs/01930000-0003-7000-8000-000000000004/checks/lessons',
  '/learned',
  '/learned/minutes',
  '/learned/waits',
  '/learned/wear',
  '/lasts',
  '/stores',
  '/table',
  '/gauge',
  '/stores/hides',
  '/stores/hides/new',
  '/stores/hides/01930000-0006-7000-8000-000000000001',
  '/rules',
  '/backups',
  '/nowhere',
]

cleanRooms(() => server.url, rooms)

test('the whole job goes by keyboard', async ({ page }) => {
  await page.goto(`${server.url}${derby}/parts/puff`)
  const slider = page.getByRole('slider', { name: 'Back edge behind the toe tip, by tape over the toe box' })
  await slider.focus()
  await page.keyboard.press('ArrowRight')
  await expect(slider).toHaveAttribute('aria-valuenow', '59.5')
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('save-state')).toHaveText('revision 1')
  await page.locator('.slate-surface').focus()
  const view = () => page.locator('.slate-surface svg > g').first().getAttribute('transform')
  const still = await view()
  await page.keyboard.press('ArrowLeft')
  expect(await view()).not.toBe(still)
  await page.keyboard.press('0')
  expect(await view()).toBe(still)
  await page.keyboard.press('[')
  await expect(page).toHaveURL(/\/upper$/)
  await page.keyboard.press('p')
  await expect(page.getByRole('dialog', { name: /Print/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden()
  await page.keyboard.press('/')
  await expect(page).toHaveURL(/\/pairs$/)
})

test('true size is what the person measured on the screen', async ({ page }) => {
  await page.goto(`${server.url}${derby}/parts/insole`)
  await page.getByRole('button', { name: '1:1' }).click()
  await slideTo(page.getByRole('slider', { name: 'Length of the bar' }), 420)
  await page.getByRole('button', { name: 'It is 100 mm' }).click()
  await expect(page.locator('.ratio')).toHaveText('1.00 : 1')
  const line = page.locator('.dimension').first()
  const length = await line.evaluate((l) => Number(l.getAttribute('x2')) - Number(l.getAttribute('x1')))
  expect(length / 4.2).toBeCloseTo(289.9, 0)
})
