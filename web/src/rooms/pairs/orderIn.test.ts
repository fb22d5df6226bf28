import { describe, expect, it } from 'vitest'
import { orderIn, withOrder } from './orderIn.ts'

const file = (order: unknown) => JSON.stringify({ format: 'x', label: { order, name: 'Derby' }, log: [1, 2] })

describe('the order number of a pair file', () => {
  it.each([
    [file('1041'), '1041'],
    [file(7), null],
    ['{"label": null}', null],
    ['[]', null],
    ['null', null],
    ['{"label": {"order": "10', null],
    ['', null],
  ])('%s bears %s', (text, order) => expect(orderIn(text)).toBe(order))

  it('is changed without touching anything else', () => {
    expect(JSON.parse(withOrder(file('1041'), ' 1050 '))).toEqual(JSON.parse(file('1050')))
    // Nothing to change: the very text, byte for byte.
    const spaced = `  ${file('1041')}  `
    expect(withOrder(spaced, '1041')).toBe(spaced)
    expect(withOrder('no file', '1')).toBe('no file')
  })
})
