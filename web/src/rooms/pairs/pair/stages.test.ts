import { planPair, type Plan } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../../../core/test/samplePair.ts'
import { said, stageAt, stageFlags, stages, worstOf } from './stages.ts'
import { keptCache } from '../../../../../core/test/keptCache.ts'

const plan = (change: Parameters<typeof samplePair>[0]): Plan => planPair(samplePair(change), keptCache())

describe('flags of the stages', () => {
  it('name the shoe, the part and the reason of everything that is not fine, on both shoes', () => {
    const both = plan({ left: { figures: { 'puff.length': 85 } } })
    const flags = stageFlags(both, 'parts')
    const puff = flags.find((f) => f.part === 'Toe puff')
    expect(puff).toMatchObject({ foot: 'left', level: 'stop' })
    expect(puff && said(puff)).toMatch(/^Left shoe, Toe puff: .*crease line/)
    expect(flags.some((f) => f.foot === 'right' && f.part === 'Toe puff')).toBe(false)
    expect(flags[0]!.level).toBe('stop')
    expect(flags.every((f) => f.reason !== '')).toBe(true)
  })
  it('name no shoe where both are mirrors, and are as grave as their findings', () => {
    const one = plan({ puff: { length: 85 } })
    const [first] = stageFlags(one, 'parts')
    expect(said(first!)).toMatch(/^Toe puff: /)
    for (const { path } of stages) {
      const levels = stageFlags(one, path).map((f) => f.level)
      expect(levels.every((l) => l !== 'fine')).toBe(true)
      if (path === 'upper') expect(worstOf(levels)).toBe(one.upper.worst)
    }
  })
})

describe('the stage of an address', () => {
  it('is what stands behind the pair, not what a seam or a part is called', () => {
    const name = (path: string) => stages[stageAt(path)]?.path
    expect(name('/pairs/0193/upper')).toBe('upper')
    expect(name('/pairs/0193/edges/upper.top line.lateral')).toBe('edges')
    expect(name('/pairs/0193/stitching/last')).toBe('stitching')
    expect(name('/pairs/0193')).toBeUndefined()
  })
})
