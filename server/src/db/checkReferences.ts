import { cannotServe, checkRuleFigures, materialChoices, materialsUsed, type PairDecisions } from '@gentle-awl/core'
import { inArray } from 'drizzle-orm'
import { cupSoleEntity } from './entities/cupSoles.ts'
import { lastEntity } from './entities/lasts.ts'
import { materialEntity } from './entities/materials.ts'
import { StoreError } from './errors.ts'
import type { Reader } from './open.ts'
import { materials } from './schema.ts'

const refused = (title: string, field: string, message: string) =>
  new StoreError('cannot be', title, message, { field: `decisions.${field}` })

/** Throws StoreError when decisions name a last, a cup sole or a material that is not in the workshop or cannot serve, or a rule that is none. */
export async function checkReferences(tx: Reader, decisions: PairDecisions): Promise<void> {
  for (const [field, lastId] of [
    ['lastId', decisions.lastId],
    ['left.lastId', decisions.left?.lastId],
  ] as const) {
    if (!lastId) continue
    if (await lastEntity.has(tx, lastId)) continue
    const whose = field === 'lastId' ? '' : ' for the left shoe'
    throw refused('Unknown last', field, `This last${whose} is not on the shelf. Choose another one.`)
  }
  if (decisions.cupSoleId !== null && !(await cupSoleEntity.has(tx, decisions.cupSoleId))) {
    throw refused('Unknown cup sole', 'cupSoleId', 'This cup sole is not in the stores any more. Choose another one.')
  }
  const found = await materialEntity.rows(tx, inArray(materials.id, materialsUsed(decisions)))
  const known = new Map(found.map((m) => [m.id, materialEntity.plain(m)]))
  for (const choice of materialChoices(decisions)) {
    const { field, name } = choice
    const material = known.get(choice.id)
    if (!material) {
      throw refused('Unknown material', field, `${name}: the material is not in the stores. Choose another one.`)
    }
    const why = cannotServe(choice, material)
    if (why !== null) throw refused('Cannot serve', field, `${why} Choose another material.`)
  }
  checkRuleFigures(decisions.rules)
}
