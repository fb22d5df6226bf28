import { describe, expect, it } from 'vitest'
import { coloursOf, overridesOf, paint } from './theme.ts'

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const luminance = (hex: string) => {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const v = parseInt(hex.slice(i, i + 2), 16) / 255
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
}
const contrast = (a: string, b: string) => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (light! + 0.05) / (dark! + 0.05)
}

describe.each(['light', 'dark'] as const)('the house by its %s', (light) => {
  const c = coloursOf(light)
  it.each([
    ['ink', 'ground'],
    ['ink', 'raised'],
    ['soft', 'ground'],
    ['soft', 'raised'],
    ['action', 'raised'],
    ['actionInk', 'action'],
    ['ink', 'actionSoft'],
    ['watch', 'watchSoft'],
    ['ink', 'watchSoft'],
    ['stop', 'raised'],
    ['stop', 'stopSoft'],
    ['chalk', 'slate'],
    ['chalkSoft', 'slate'],
    ['chalk', 'slateDeep'],
  ] as const)('%s can be read on %s', (text, ground) => {
    expect(contrast(c[text], c[ground])).toBeGreaterThanOrEqual(4.5)
  })
  it.each(['ground', 'raised'] as const)('edges of fields are seen on %s', (ground) => {
    expect(contrast(c.edge, c[ground])).toBeGreaterThanOrEqual(3)
  })
  it('paints the same colours for what the library does not draw', () => {
    const root = document.createElement('div')
    paint(root, light)
    expect(root.style.getPropertyValue('--action-soft')).toBe(c.actionSoft)
    expect(root.style.getPropertyValue('--slate-deep')).toBe(c.slateDeep)
    expect(overridesOf(light).common?.primaryColor).toBe(c.action)
  })
})

it('nothing to press is smaller than a finger', () => {
  const { heightSmall, heightMedium, heightLarge } = overridesOf('light').common ?? {}
  expect([heightSmall, heightMedium, heightLarge]).toEqual(['44px', '44px', '44px'])
})
