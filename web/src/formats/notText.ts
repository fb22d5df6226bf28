/** What files that are no text begin with. */
const SIGNATURES: readonly [name: string, bytes: readonly number[]][] = [
  ['a PNG picture', [0x89, 0x50, 0x4e, 0x47]],
  ['a JPEG picture', [0xff, 0xd8, 0xff]],
  ['a GIF picture', [0x47, 0x49, 0x46, 0x38]],
  ['a WebP or other RIFF file', [0x52, 0x49, 0x46, 0x46]],
  ['a TIFF picture', [0x49, 0x49, 0x2a, 0x00]],
  ['a TIFF picture', [0x4d, 0x4d, 0x00, 0x2a]],
  ['a BMP picture', [0x42, 0x4d]],
  ['a PDF', [0x25, 0x50, 0x44, 0x46]],
  ['a packed file', [0x50, 0x4b, 0x03, 0x04]],
  ['a packed file', [0x1f, 0x8b]],
]
/** So much of a file is looked at, bytes. */
export const LOOK_AT = 4096

/** What a file is that is no text, by how it begins; null when it may be one. A text holds no zero byte. */
export function notText(head: Uint8Array): string | null {
  const known = SIGNATURES.find(([, bytes]) => bytes.every((b, i) => head[i] === b))
  // BM may begin a text too: only with zero bytes behind it is it a picture.
  if (known && (known[1].length > 2 || head.includes(0))) return known[0]
  return head.includes(0) ? 'no text' : null
}
