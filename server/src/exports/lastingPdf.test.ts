import { boxOf, distance, planPair } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../../core/test/keptCache.ts'
import { measurePdf } from '../../../e2e/measurePdf.ts'
import { demoFile } from '../../test/demoFile.ts'
import { demoPairs } from '../demo/workshop.ts'
import { lastingPdf } from './lastingPdf.ts'

const cache = keptCache()
const file = demoFile(demoPairs[2]!)
const plan = planPair(file, cache)
const sheets = async (paper: 'a4' | 'a3') =>
  (await measurePdf(new Uint8Array(await lastingPdf(file, plan, paper)))).map((s) => s.text)

describe('the tack plan on paper', () => {
  it('has a sheet for everything that is turned under, for each shoe, with every tack by its number', async () => {
    const pages = await sheets('a3')
    expect(pages).toHaveLength(2 * plan.lasting.strips.length)
    const names = pages.map((p) => /(Lining|Stiffener|Toe puff|Upper), (right|left) shoe/.exec(p)?.slice(1).join(' '))
    // The stiffener reaches under too little to be tacked.
    expect(names.slice(0, 3)).toEqual(['Lining right', 'Toe puff right', 'Upper right'])
    expect(names.slice(3)).toEqual(['Lining left', 'Toe puff left', 'Upper left'])
    const upper = plan.lasting.strips.find((s) => s.id === 'upper')!
    const numbers = new Set(pages[2]!.split(/\s+/))
    for (const { number } of upper.tacks) expect(numbers.has(String(number)), `tack ${number}`).toBe(true)
    expect(pages[2]).toContain(`${upper.tacks.length} tacks, `)
  })
  it('is at true size: the feather line as long as the insole, tacks where they are planned', async () => {
    const pages = await measurePdf(new Uint8Array(await lastingPdf(file, plan, 'a3')))
    const insole = plan.parts.find((p) => p.id === 'insole')!.outline
    const box = boxOf(insole)
    const feather = pages[2]!.lines.reduce((a, b) => (b.height > a.height ? b : a))
    expect(feather.height).toBeCloseTo(box.maxX - box.minX, 1)
    expect(feather.width).toBeCloseTo(box.maxY - box.minY, 1)
    // Straight lines from the feather line to its tacks.
    const { tacks } = plan.lasting.strips.find((s) => s.id === 'upper')!
    const runs = pages[2]!.lines.filter((l) => l.points.length === 2 && Math.hypot(l.width, l.height) < 12)
    const far = (t: (typeof tacks)[number]) => distance(t.on, t.at)
    const planned = tacks.map(far).sort((a, b) => a - b)
    const drawn = runs.map((l) => Math.hypot(l.width, l.height)).sort((a, b) => a - b)
    for (const d of planned) expect(drawn.some((x) => Math.abs(x - d) < 0.05)).toBe(true)
  })
  it('is in two halves on small paper, with all tacks in one or the other', async () => {
    const [page] = (await sheets('a4')).slice(2)
    expect(page).toContain('Both halves meet at the dashed line.')
    expect((await sheets('a3'))[2]).not.toContain('Both halves')
  })
})
