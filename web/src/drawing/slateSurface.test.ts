import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { h, nextTick, ref } from 'vue'
import SlateSurface from './SlateSurface.vue'
import { useSlate } from './useSlate.ts'

const world = ref({ minX: 0, minY: 0, maxX: 100, maxY: 50 })
const shown = async (props: Record<string, unknown> = {}) => {
  const slate = useSlate(world, { left: 0, right: 0, top: 0, bottom: 0 })
  const surface = mount(SlateSurface, {
    attachTo: document.body,
    props: { slate, label: 'Insole, right foot', ...props },
    slots: { mm: () => h('path', { d: 'M0 0L10 0' }), tools: () => h('span', 'own tool') },
  })
  // The size is asked of the page once the surface stands; here there is none.
  await nextTick()
  await nextTick()
  slate.width.value = 400
  slate.height.value = 200
  await nextTick()
  return { slate, surface, board: surface.get('.slate-surface') }
}

describe('a drawing on slate', () => {
  it('is one stop of the keyboard with its name, and shows the whole at first', async () => {
    const { surface, board, slate } = await shown()
    expect(board.attributes()).toMatchObject({ role: 'img', 'aria-label': 'Insole, right foot', tabindex: '0' })
    expect(surface.get('svg').attributes('aria-hidden')).toBe('true')
    expect(surface.get('svg > g').attributes('transform')).toContain('scale(4)')
    expect(slate.x(100) - slate.x(0)).toBeCloseTo(400, 6)
  })
  it('is moved, brought nearer and shown whole again by keys, further with Shift; others go on to the page', async () => {
    const { board, slate } = await shown()
    const x = slate.x(0)
    await board.trigger('keydown', { key: 'ArrowLeft' })
    expect(slate.x(0)).toBeCloseTo(x + 30, 6)
    await board.trigger('keydown', { key: 'ArrowRight', shiftKey: true })
    expect(slate.x(0)).toBeCloseTo(x - 90, 6)
    await board.trigger('keydown', { key: '+' })
    expect(slate.scale.value).toBeCloseTo(5, 6)
    await board.trigger('keydown', { key: '-' })
    expect(slate.scale.value).toBeCloseTo(4, 6)
    await board.trigger('keydown', { key: '0' })
    expect([slate.x(0), slate.moved.value]).toEqual([x, false])
    const heard: string[] = []
    const hear = (e: KeyboardEvent) => heard.push(e.key)
    window.addEventListener('keydown', hear)
    await board.trigger('keydown', { key: '+' })
    await board.trigger('keydown', { key: ']' })
    await board.trigger('keydown', { key: '+', ctrlKey: true })
    window.removeEventListener('keydown', hear)
    expect(heard).toEqual([']', '+'])
  })
  it('has buttons for the same in a named bar, after the room’s own', async () => {
    const { surface, slate } = await shown()
    const bar = surface.get('[role="toolbar"]')
    expect(bar.attributes('aria-label')).toBe('Insole: view')
    expect(bar.text().startsWith('own tool')).toBe(true)
    await bar.get('[aria-label="Nearer"]').trigger('click')
    expect(slate.scale.value).toBeCloseTo(5, 6)
    await bar.get('[aria-label="The whole drawing"]').trigger('click')
    expect(slate.scale.value).toBeCloseTo(4, 6)
  })
  it('explains its lines when asked, or from the beginning', async () => {
    const legend = [{ name: 'Cut', stroke: '#fff', width: 2 }]
    const { surface } = await shown({ legend })
    const button = surface.get('[aria-expanded]')
    expect(surface.find('[aria-label="What the lines mean"]').exists()).toBe(false)
    await button.trigger('click')
    expect(button.attributes('aria-expanded')).toBe('true')
    expect(surface.get('[aria-label="What the lines mean"]').text()).toBe('Cut')
    const { surface: open } = await shown({ legend, explained: true })
    expect(open.find('[aria-label="What the lines mean"]').exists()).toBe(true)
    const { surface: none } = await shown()
    expect(none.find('[aria-expanded]').exists()).toBe(false)
  })
  it('says where a pointer is in mm, y up, wherever the drawing was moved', async () => {
    const { slate } = await shown()
    slate.pan(20, -10)
    slate.zoom(2, 0, 0)
    const at = (x: number, y: number) =>
      slate.place(new MouseEvent('pointermove', { clientX: slate.x(x), clientY: slate.y(y) }) as PointerEvent)
    for (const [x, y] of [
      [0, 0],
      [40, 10],
      [-7, 33],
    ] as const) {
      expect(at(x, y)[0]).toBeCloseTo(x, 6)
      expect(at(x, y)[1]).toBeCloseTo(y, 6)
    }
  })
})
