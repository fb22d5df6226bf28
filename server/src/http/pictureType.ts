/** What kind of picture these bytes are, by how they begin; null for anything else. */
export function pictureType(bytes: Buffer): 'image/jpeg' | 'image/png' | 'image/webp' | null {
  const starts = (at: number, ...these: number[]) => these.every((b, i) => bytes[at + i] === b)
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg'
  if (starts(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png'
  if (starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50)) return 'image/webp'
  return null
}
