/**
 * 128 bits that stand for a text: equal texts have equal keys, and different ones, of however many, different keys but
 * for one chance in 10^30. Four lanes of multiply and xor, mixed at the end (after MurmurHash3, Appleby). Not against
 * anyone who wants two texts to meet: only to find again what was worked out from the very same document.
 */
export function contentKey(text: string): string {
  let [a, b, c, d] = [1779033703, 3144134277, 1013904242, 2773480762]
  for (let i = 0; i < text.length; i++) {
    const k = text.charCodeAt(i)
    a = b ^ Math.imul(a ^ k, 597399067)
    b = c ^ Math.imul(b ^ k, 2869860233)
    c = d ^ Math.imul(c ^ k, 951274213)
    d = a ^ Math.imul(d ^ k, 2716044179)
  }
  a = Math.imul(c ^ (a >>> 18), 597399067)
  b = Math.imul(d ^ (b >>> 22), 2869860233)
  c = Math.imul(a ^ (c >>> 17), 951274213)
  d = Math.imul(b ^ (d >>> 19), 2716044179)
  const mixed = [a ^ b ^ c ^ d, b ^ a, c ^ a, d ^ a]
  return mixed.map((v) => (v >>> 0).toString(16).padStart(8, '0')).join('') + text.length.toString(36)
}
