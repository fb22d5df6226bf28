import { expect, type Locator } from '@playwright/test'

/** Chooses a line of a select by its name, as a person does: opens it and presses the line. */
export async function choose(field: Locator, name: string | RegExp): Promise<void> {
  await field.click()
  const line = field.page().getByRole('option', typeof name === 'string' ? { name, exact: true } : { name })
  // A list that scrolls or is drawn anew just then moves from under the press: it is pressed again, as anybody would.
  await expect(async () => {
    if (await line.first().isVisible()) await line.first().click({ timeout: 3000 })
    await expect(line.first()).toBeHidden({ timeout: 3000 })
  }).toPass({ timeout: 30_000 })
}

/** What a select shows as chosen. */
export const chosen = (field: Locator): Locator => field.locator('xpath=ancestor::*[contains(@class, "n-select")]')

/** Moves a slider to a value: to the place on its rail, and the rest by the arrow keys. */
export async function slideTo(slider: Locator, value: number): Promise<void> {
  const [least, most] = await Promise.all(
    ['aria-valuemin', 'aria-valuemax'].map(async (a) => Number(await slider.getAttribute(a))),
  )
  const now = async () => Number(await slider.getAttribute('aria-valuenow'))
  const rail = slider.locator('xpath=ancestor::*[contains(@class, "n-slider-handles")]')
  await slider.scrollIntoViewIfNeeded()
  const box = await rail.boundingBox()
  if (!box || least === undefined || most === undefined) throw new Error('The slider is not there.')
  const at = ((value - least) / (most - least)) * box.width
  await slider.page().mouse.click(box.x + at, box.y + box.height / 2)
  for (let i = 0; i < 120 && Math.abs((await now()) - value) > 1e-9; i++) {
    await slider.press((await now()) < value ? 'ArrowRight' : 'ArrowLeft')
  }
  await expect(slider).toHaveAttribute('aria-valuenow', String(value))
}

/** Types a length into the field beside its slider: one change, however slow the machine. */
export async function typeLength(slider: Locator, mm: number): Promise<void> {
  const name = `${(await slider.getAttribute('aria-label')) ?? ''}, mm`
  const field = slider.page().getByRole('textbox', { name, exact: true })
  await field.fill(String(mm))
  await field.press('Enter')
  await expect(slider).toHaveAttribute('aria-valuenow', String(mm))
}
