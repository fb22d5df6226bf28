import { expect, it } from 'vitest'
import { isPieceRecord, partOfMade, recordOfPiece } from './recordName.ts'

it('tells what is recorded of a piece of the upper from what is recorded of a part, on either foot', () => {
  expect(isPieceRecord(recordOfPiece('vamp'))).toBe(true)
  expect(isPieceRecord('insole')).toBe(false)
  for (const record of [recordOfPiece('quarter.left'), 'sideLining.lateral', 'insole']) {
    expect(partOfMade(record)).toBe(record)
    for (const foot of ['left', 'right']) expect(partOfMade(`${foot}.${record}`)).toBe(record)
  }
})
