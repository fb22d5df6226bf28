import { FootMeasures, lastForFoot, RuleBook } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { START } from '../shape/figures.ts'
import { otherFigures } from './otherFigures.ts'

const book = new RuleBook({}, {})
const figures = (foot: Partial<FootMeasures>) => lastForFoot(FootMeasures.parse(foot), START, book).figures

describe('figures that follow from another foot', () => {
  it('leave nothing of the one before: fields go over as if it had never been chosen', () => {
    const first = figures({ length: 270, jointGirth: 250, heelGirth: 330 })
    const second = figures({ length: 262, jointGirth: 240 })
    const fields = { ...START, ...otherFigures({}, first, START) }
    expect(fields.heelGirth).toBe(334)
    expect({ ...fields, ...otherFigures(first, second, START) }).toEqual({ ...START, ...second })
    expect({ ...fields, ...otherFigures(first, {}, START) }).toEqual(START)
  })
  it('write over nothing that was set by hand, where they are the same as before', () => {
    const first = figures({ length: 270, jointGirth: 250 })
    const more = figures({ length: 270, jointGirth: 250, instepGirth: 256 })
    const changed = otherFigures(first, more, START)
    expect(changed).toMatchObject({ instepGirth: 254 })
    expect(changed).not.toHaveProperty('length')
    expect(changed).not.toHaveProperty('jointGirth')
    expect(otherFigures(more, more, START)).toEqual({})
  })
})
