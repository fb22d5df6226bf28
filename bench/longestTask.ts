import type { Locator, Page } from '@playwright/test'
import { summary, type Result } from './measure.ts'

/** Places of a drag, and how far it goes to either side, pixels. */
const STEPS = 90
const FAR = 40
/** One place after the other, as a hand moves, ms. */
const EVERY = 30

/**
 * The longest tasks of the page's own thread while a thing is dragged to and fro for some seconds, as the browser's
 * long-task observer tells them (it names what takes 50 ms and more; none is 0).
 */
export async function longestTask(page: Page, thing: Locator, name: string): Promise<Result> {
  const box = await thing.boundingBox()
  if (!box) throw new Error(`There is no ${name} to drag.`)
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.evaluate(() => {
    const seen: number[] = []
    Object.assign(window, { longTasks: seen })
    new PerformanceObserver((list) => list.getEntries().forEach((e) => seen.push(e.duration))).observe({
      type: 'longtask',
    })
  })
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= STEPS; i++) {
    await page.mouse.move(x + FAR * Math.sin((i / STEPS) * 4 * Math.PI), y)
    await page.waitForTimeout(EVERY)
  }
  await page.mouse.up()
  await page.waitForTimeout(500)
  const tasks = await page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks)
  return summary(
    `longest task while a ${name} is dragged`,
    [Math.max(0, ...tasks)],
    'ms',
    `${tasks.length} tasks of 50 ms and more in ${((STEPS * EVERY) / 1000).toFixed(1)} s`,
  )
}
