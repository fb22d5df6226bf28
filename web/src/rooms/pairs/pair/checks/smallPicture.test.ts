import { expect, it } from 'vitest'
import { keptSize } from './smallPicture.ts'

it('a photograph is kept no larger than it is, and in proportion', () => {
  expect(keptSize(4000, 3000)).toEqual({ width: 1600, height: 1200 })
  expect(keptSize(3000, 4000)).toEqual({ width: 1200, height: 1600 })
  expect(keptSize(800, 600)).toEqual({ width: 800, height: 600 })
  expect(keptSize(9000, 1)).toEqual({ width: 1600, height: 1 })
})
