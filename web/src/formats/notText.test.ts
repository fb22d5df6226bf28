import { describe, expect, it } from 'vitest'
import { notText } from './notText.ts'

const bytes = (text: string) => new TextEncoder().encode(text)

describe('a file that is no drawing', () => {
  it('is known by how it begins, whatever it is called', () => {
    expect(notText(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]))).toBe(
      'a PNG picture',
    )
    expect(notText(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 16]))).toBe('a JPEG picture')
    expect(notText(bytes('%PDF-1.7'))).toBe('a PDF')
    expect(notText(Uint8Array.from([1, 2, 0, 4]))).toBe('no text')
  })
  it('may be one where it is text', () => {
    for (const text of [
      '<svg xmlns="http://www.w3.org/2000/svg"/>',
      '0\nSECTION\n2\nENTITIES',
      '1,5 2\n3 4',
      'BM is a name',
      '',
    ]) {
      expect(notText(bytes(text))).toBeNull()
    }
  })
})
