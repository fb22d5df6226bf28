import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { theme } from '../app/settings.ts'
import { coloursOf } from '../app/theme.ts'
import { chartRows, layoutOf, traces } from './chartLook.ts'
import GraphChart from './GraphChart.vue'
import HouseChart from './HouseChart.vue'

type Press = (event: { points: { customdata?: unknown }[] }) => void
const presses: Press[] = []
const plotly = vi.hoisted(() => ({ react: vi.fn(), purge: vi.fn() }))
plotly.react.mockImplementation((place: HTMLElement) => {
  Object.assign(place, { on: (_: string, told: Press) => presses.push(told) })
})
vi.mock('plotly.js-cartesian-dist-min', () => ({ default: plotly }))
const seen = ref(true)
vi.mock('@vueuse/core', async (original) => ({ ...(await original<object>()), useElementVisibility: () => seen }))

const slope = { name: 'Slope', x: [0, 10, 20], y: [0, 5, 20] }
const short = { name: 'Short', x: [10, 20], y: [1, 2] }
const tape = { name: 'Foot', x: [12.5], y: [7], points: true }
const x = { title: 'From the heel back', unit: 'mm' }
const y = { title: 'Tape', unit: 'mm' }

describe('a chart as a table', () => {
  it('reads the lines where they are drawn, and nothing past their ends', () => {
    expect(chartRows([slope, short], 5)).toEqual([
      { x: 0, values: [0, null] },
      { x: 5, values: [2.5, null] },
      { x: 10, values: [5, 1] },
      { x: 15, values: [12.5, 1.5] },
      { x: 20, values: [20, 2] },
    ])
  })
  it('has every single point at its own place', () => {
    expect(chartRows([slope, tape], 2)).toEqual([
      { x: 0, values: [0, null] },
      { x: 12.5, values: [8.75, 7] },
      { x: 20, values: [20, null] },
    ])
  })
  it('of nothing is empty', () => {
    expect(chartRows([], 5)).toEqual([])
  })
})

describe.each(['light', 'dark'] as const)('a chart by its %s', (light) => {
  it('tells lines apart by more than colour', () => {
    const drawn = traces([slope, short], light, { y })
    expect(new Set(drawn.map((t) => t.line?.color)).size).toBe(2)
    expect(new Set(drawn.map((t) => t.line?.dash)).size).toBe(2)
    expect(traces([tape], light, { y })[0]).toMatchObject({ mode: 'markers', x: [12.5], y: [7] })
  })
  it('writes inches finer than millimetres', () => {
    const hover = (unit: string) => traces([slope], light, { y: { title: 'Tape', unit } })[0]?.hovertemplate
    expect(hover('mm')).toContain('%{y:.1f} mm')
    expect(hover('inches')).toContain('%{y:.2f} inches')
  })
  it('lies on the paper of the house', () => {
    expect(layoutOf(x, y, light)).toMatchObject({
      paper_bgcolor: coloursOf(light).raised,
      font: { color: coloursOf(light).ink },
      xaxis: { title: { text: 'From the heel back, mm' } },
    })
  })
})

describe('the chart on a page', () => {
  const settled = async () => {
    await vi.dynamicImportSettled()
    await nextTick()
    await nextTick()
  }
  const chart = () => mount(HouseChart, { props: { title: 'Tape along it', x, y, lines: [slope, short] } })
  afterEach(() => {
    plotly.react.mockClear()
    plotly.purge.mockClear()
    presses.length = 0
    seen.value = true
  })
  it('is drawn once it is looked at, again when figures or the light change, and cleared away', async () => {
    seen.value = false
    const c = chart()
    await settled()
    expect(plotly.react).not.toHaveBeenCalled()
    seen.value = true
    await settled()
    expect(plotly.react).toHaveBeenCalledTimes(1)
    await c.setProps({ lines: [slope] })
    await settled()
    expect(plotly.react.mock.lastCall?.[1]).toHaveLength(1)
    theme.value = 'dark'
    await settled()
    expect(plotly.react.mock.lastCall?.[2]).toMatchObject({ paper_bgcolor: coloursOf('dark').raised })
    c.unmount()
    expect(plotly.purge).toHaveBeenCalledTimes(1)
  })
  it('tells once what was pressed, and has no table where the page says it elsewhere', async () => {
    const g = mount(GraphChart, { props: { title: 'What waits for what', data: [{ x: [0], y: [0] }] } })
    await settled()
    await g.setProps({ data: [{ x: [1], y: [1] }] })
    await settled()
    expect(plotly.react).toHaveBeenCalledTimes(2)
    expect(plotly.react.mock.lastCall?.[3]).toMatchObject({ scrollZoom: true })
    for (const press of presses) press({ points: [{ customdata: 'last-toe.left' }] })
    for (const press of presses) press({ points: [{}] })
    expect(g.emitted('choose')).toEqual([['last-toe.left']])
    expect(g.find('button').exists()).toBe(false)
    expect(g.get('[role="img"]').attributes('aria-label')).toBe('What waits for what')
  })
  it('says what it shows, and has its figures in a table that the keyboard opens', async () => {
    const c = chart()
    expect(c.get('[role="img"]').attributes('aria-label')).toBe('Tape along it: Slope, Short')
    const head = c.get('button')
    expect(head.attributes('aria-expanded')).toBe('false')
    await head.trigger('click')
    expect(head.attributes('aria-expanded')).toBe('true')
    await nextTick()
    expect(c.findAll('tbody tr')).toHaveLength(12)
    expect(c.findAll('thead th').map((h) => h.text())).toEqual(['From the heel back, mm', 'Slope, mm', 'Short, mm'])
  })
})
