import { describe, expect, it } from 'vitest'
import { Material } from '../../model/material.ts'
import { RuleBook } from '../../trade/rules.ts'
import { foamFinding, foamRecovery } from './foamRecovery.ts'
import { spoken } from '../../units/sentence.ts'

const test = { before: 6, pressed: 2, afterOne: 5, afterTen: 5.8 }
const foam = (foamTest: Material['foamTest'], kind: Material['kind'] = 'foam') =>
  Material.parse({ id: '01900000-0000-7000-8000-000000000001', name: 'Latex', kind, thickness: 6, foamTest })
const book = new RuleBook({}, {})

describe('the foam test', () => {
  it('counts what came back as a share of what was pressed away', () => {
    expect(foamRecovery(test)).toEqual({ afterOne: 75, afterTen: 95 })
    expect(foamRecovery({ ...test, afterTen: 2 })?.afterTen).toBe(0)
    expect(foamRecovery({ ...test, afterTen: 7 })?.afterTen).toBe(100)
    expect(foamRecovery({ ...test, pressed: 6 })).toBeNull()
  })
  it('what does not come back is rejected, what was not tested is said to be so, cork is not asked', () => {
    expect(foamFinding('x', foam(test), book)[0]!.level).toBe('fine')
    const flat = foamFinding('x', foam({ ...test, afterTen: 4 }), book)[0]!
    expect(flat.level).toBe('stop')
    expect(spoken(flat.sentence)).toContain('50 %')
    expect(foamFinding('x', foam(null), book)[0]!.level).toBe('watch')
    expect(foamFinding('x', foam(null, 'cork'), book)).toEqual([])
  })
  it('a record that cannot be is refused', () => {
    expect(() => foam({ ...test, pressed: 7 })).toThrow(/thinner than before/)
  })
})
