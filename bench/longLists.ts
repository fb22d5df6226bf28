import type { Page } from '@playwright/test'
import { summary, type Result } from './measure.ts'

const LASTS = 300
const MATERIALS = 500
const RUNS = 5

async function send(url: string, body: unknown): Promise<void> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${url}: ${answer.status} ${await answer.text()}`)
}

/** Fills the shelf and the stores, and times how soon each stands and how soon a word that is typed is found, ms. */
export async function longLists(page: Page, url: string, say: (r: Result) => void): Promise<void> {
  const api = `${url}/api/v1`
  const rows = async (name: string) => (await (await fetch(`${api}/${name}`)).json()) as Record<string, unknown>[]
  const [lasts, materials] = [await rows('lasts'), await rows('materials')]
  const plain = lasts.find((l) => (l.shape as { kind: string }).kind === 'measures')!
  for (let i = lasts.length; i < LASTS; i++) {
    await send(`${api}/lasts`, { name: `Bollard ${i}`, note: '', shape: plain.shape })
  }
  for (let i = materials.length; i < MATERIALS; i++) {
    const { kind, thickness } = materials[i % materials.length]!
    await send(`${api}/materials`, { name: `Hide ${i}`, kind, thickness, note: `Bin ${i % 40}.` })
  }
  for (const { path, what, row, word } of [
    { path: '/lasts', what: `shelf of ${LASTS} lasts`, row: '.cards > li', word: 'Bollard 271' },
    { path: '/stores', what: `stores of ${MATERIALS} materials`, row: 'tbody tr', word: 'Hide 444' },
  ]) {
    const [stands, found]: [number[], number[]] = [[], []]
    for (let i = 0; i < RUNS; i++) {
      const began = performance.now()
      await page.goto(`${url}${path}`)
      await page.locator(row).first().waitFor()
      stands.push(performance.now() - began)
      await page.waitForLoadState('networkidle')
      found.push(
        await page.evaluate(
          async ([rows, wanted]) => {
            const field = document.querySelector<HTMLInputElement>('input[type="search"]')
            if (!field) throw new Error('There is nothing to search with.')
            const start = performance.now()
            field.value = wanted!
            field.dispatchEvent(new Event('input', { bubbles: true }))
            while (true) {
              const [first, second] = [...document.querySelectorAll(rows!)]
              if (first && !second && first.textContent.includes(wanted!)) break
              await new Promise((r) => setTimeout(r, 1))
            }
            return performance.now() - start
          },
          [row, word],
        ),
      )
    }
    say(summary(`${what}, first one`, stands, 'ms', 'from navigation, in Chromium'))
    say(summary(`${what}, one found`, found, 'ms', 'from the last letter to one row'))
  }
}
