import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'

/** Tests, by day and on a tablet in the evening, that no room hides anything from a screen reader or runs off the screen. */
export function cleanRooms(url: () => string, rooms: readonly string[]): void {
  for (const [theme, width, height] of [
    ['light', 1280, 800],
    ['dark', 820, 1180],
  ] as const) {
    test(`every room is clean for screen readers and eyes, ${theme}, ${width} wide, and fits across`, async ({
      page,
    }) => {
      test.slow()
      await page.setViewportSize({ width, height })
      await page.addInitScript((t) => localStorage.setItem('gentle-awl.theme', t), theme)
      for (const path of rooms) {
        await page.goto(url() + path)
        // Whatever says that it is still at work must be gone.
        await page.waitForFunction(
          () => !/(Fetching|Planning|Building|Fitting|Grading|Comparing)/.test(document.body.innerText),
        )
        await page.waitForTimeout(300)
        const { violations } = await new AxeBuilder({ page }).analyze()
        expect(
          violations.map(
            (v) =>
              `${path}: ${v.id} at ${v.nodes
                .map((n) => n.target.join(' '))
                .slice(0, 4)
                .join(', ')}`,
          ),
        ).toEqual([])
        const over = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        )
        expect(over, `${path} is wider than the screen`).toBeLessThanOrEqual(0)
      }
    })
  }
}
