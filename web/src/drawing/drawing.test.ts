import { mount } from '@vue/test-utils'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import PairPicture from './PairPicture.vue'
import { pathData } from './svgPath.ts'
import { ticks } from './ticks.ts'
import { useSlate, type World } from './useSlate.ts'

describe('ruler lines', () => {
  it('stand at whole steps, the written ones never closer than 46 px, in both units', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -400, max: 400, noNaN: true }),
        fc.double({ min: 0.3, max: 40, noNaN: true }),
        fc.constantFrom('mm' as const, 'inch' as const),
        (from, scale, unit) => {
          const list = ticks(from, from + 900 / scale, scale, unit)
          const size = unit === 'mm' ? 1 : 25.4 / 16
          for (const t of list) expect(Math.abs(t.at / size - Math.round(t.at / size))).toBeLessThan(1e-6)
          const written = list.filter((t) => t.label !== null)
          for (let i = 1; i < written.length; i++) {
            expect((written[i]!.at - written[i - 1]!.at) * scale).toBeGreaterThanOrEqual(46 - 1e-6)
          }
          if (unit === 'mm') for (const t of written) expect(Number(t.label)).toBeCloseTo(t.at, 6)
        },
      ),
    )
  })
})

describe('pan and zoom', () => {
  const world: World = { minX: -10, minY: -50, maxX: 300, maxY: 60 }
  const insets = { left: 44, right: 8, top: 30, bottom: 66 }
  const table = async () => {
    const view = useSlate(ref(world), insets)
    view.width.value = 800
    view.height.value = 600
    await nextTick()
    return view
  }

  it('shows the whole drawing clear of rulers and tools', async () => {
    const v = await table()
    expect(v.x(world.minX)).toBeGreaterThanOrEqual(insets.left - 0.001)
    expect(v.x(world.maxX)).toBeLessThanOrEqual(800 - insets.right + 0.001)
    expect(v.y(world.maxY)).toBeGreaterThanOrEqual(insets.top - 0.001)
    expect(v.y(world.minY)).toBeLessThanOrEqual(600 - insets.bottom + 0.001)
    expect(v.moved.value).toBe(false)
  })
  it('zooming keeps the point under the finger where it is', async () => {
    const v = await table()
    for (const [by, px, py] of [
      [2, 100, 80],
      [0.5, 700, 500],
      [1.3, 400, 300],
    ]) {
      const mm = [(px! - v.x(0)) / v.scale.value, (v.y(0) - py!) / v.scale.value]
      v.zoom(by!, px, py)
      expect(v.x(mm[0]!)).toBeCloseTo(px!, 6)
      expect(v.y(mm[1]!)).toBeCloseTo(py!, 6)
    }
  })
  it('panning moves everything by the same pixels; a new drawing does not undo it', async () => {
    const v = await table()
    const [x, y] = [v.x(20), v.y(20)]
    v.pan(37, -12)
    expect(v.x(20) - x).toBeCloseTo(37, 9)
    expect(v.y(20) - y).toBeCloseTo(-12, 9)
    v.width.value = 900
    await nextTick()
    expect(v.moved.value).toBe(true)
    v.fit()
    expect(v.moved.value).toBe(false)
  })
  it('true size is exactly the pixels per millimetre asked for', async () => {
    const v = await table()
    v.setScale(4.2)
    expect(v.x(100) - v.x(0)).toBeCloseTo(420, 6)
  })
  it('the transform of the drawing and the rulers agree', async () => {
    const v = await table()
    v.zoom(1.7, 222, 111)
    const [, tx, ty, s] =
      /translate\(([-\d.e]+) ([-\d.e]+)\) scale\(([-\d.e]+)\)/.exec(v.transform.value)?.map(Number) ?? []
    expect(tx! + s! * 50).toBeCloseTo(v.x(50), 6)
    expect(ty! - s! * 30).toBeCloseTo(v.y(30), 6)
  })
})

it('path data point down as SVG does, to a hundredth of a millimetre', () => {
  expect(
    pathData(
      [
        [0, 0],
        [10.005, 2.5],
        [3, -4],
      ],
      true,
    ),
  ).toBe('M0 0L10.01 -2.5L3 4Z')
  expect(
    pathData(
      [
        [0, 0],
        [1, 1],
      ],
      false,
    ),
  ).toBe('M0 0L1 -1')
})

describe('the picture of a pair', () => {
  it('draws bodies closed and lines open, the first beneath, and leaves nothing out', () => {
    const body = (x: number, kind: 'upper' | 'sole') => ({
      kind,
      path: [
        [x, 5],
        [x + 200, 5],
        [x + 100, 90],
      ] as [number, number][],
    })
    const line = { kind: 'line' as const, path: [[20, 6], [60, 120]] as [number, number][] } // prettier-ignore
    const w = mount(PairPicture, { props: { label: 'Deck shoe', shapes: [body(0, 'upper'), line, body(40, 'sole')] } })
    expect(w.attributes('aria-label')).toBe('Deck shoe')
    expect(w.findAll('path').map((p) => [p.classes()[0], p.attributes('d')?.endsWith('Z')])).toEqual([
      ['upper', true],
      ['line', false],
      ['sole', true],
    ])
    const [x, y, width, height] = w.attributes('viewBox')!.split(' ').map(Number)
    expect(x!).toBeLessThan(0)
    expect(x! + width!).toBeGreaterThan(240)
    expect(-y!).toBeGreaterThan(120)
    // Down to the ground, on which it stands.
    expect(-(y! + height!)).toBeLessThan(0)
  })
})
