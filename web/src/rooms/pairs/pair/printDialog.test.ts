import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { ExportKind, PairView } from '../../../api/client.ts'
import { useMade } from '../../../stores/madeStore.ts'
import { usePair } from '../../../stores/pairStore.ts'
import PrintDialog from './PrintDialog.vue'
import { pick } from '../../../../test/pick.ts'

const id = '01930000-0003-7000-8000-000000000001'
const kinds: ExportKind[] = [
  { id: 'parts.pdf', title: 'Parts (PDF)', group: 'print', takes: ['paper'] },
  { id: 'upper.dxf', title: 'Upper (DXF)', group: 'drawing', takes: [] },
  // What this dialog cannot ask for it does not offer.
  { id: 'part.svg', title: 'One part', group: 'drawing', takes: ['part', 'foot'] },
]
let asked: { path: string; method: string; body: unknown }[]
let refuse: string | null
const saved = vi.fn()
vi.mock('../../../ui/saveFile.ts', () => ({ saveFile: (name: string) => saved(name) }))

beforeEach(() => {
  setActivePinia(createPinia())
  asked = []
  refuse = null
  saved.mockClear()
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : undefined
    asked.push({ path, method: init.method ?? 'GET', body })
    if (path.endsWith('/exports')) return new Response(JSON.stringify(kinds))
    if (path.endsWith('/made')) return new Response(JSON.stringify([{ part: 'insole' }]))
    if (refuse !== null) return new Response(JSON.stringify({ detail: refuse }), { status: 422 })
    const headers = { 'content-disposition': 'attachment; filename="pair-1041-r1.pdf"', 'printed-parts': '12' }
    return new Response('%PDF', { headers })
  })
})
async function opened() {
  const pair = usePair()
  pair.view = { id, version: 1, revision: 1 } as PairView
  const dialog = mount(PrintDialog, {
    props: { open: true },
    global: { stubs: { HouseDialog: { template: '<div><slot /></div>' } } },
  })
  await flushPromises()
  const button = (name: string) => dialog.findAll('button').find((b) => b.text() === name)
  return { dialog, button }
}

describe('the dialog of files', () => {
  it('offers what the server can make and this dialog can ask for, and the pair file', async () => {
    const { dialog } = await opened()
    const names = dialog.findAll('button').map((b) => b.text())
    expect(names.filter((n) => !['A4', 'A3', 'Letter'].includes(n))).toEqual([
      'Parts (PDF)',
      'Upper (DXF)',
      'Pair file',
    ])
  })
  it('asks for the chosen paper in one request, saves the file, and says what went on record', async () => {
    const { dialog, button } = await opened()
    await pick(dialog, 'A3')
    await button('Parts (PDF)')?.trigger('click')
    await flushPromises()
    const sent = asked.filter((a) => a.method === 'POST')
    expect(sent).toEqual([{ path: `/api/v1/pairs/${id}/parts.pdf`, method: 'POST', body: { paper: 'a3' } }])
    expect(saved).toHaveBeenCalledExactlyOnceWith('pair-1041-r1.pdf')
    expect(dialog.text()).toContain('12 parts on it put on record as printed')
    expect(useMade().list).toHaveLength(1)
  })
  it('looking at the pair file puts nothing on record', async () => {
    const { button } = await opened()
    await button('Pair file')?.trigger('click')
    await flushPromises()
    expect(asked.filter((a) => a.method !== 'GET')).toEqual([])
    expect(saved).toHaveBeenCalledOnce()
  })
  it('says what the server said no with, saves nothing, and can be pressed again', async () => {
    const { dialog, button } = await opened()
    refuse = 'The upper has no piece yet.'
    await button('Upper (DXF)')?.trigger('click')
    await flushPromises()
    expect(dialog.get('[role="alert"]').text()).toContain('The upper has no piece yet.')
    expect(saved).not.toHaveBeenCalled()
    refuse = null
    await button('Upper (DXF)')?.trigger('click')
    await flushPromises()
    expect(saved).toHaveBeenCalledOnce()
    // Good news is said quietly: nothing is an alert any more.
    expect(dialog.find('[role="alert"]').exists()).toBe(false)
    expect(dialog.get('[role="status"]').text()).toContain('in your downloads')
  })
})
