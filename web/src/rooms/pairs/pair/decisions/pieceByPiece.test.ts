import { planPair, type Plan } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import PieceMaterialSelect from '../../../../ui/PieceMaterialSelect.vue'
import { materials } from '../../../../../test/pair.ts'
import { samplePair } from '../../../../../../core/test/samplePair.ts'
import PieceByPiece from './PieceByPiece.vue'
import { severalPieces } from './severalPieces.ts'

const input = samplePair()
let plan: Plan
beforeAll(() => {
  plan = planPair(input)
})

beforeEach(() => setActivePinia(createPinia()))

describe('piece by piece', () => {
  it('has every piece of the upper, every lining and every stay once, and no part that is alone in its role', () => {
    const groups = severalPieces(plan)
    expect(groups.map((g) => g.role)).toEqual(['upper', 'lining', 'stay', 'heel', 'backer'])
    const ids = groups.flatMap((g) => g.pieces.map((p) => p.id))
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toEqual(expect.arrayContaining(plan.upper.pieces.map((p) => p.id)))
    const alone = plan.parts.filter((p) => !ids.includes(p.id)).map((p) => p.role)
    expect(alone).not.toContain('lining')
    expect(alone).not.toContain('upper')
    expect(alone).not.toContain('stay')
  })
  it('says how many are from something else, and opens at the one that was asked for', async () => {
    const workshop = useWorkshop()
    workshop.materials = materials.map((m) => ({ ...m, version: 1, updatedAt: '' }))
    const decisions = {
      ...input.decisions,
      pieceMaterials: { tongue: materials[0]!.id, 'gone.piece': materials[0]!.id },
    }
    const w = mount(PieceByPiece, { props: { plan, decisions } })
    const heads = () => w.findAll('button').map((b) => [b.text(), b.attributes('aria-expanded')])
    expect(heads()).toEqual([
      [`Upper: 1 of ${plan.upper.pieces.length} from something else`, 'false'],
      ['Lining', 'false'],
      ['Stays and tapes', 'false'],
      ['Heel wedge and lifts', 'false'],
      ['Backer of the upper', 'false'],
    ])
    await w.setProps({ asked: 'backStay' })
    expect(heads().at(-3)).toEqual(['Stays and tapes', 'true'])
    const stay = w.findAllComponents(PieceMaterialSelect).find((s) => s.props('piece') === 'backStay')
    expect(stay?.get('[role="combobox"]').attributes('name')).toBe('piece-backStay')
    stay?.vm.$emit('choose', materials[1]!.id)
    expect(w.emitted('choose')).toEqual([[{ id: 'backStay', name: 'Stay over the back seam' }, materials[1]!.id]])
  })
})
